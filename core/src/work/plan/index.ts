export * from './plan.ts'
export * from './ladder.ts'
export * from './edit.ts'
export * from './moments.ts'
export * from './nights.ts'
export * from './compile/compiled.ts'
export * from './compile/compile.ts'
export { inclusionVolume } from './compile/stack.ts'
export { meetingAt, momentFor } from './compile/schedule.ts'
export * from './compile/heatLimit.ts'
export {
  filmOf,
  turningRadius,
  massForWall,
  turnedWall,
  wallFor,
  wallForMass,
  type CompiledTurning,
  type PlacedShell,
} from './compile/shell.ts'
export { clingFor, type CompiledSkin, type SkinFace } from './compile/skin.ts'
export { judgeCup } from './compile/judgeHeat.ts'
export * from './pouredInto.ts'
export * from './heat/pourHeat.ts'
export * from './heat/waysOut.ts'
export * from './heat/findWays.ts'
export * from './pourSheet.ts'
export * from './fixes.ts'
export * from './fineness.ts'
export * from './order.ts'
export * from './look.ts'
export * from './seen.ts'
export * from './shots.ts'
export * from './bubbles.ts'
