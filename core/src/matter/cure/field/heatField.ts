import type { FieldFrame, FieldQuestion, HeatField } from './pouring.ts'
import { LayerStory } from './layerStory.ts'
import { FieldMarch } from './march.ts'

export interface FieldOptions {
  /** Pictures of the whole field to keep. */
  frames?: number
  onProgress?: (share: number) => void
}

/** The pictures of one stretch between pours crowd at its beginning: share^2. */
const crowding = 2

/**
 * Heat and cure of a pour in its mould, cell by cell: layers wake when they are poured; conduction
 * by backward Euler, solved by conjugate gradients; reaction by Heun's rule on tables. Report the centre and the 95th percentile of a layer: thin fronts of a runaway overshoot.
 *
 * @example heatField({ grid: heatGridOfABlock, layers: [deepEpoxyAtOnce], room: 296.15, until: 3600 }).energy.lost >= 0 // true
 */
export function heatField(
  question: FieldQuestion,
  { frames: wanted = 48, onProgress = () => {} }: FieldOptions = {},
): HeatField {
  const { grid, layers, until } = question
  const march = new FieldMarch(question)
  const stories = layers.map((layer, k) => new LayerStory(grid, march.members[k], layer))
  const moments = pictureTimes(march.pours, until, wanted)
  const frames: FieldFrame[] = []
  let told = 0

  const look = () => {
    for (const k of march.awake) stories[k].see(march.time, march.temperature, march.alpha)
    if (moments.length === 0 || march.time < moments[0] - 1e-9) return
    frames.push(march.picture())
    while (moments.length > 0 && march.time >= moments[0] - 1e-9) moments.shift()
  }

  march.wake()
  look()
  while (march.time < until && march.going) {
    march.advance(until)
    march.wake()
    look()
    if (march.time / until - told > 0.01) {
      told = march.time / until
      onProgress(told)
    }
  }
  frames.push(march.picture())
  return {
    grid,
    frames,
    layers: stories.map((story) => story.told()),
    energy: march.balance(),
    steps: march.steps,
  }
}

/** When to keep a picture: after every pour often, then ever more rarely. */
function pictureTimes(pours: readonly number[], until: number, wanted: number): number[] {
  const starts = [...new Set(pours)].filter((at) => at < until).sort((a, b) => a - b)
  const each = Math.max(6, Math.ceil(wanted / Math.max(1, starts.length)))
  return starts.flatMap((from, i) => {
    const to = starts[i + 1] ?? until
    return Array.from({ length: each }, (_, j) => from + (to - from) * (j / each) ** crowding)
  })
}
