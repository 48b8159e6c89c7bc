export * from './codes.ts'
export * from './problem.ts'
