export { filmAround, thickestFilm, viscosityToHold, type Turning } from './film.ts'
export { beatTakes, lieAt, lies, turnTakes, type Lie } from './lying.ts'
export {
  dustPerArea,
  filledDensity,
  mostPowder,
  settlingSpeed,
  timesThicker,
  powderShare,
} from './metalSkin.ts'
export {
  fastestByHand,
  fewestTurns,
  mostShots,
  shotsFor,
  turnedShot,
  usualTurns,
  type TurnedShot,
} from './turning.ts'
