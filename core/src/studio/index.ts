export * from './studio.ts'
