/** What looks for the nearest wall brings a tree of its own along: only those who ask for it load it. */
export {
  depthsOnSection,
  mapOnSection,
  narrowPlaces,
  wallDepths,
  wallMap,
} from '@mivro/core/form/wall'
