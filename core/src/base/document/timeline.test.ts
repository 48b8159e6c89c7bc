import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  edit,
  redo,
  timelineOf,
  undo,
  type Change,
  type Revision,
  type Timeline,
} from './timeline.ts'

const revisions = (...list: [Change, number][]): Revision<number>[] =>
  list.map(([change, document], i) => ({ revision: i + 1, change, at: '', document }))

describe('undo and redo across sessions', () => {
  it('an undo is a revision, and what it undid can be redone', () => {
    expect(timelineOf(revisions(['made', 1], ['edited', 2], ['undone', 1]))).toEqual({
      past: [],
      present: 1,
      future: [2],
    })
  })

  it('an edit after an undo ends what could be redone', () => {
    const timeline = timelineOf(revisions(['made', 1], ['edited', 2], ['undone', 1], ['edited', 3]))
    expect(timeline).toEqual({ past: [1], present: 3, future: [] })
  })

  it('replaying the revisions gives the stack the session had, for any sequence', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('edited', 'undone', 'redone')), (wishes) => {
        let live: Timeline<number> = { past: [], present: 0, future: [] }
        const list: [Change, number][] = [['made', 0]]
        wishes.forEach((wish, i) => {
          if (wish === 'undone' && live.past.length) live = undo(live)
          else if (wish === 'redone' && live.future.length) live = redo(live)
          else if (wish === 'edited') live = edit(live, i + 1)
          else return
          list.push([wish as Change, live.present])
        })
        expect(timelineOf(revisions(...list))).toEqual(live)
      }),
    )
  })
})
