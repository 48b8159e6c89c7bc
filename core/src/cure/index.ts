export * from './cureTimes.ts'
export * from './roomRule.ts'
export * from './sheetCure.ts'
export * from './explain.ts'
