/** What needs a hull, and with it a large library: a worker fetches this when it is asked for. */
export {
  findClimbing,
  findSeam,
  mouldBed,
  mouldGeometry,
  partingHeights,
  printShell,
  seamSide,
} from '@mivro/core/mould'
