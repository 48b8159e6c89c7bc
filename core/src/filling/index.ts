export * from './fillCurve.ts'
export * from './section.ts'
