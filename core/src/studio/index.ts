export * from './studio.ts'
export * from './documents.ts'
