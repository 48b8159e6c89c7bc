import { ref, shallowRef } from 'vue'
import {
  batchKey,
  sheetCure,
  type Batch,
  type CureTimes,
  type CureTimesCache,
} from '@mivro/core/matter/cure'
import type { CompiledPlan } from '@mivro/core/work/plan'
import { askTimes } from '../work/pool.ts'

const most = 400

/**
 * What the model of the cure has answered so far, as a value that compiling takes: what compiling
 * would like to know is wanted here, and asked of a worker.
 */
export function useCureTimes(on: 'clock' | 'back' = 'clock') {
  const times = shallowRef<CureTimesCache>(new Map())
  /** What each layer showed last, for as long as its new batch is not answered. */
  const before = new Map<string, CureTimes>()
  /** Something shown is not yet answered by the model. */
  const waiting = ref(false)
  let wanted: readonly Batch[] = []
  let asking = false

  function remember(batches: readonly Batch[], found: readonly CureTimes[]): void {
    const all = new Map(times.value)
    batches.forEach((batch, i) => all.set(batchKey(batch), found[i]))
    while (all.size > most) all.delete(all.keys().next().value!)
    times.value = all
  }

  /** Takes note of what a compiled plan shows, and asks for what it wants. */
  function follow({ layers, wanted: missing }: Pick<CompiledPlan, 'layers' | 'wanted'>): void {
    for (const { id, batch } of layers) {
      const found = batch && times.value.get(batchKey(batch))
      if (found) before.set(id, found)
    }
    wanted = onlyOnce(missing)
    waiting.value = wanted.length > 0
    void catchUp()
  }

  /** One question at a time, so that a drag does not queue up; what it passed through is let go. */
  async function catchUp(): Promise<void> {
    if (asking) return
    asking = true
    while (wanted.length > 0) {
      const asked = wanted
      const found = await askTimes([...asked], on).catch(() => undefined)
      // A sheet that the model can't answer keeps what the sheet itself says.
      remember(asked, found ?? asked.map(sheetCure))
      if (wanted === asked) wanted = []
    }
    asking = false
    waiting.value = false
  }

  /** How batches are answered apart from what is shown: nothing is kept in mind of layers. */
  async function answer(batches: readonly Batch[]): Promise<CureTimesCache> {
    const missing = onlyOnce(batches).filter((batch) => !times.value.has(batchKey(batch)))
    if (missing.length > 0) remember(missing, await askTimes([...missing], on))
    return times.value
  }

  return { times, before, waiting, follow, answer }
}

const onlyOnce = (batches: readonly Batch[]): readonly Batch[] => [
  ...new Map(batches.map((batch) => [batchKey(batch), batch])).values(),
]
