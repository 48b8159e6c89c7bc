export {
  climbingHeight,
  climbingParting,
  findClimbing,
  type ClimbingOptions,
  type ClimbingParting,
} from './climbing.ts'
export { partingSheet, type PartingSheet } from './sheet.ts'
export { keysInPiece, oddLength, partingKeys, type PartingKey } from './keys.ts'
export { turnedPull } from './turn.ts'
export { halvesOf, type Halves } from './halves.ts'
export {
  climbingOf,
  mayClimb,
  meanHeight,
  partingOnSection,
  partingHeights,
  partingOf,
  type PartingHeight,
} from './heights.ts'
