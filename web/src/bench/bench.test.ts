import { effectScope, nextTick, ref } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { mount } from '@vue/test-utils'
import type { Cue } from '@mivro/core/work/bench'
import QrCode from '../ui/QrCode.vue'
import BenchClocks from './BenchClocks.vue'
import { useInstruments } from './useInstruments.ts'
import { useVoice } from './useVoice.ts'

/** A stream that the test speaks through. */
class FakeStream {
  static last: FakeStream
  onopen?: () => void
  onerror?: () => void
  onmessage?: (event: { data: string }) => void
  closed = false
  constructor() {
    FakeStream.last = this
  }
  say(message: object): void {
    this.onmessage?.({ data: JSON.stringify(message) })
  }
  close(): void {
    this.closed = true
  }
}
const line = (more: object = {}) => ({
  line: { instrument: 'scale', value: 20, unit: 'g', steady: true, ...more },
})

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] })
  vi.stubGlobal('EventSource', FakeStream)
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('instruments on the page', () => {
  const open = () => {
    const scope = effectScope()
    const instruments = scope.run(useInstruments)!
    return { instruments, stream: FakeStream.last, end: () => scope.stop() }
  }

  it('what is shown is what was said last; silent for four seconds, nothing is', () => {
    const { instruments, stream, end } = open()
    stream.say(line())
    expect(instruments.valueOf('scale')).toBeCloseTo(0.02, 9)
    stream.say(line({ value: 21 }))
    expect(instruments.valueOf('scale')).toBeCloseTo(0.021, 9)
    vi.advanceTimersByTime(5000)
    expect(instruments.trouble('scale')).toBe('silent')
    expect(instruments.valueOf('scale')).toBeUndefined()
    end()
    expect(stream.closed).toBe(true)
  })

  it('a unit that is none of it is refused until it speaks right again; rubbish is passed over', () => {
    const { instruments, stream, end } = open()
    stream.say(line())
    stream.say(line({ unit: 'ml' }))
    expect(instruments.refusals.scale?.code).toBe('instrument-unit')
    expect(instruments.valueOf('scale')).toBeUndefined()
    stream.say({ line: { instrument: 'kettle', value: 1 } })
    stream.say(line())
    expect(instruments.refusals.scale).toBeUndefined()
    expect(instruments.valueOf('scale')).toBeCloseTo(0.02, 9)
    end()
  })

  it('the clock is the bench’s: it runs on by itself, faster where that was told, and says that it was set', () => {
    const { instruments, stream, end } = open()
    stream.say({ clock: { now: 5000, speed: 10 } })
    vi.advanceTimersByTime(2000)
    expect(instruments.at()).toBeCloseTo(5020, 1)
    expect(instruments.now.value).toBeCloseTo(5020, 0)
    stream.say({ clock: { now: 5020, speed: 1, set: 3600 } })
    expect(instruments.clockSet.value).toBe(3600)
    expect(instruments.at()).toBeCloseTo(5020, 1)
    end()
  })
})

const cue = (at: number, when: Cue['when'] = 'ahead'): Cue => ({
  at,
  when,
  clock: { what: 'pours', id: 'a', from: 0, until: 100, kind: 'deadline', mix: 0 },
})

describe('the voice', () => {
  it('says what is due, in words and aloud, once; turned off only in words', async () => {
    const spoken: string[] = []
    vi.stubGlobal('speechSynthesis', {
      speak: ({ text }: { text: string }) => spoken.push(text),
      cancel: () => {},
    })
    vi.stubGlobal(
      'SpeechSynthesisUtterance',
      class {
        constructor(readonly text: string) {}
      },
    )
    const [now, speaks] = [ref(0), ref(true)]
    const scope = effectScope()
    const ended = ref(false)
    const cues = ref([cue(70), cue(100, 'over')])
    const said = scope.run(() => useVoice(cues, now, { speaks, ends: () => ended.value }))!
    const at = async (time: number) => {
      now.value = time
      await nextTick()
    }
    await at(60)
    await at(69)
    expect(said.value).toEqual([])
    await at(71)
    await at(72)
    expect(spoken).toEqual(['In 30 seconds cup 1 no longer pours.'])
    speaks.value = false
    await at(101)
    expect(spoken).toHaveLength(1)
    expect(said.value[0]).toMatchObject({ urgent: true })
    expect(said.value[0].text).toContain('It no longer pours')
    // What is old, or of a bench that is done, is no news.
    await at(101 + 601)
    expect(said.value).toEqual([])
    await at(102)
    ended.value = true
    expect(said.value).toEqual([])
    scope.stop()
  })
})

it('clocks say what is left, and red what to do now', () => {
  const clock = { id: 'a', from: 0, until: 100, mix: 0, share: 0.5, left: 50, name: undefined }
  const shown = mount(BenchClocks, {
    props: {
      said: [],
      finished: false,
      clocks: [
        { ...clock, what: 'pours', kind: 'deadline', state: 'calm' },
        { ...clock, id: 'b', what: 'gels', kind: 'deadline', state: 'red', share: 1, left: -3 },
      ],
    },
  })
  expect(shown.get('[data-clock="pours"]').text()).toContain('50 s')
  expect(shown.get('[data-clock="gels"]').text()).toContain('now')
  expect(shown.get('[data-clock="gels"]').text()).toContain('It gels. Nothing is moved any more.')
})

it('at the end no clock is said to begin', () => {
  const shown = mount(BenchClocks, { props: { said: [], clocks: [], finished: true } })
  expect(shown.text()).toBe('No clock runs any more.')
})

it('a code is as large as its text asks, with its three corners and four cells clear around', () => {
  const made = mount(QrCode, { props: { text: 'http://192.0.2.7:5317' } })
  // Version 2, 25 cells (ISO/IEC 18004), and four clear on each side.
  expect(made.attributes('viewBox')).toBe('0 0 33 33')
  const path = made.get('path').attributes('d')!
  for (const corner of ['M4 4h', 'M28 4h', 'M4 28h']) expect(path).toContain(corner)
  expect(path).not.toContain('M28 28h1v1h-1zM29 28')
})
