import { deriveMould } from './deriveMould.ts'
import { derivePour } from './derivePour.ts'
import type {
  ProjectAnswers,
  ProjectDocuments,
  ProjectShown,
  ProjectView,
  ProjectWanted,
} from './documents.ts'

/**
 * Everything that screens show of a piece, its pour and its mould, and what it would like to know:
 * `derivePour` and `deriveMould` together.
 *
 * @example derive(documents, {}).wanted.held.up // [0, 0, 1]
 */
export function derive(
  documents: ProjectDocuments,
  answers: ProjectAnswers,
  view: ProjectView = { turn: 0, poured: 'resin' },
): { shown: ProjectShown; wanted: ProjectWanted } {
  const pour = derivePour(documents, answers)
  const { mould } = documents
  const made = mould && deriveMould({ ...documents, mould }, answers, view, pour.shown.pour)
  return {
    shown: { ...pour.shown, mould: made?.shown },
    wanted: { ...pour.wanted, ...made?.wanted },
  }
}
