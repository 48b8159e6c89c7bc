import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@mivro/core/base/problem'
import { useOpen } from './useOpen.ts'

const pending = new Map<string, { come: () => void; fail: (error: unknown) => void }>()
const left: string[] = []
vi.mock('./sessions.ts', () => ({
  openSession: (path: string, id: string) =>
    new Promise((resolve, reject) => {
      pending.set(id, { come: () => resolve({ path, id }), fail: reject })
    }),
  leave: (session: { id: string } | undefined) => session && left.push(session.id),
}))

beforeEach(() => {
  pending.clear()
  left.length = 0
})
afterEach(() => vi.restoreAllMocks())

describe('one document open at a time', () => {
  it('A and then B quickly: what comes late is let go, and B is shown', async () => {
    const { session, open, busy } = useOpen('moulds')
    const first = open('A')
    const second = open('B')
    expect([session.value, busy.value]).toEqual([undefined, true])
    pending.get('B')!.come()
    await second
    pending.get('A')!.come()
    expect(await first).toBeUndefined()
    expect([session.value?.id, busy.value, left]).toEqual(['B', false, ['A']])
  })

  it('nothing is shown of the one before while the next comes, so nothing is typed into it', async () => {
    const { session, open } = useOpen('moulds')
    void open('A')
    pending.get('A')!.come()
    await vi.waitFor(() => expect(session.value?.id).toBe('A'))
    void open('B')
    expect([session.value, left]).toEqual([undefined, ['A']])
  })

  it('what cannot be opened is said, unless something else is asked for by then', async () => {
    const { open, problems } = useOpen('moulds')
    const gone = open('gone')
    pending.get('gone')!.fail(new Problem('not-found', { kind: 'mould', id: 'gone' }))
    await gone
    expect(problems.value[0].code).toBe('not-found')
    const late = open('late')
    void open('B')
    pending.get('late')!.fail(new Problem('server-away', {}))
    await late
    expect(problems.value).toEqual([])
  })
})
