export { type FillCurve } from './levels.ts'
export * from './fillCurve.ts'
export * from './askCurve.ts'
export * from './section.ts'
