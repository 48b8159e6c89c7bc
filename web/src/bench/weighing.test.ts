import { describe, expect, it } from 'vitest'
import { effectScope, nextTick, reactive, ref } from 'vue'
import type { SafetyLine } from '@mivro/core/base/caution'
import type { Trouble } from '@mivro/core/work/instrument'
import { progressOf } from '@mivro/core/work/bench'
import { after, bench, ofKind } from '../../../core/src/work/bench/samples.ts'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'
import { useWeighing } from './useWeighing.ts'

/** Part A is in to the gram, on a scale that stands still. */
function weighed() {
  const [task] = ofKind(bench(), 'weigh')
  const begun = after(bench(), { what: 'tared', task: task.id, reading: 0, at: 1000 })
  const page = ref(100)
  const trouble = ref<Trouble>()
  const unread = ref<SafetyLine[]>([])
  const open = { bench: ref(begun), progress: ref(progressOf(begun)), task: ref(task), unread }
  const instruments = {
    page,
    watched: reactive({ scale: { last: { steady: true } } }),
    valueOf: () => task.mass,
    trouble: () => trouble.value,
  }
  const scope = effectScope()
  const { held } = scope.run(() =>
    useWeighing(open as unknown as UseBench, instruments as unknown as UseInstruments),
  )!
  const pass = async (seconds: number) => {
    await nextTick()
    page.value += seconds
    await nextTick()
  }
  return { held, trouble, unread, pass, end: () => scope.stop() }
}

const gloves = { id: 'gloves' } as SafetyLine

describe('a weight that is good', () => {
  it.each([
    [
      'its scale is believed',
      (at: ReturnType<typeof weighed>, on: boolean) => {
        at.trouble.value = on ? 'jumping' : undefined
      },
    ],
    [
      'its caution is read',
      (at: ReturnType<typeof weighed>, on: boolean) => {
        at.unread.value = on ? [gloves] : []
      },
    ],
  ] as const)('counts as held three seconds after %s, not before', async (_, hinder) => {
    const at = weighed()
    hinder(at, true)
    await at.pass(0)
    await at.pass(60)
    expect(at.held.value).toBe(false)
    hinder(at, false)
    await at.pass(2)
    expect(at.held.value).toBe(false)
    await at.pass(2)
    expect(at.held.value).toBe(true)
    at.end()
  })
})
