import { describe, expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { routes, viewsAt } from './routes.ts'

const router = createRouter({ history: createMemoryHistory(), routes })

describe('views that are asked for before the router is there', () => {
  it.each([
    '/pieces',
    '/pieces/new',
    '/pieces/p1/shape',
    '/pieces/p1/mould',
    '/pieces/p1/mould/air',
    '/pieces/p1/pour',
    '/pieces/p1/pulls/one',
    '/pieces/p1/sheet',
    '/pieces/p1/mould-sheet',
    '/pieces/p1/mould-bench/b1',
    '/moulds',
    '/moulds/m1',
    '/log',
    '/runs/r1',
    '/runs/r1/sheet',
    '/runs/r1/bench/b1',
    '/shelf',
    '/studio',
    '/nowhere/at/all',
  ])('are those that the router will show: %s', (path) => {
    const shown = router
      .resolve(path)
      .matched.flatMap(({ components }) => components?.default ?? [])
    expect(viewsAt(path)).toEqual(shown)
    expect(shown.length).toBeGreaterThan(0)
  })
})
