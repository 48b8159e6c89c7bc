import type { DocumentTypeName } from '@mivro/core/studio'

/** What each type of document is called where it is listed. */
export const documentTypeWords: Record<DocumentTypeName, string> = {
  piece: 'Piece',
  mould: 'Mould',
  run: 'Run',
  bench: 'Run at the bench',
  plan: 'Pour',
  pull: 'Pull',
  material: 'Materials',
  studio: 'Settings',
}
