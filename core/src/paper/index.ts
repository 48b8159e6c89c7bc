export * from './trueSize.ts'
