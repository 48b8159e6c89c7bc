import { shallowRef } from 'vue'
import { sheetCure, type Batch, type CureModel, type CureTimes } from '@mivro/core/cure'
import { askTimes } from '../work/pool.ts'

const most = 400

const keyOf = (batch: Batch): string => JSON.stringify({ ...batch, of: undefined })

/**
 * How batches ripen, by the model of the cure, which answers from a worker: until it has, a batch
 * shows what its layer had before, or what the sheet alone says.
 */
export function useTimes(on: 'clock' | 'back' = 'clock') {
  const known = new Map<string, CureTimes>()
  const before = new Map<string, CureTimes>()
  /** Grows with every answer, so that what was compiled with an older one is compiled anew. */
  const version = shallowRef(0)
  /** Something shown is not yet answered by the model. */
  const waiting = shallowRef(false)
  let wanted = new Map<string, Batch>()
  let asking = false

  const cure: CureModel = (batch) => {
    void version.value
    const key = keyOf(batch)
    const found = known.get(key)
    if (found) {
      if (batch.of !== undefined) before.set(batch.of, found)
      return found
    }
    wanted.set(key, batch)
    return before.get(batch.of ?? '') ?? sheetCure(batch)
  }

  /** What is known of a batch apart from what is shown: nothing is asked, nothing kept in mind. */
  const peek: CureModel = (batch) => known.get(keyOf(batch)) ?? sheetCure(batch)

  /** Asks for what was missing; one question at a time, so that a drag does not queue up. */
  async function catchUp(): Promise<void> {
    if (asking) return
    const asked = wanted
    wanted = new Map()
    waiting.value = asked.size > 0
    if (asked.size === 0) return
    asking = true
    const times = await askTimes([...asked.values()], on).catch(() => undefined)
    // A sheet that the model can't answer keeps what the sheet itself says.
    ;[...asked].forEach(([key, batch], i) => known.set(key, times?.[i] ?? sheetCure(batch)))
    while (known.size > most) known.delete(known.keys().next().value!)
    asking = false
    // What a drag passed through meanwhile is of no interest any more.
    wanted = new Map()
    version.value++
  }

  /** How long a batch takes to be answered apart from any plan. */
  async function times(batches: Batch[]): Promise<CureTimes[]> {
    const missing = batches.filter((batch) => !known.has(keyOf(batch)))
    if (missing.length > 0) {
      const found = await askTimes(missing, on)
      missing.forEach((batch, i) => known.set(keyOf(batch), found[i]))
    }
    return batches.map((batch) => known.get(keyOf(batch))!)
  }

  return { cure, peek, version, waiting, catchUp, times }
}
