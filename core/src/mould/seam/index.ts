export { frontOf, lineCutAt, seamSide, sideStep } from './along.ts'
export { findSeam, type Seam } from './seam.ts'
export { seamNeeded, slitFor, stretchOf } from './slit.ts'
