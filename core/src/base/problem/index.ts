export * from './codes.ts'
export * from './fileFaults.ts'
export * from './problem.ts'
