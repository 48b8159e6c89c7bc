/** What needs a hull, and with it a large library: a worker fetches this when it is asked for. */
export {
  findClimbing,
  findSeam,
  flaggedMaster,
  mouldBed,
  mouldGeometry,
  partingHeights,
  printShell,
  sideSheets,
} from '@mivro/core/mould'
