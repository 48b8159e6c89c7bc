/** How a revision came about. */
export type Change = 'made' | 'edited' | 'undone' | 'redone' | 'deleted' | 'restored'

export interface Revision<D> {
  revision: number
  change: Change
  at: string
  document: D
  /** A version that was given a name is kept for good. */
  name?: string | null
}

/** Where undo and redo stand: what lies behind, what is shown, what can be done again. */
export interface Timeline<D> {
  past: D[]
  present: D
  future: D[]
}

/**
 * Undo and redo as far back as the revisions reach, across sessions: an undo is itself a
 * revision, so the stack is replayed from the list. `revisions` in order, at least one.
 *
 * @example timelineOf(madeEditedUndone) // { past: [], present: 1, future: [2] }
 */
export function timelineOf<D>(revisions: readonly Revision<D>[]): Timeline<D> {
  let timeline: Timeline<D> = { past: [], present: revisions[0].document, future: [] }
  for (const { change, document } of revisions.slice(1)) {
    if (change === 'undone' && timeline.past.length) timeline = undo(timeline)
    else if (change === 'redone' && timeline.future.length) timeline = redo(timeline)
    else if (change === 'edited') timeline = edit(timeline, document)
    timeline.present = document
  }
  return timeline
}

export const edit = <D>({ past, present }: Timeline<D>, next: D): Timeline<D> => ({
  past: [...past, present],
  present: next,
  future: [],
})

export const undo = <D>({ past, present, future }: Timeline<D>): Timeline<D> => ({
  past: past.slice(0, -1),
  present: past[past.length - 1],
  future: [present, ...future],
})

export const redo = <D>({ past, present, future }: Timeline<D>): Timeline<D> => ({
  past: [...past, present],
  present: future[0],
  future: future.slice(1),
})
