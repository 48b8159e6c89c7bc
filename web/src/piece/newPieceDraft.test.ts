import { nextTick } from 'vue'
import { beforeEach, expect, it } from 'vitest'
import { clearDraft, useNewPieceDraft } from './newPieceDraft.ts'

beforeEach(() => sessionStorage.clear())

it('what was typed of a new piece is there again after a reload, until it is made', async () => {
  const draft = useNewPieceDraft()
  const solid = { solid: 'ball', diameter: 0.033 } as const
  draft.value = { ...draft.value, name: 'Marble', from: 'sizes', solid }
  await nextTick()
  expect(useNewPieceDraft().value).toMatchObject({ name: 'Marble', from: 'sizes', solid })
  clearDraft(draft)
  await nextTick()
  expect(useNewPieceDraft().value).toMatchObject({ name: '', from: 'file' })
})

it('what can no longer be read begins anew', () => {
  for (const text of ['{', '{"name":"x","from":"sizes","solid":{"solid":"ball","diameter":-1}}']) {
    sessionStorage.setItem('mivro-new-piece', text)
    expect(useNewPieceDraft().value).toMatchObject({ name: '', from: 'file' })
  }
})
