import { ref } from 'vue'
import { describe, expect, it } from 'vitest'
import { readDocument } from '@mivro/core/base/document'
import { pullSchema, type Pull } from '@mivro/core/work/pull'
import { usePins } from './usePins.ts'

const begun: Pull = {
  plan: 'p',
  planRevision: 1,
  pouredAt: '2026-11-27T10:00:00Z',
  copies: 2,
  room: 294.15,
  layers: [],
  outcome: 'good',
  faults: [],
  note: '',
  nextTime: '',
}
/** A pull as the page keeps it: read by its schema after every change. */
function pinned(first: Partial<Pull> = {}) {
  const pull = ref<Pull>({ ...begun, ...first })
  const change = (values: Partial<Pull>) => {
    pull.value = readDocument(pullSchema, { ...pull.value, ...values })
    return undefined
  }
  return { pull, ...usePins(() => pull.value, change) }
}
const picture = { id: 'a'.repeat(64), name: 'rim.png' }

describe('pins of a pull', () => {
  it('a new one is of the fault that was ticked last, and is chosen', () => {
    const { pull, add, selected, pins } = pinned({ faults: ['ragged edge'] })
    add([0.01, 0, 0.02])
    expect(pins.value).toMatchObject([{ fault: 'ragged edge', at: [0.01, 0, 0.02] }])
    expect(selected.value).toBe(pins.value[0].id)
    expect(pull.value.faults).toEqual(['ragged edge'])
  })

  it('turned into another fault, or taken out, its fault is no longer one of the cast', () => {
    const { pull, add, edit, remove, pins } = pinned()
    add([0, 0, 0])
    expect(pull.value.faults).toEqual(['void at a tip'])
    edit(pins.value[0].id, { fault: 'foam' })
    expect(pull.value.faults).toEqual(['foam'])
    remove(pins.value[0].id)
    expect(pull.value.faults).toEqual([])
  })

  it('of two pins of one fault the other still stands for it', () => {
    const { pull, add, remove, pins } = pinned()
    add([0, 0, 0])
    add([0, 0, 0.01])
    remove(pins.value[0].id)
    expect(pull.value.faults).toEqual(['void at a tip'])
  })

  it('a picture of a pin is one of the pull, once', () => {
    const { pull, add, pictureOf, addPicture, pins } = pinned()
    add([0, 0, 0])
    pictureOf(pins.value[0].id, picture)
    addPicture(picture)
    expect(pull.value.pictures).toEqual([picture])
    expect(pins.value[0].picture).toBe(picture.id)
  })
})
