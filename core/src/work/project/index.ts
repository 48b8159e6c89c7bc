export * from './survey.ts'
export * from './documents.ts'
export * from './derive.ts'
