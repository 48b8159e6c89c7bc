export { climbingHeight, climbingParting, findClimbing, type ClimbingParting } from './climbing.ts'
export { halvesOf, type Halves } from './halves.ts'
export {
  climbingOf,
  mayClimb,
  meanHeight,
  partingAlong,
  partingHeights,
  partingOf,
  type PartingHeight,
} from './heights.ts'
