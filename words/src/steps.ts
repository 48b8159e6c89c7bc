import type { GeometryStep } from '@mivro/core/mould'
import type { ReadingStep } from '@mivro/core/form/piece'

/** What long work is at: of core, and of the page around it. */
export type WorkStep = ReadingStep | GeometryStep | 'measure' | 'cut' | 'keep' | 'drawing'

export const stepWords: Record<WorkStep, string> = {
  read: 'Reading triangles',
  weld: 'Welding corners',
  mend: 'Mending the surface',
  join: 'Joining parts that overlap',
  check: 'Checking the surface',
  undercuts: 'Looking for undercuts',
  pulls: 'Trying pull directions',
  'thin-silicone': 'Looking for thin silicone',
  'thin-walls': 'Looking for thin walls',
  measure: 'Measuring the fill',
  cut: 'Cutting it open',
  keep: 'Keeping the file',
  drawing: 'Reading the drawing',
}
