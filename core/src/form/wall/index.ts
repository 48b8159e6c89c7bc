export { treeOf } from './tree.ts'
export { wallDepths, type WallDepths } from './wallDepths.ts'
export { shellVolume, wallOf } from './shell.ts'
export { depthAtPlace, depthLines, depthsOnSection, type SectionDepths } from './onSection.ts'
