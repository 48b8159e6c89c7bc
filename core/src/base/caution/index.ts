export * from './codes.ts'
export * from './safety.ts'
export * from './fixes.ts'
