import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { kindLivesOf } from '@mivro/core/learn/learning'
import type { KindLives, Mould } from '@mivro/core/mould'
import { wearOf } from '@mivro/core/work/pull'
import type { Stored } from '../api/client.ts'
import { listNewest, pullsOfMould } from '../api/sessions.ts'

const endOf = ({ marks = [] }: Mould) => marks.findLast(({ what }) => what === 'ended')

/** How long kinds of mould last in this studio: read where a mould is looked at. */
export const useLives = defineStore('lives', () => {
  const lives = shallowRef<KindLives>({})
  const problems = shallowRef<readonly Problem[]>([])
  async function read(): Promise<void> {
    try {
      await readAll()
      problems.value = []
    } catch (error) {
      problems.value = problemsOf(error)
    }
  }

  /** Moulds in use count only beside some of their kind that have ended. */
  async function readAll(): Promise<void> {
    const moulds = await listNewest('moulds')
    const kinds = new Set(
      moulds.filter(({ document }) => endOf(document)).map(({ document }) => document.kind),
    )
    const own = moulds.filter(({ document }) => kinds.has(document.kind))
    lives.value = kindLivesOf(await Promise.all(own.map(lifeSoFar)))
  }

  return { lives, problems, read }
})

async function lifeSoFar({ id, document }: Stored<Mould>) {
  const end = endOf(document)
  if (end) return { mould: document, pulls: end.pulls, ended: true }
  const pulls = await pullsOfMould(document)
  const own = pulls.map((pull) => pull.document)
  return { mould: document, pulls: wearOf(document, id, own).pulls, ended: false }
}
