import { newRun, type Run } from '@mivro/core/work/run'

const hour = 3600

/** The runs of the demo studio. All made up. */
export const runs: Record<string, Run> = {
  'demo-run-solid': {
    ...newRun('One solid astronomer'),
    pours: [{ id: 'astronomer', piece: 'demo-astronomer-solid', casts: 1 }],
    hands: 1,
    way: 'pressure',
    begin: 10 * hour,
  },
  'demo-run-hollow': {
    ...newRun('Two hollow astronomers'),
    pours: [{ id: 'hollow', piece: 'demo-astronomer', plan: 'demo-astronomer-plan-1', casts: 2 }],
    begin: 10 * hour,
    note: 'Turned by hand, the drip at the plug is looked at.',
  },
  'demo-run-keycaps': {
    ...newRun('Fourteen crater keycaps'),
    pours: [{ id: 'keycaps', piece: 'demo-crater-keycap', casts: 14 }],
    hands: 2,
    way: 'pressure',
    date: '2026-12-04',
    begin: 9 * hour + hour / 2,
    windows: [
      { from: 9 * hour, until: 12.5 * hour },
      { from: 14 * hour, until: 19 * hour },
    ],
    note: 'For the winter market. One fills, the other bands and shuts the pot.',
  },
}
