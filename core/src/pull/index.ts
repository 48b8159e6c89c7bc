export * from './faults.ts'
export * from './pull.ts'
export * from './ratioCheck.ts'
export * from './lastWord.ts'
