import { shallowRef } from 'vue'
import { blockOf, type Block, type Mould } from '@mivro/core/mould'
import type { Vec3 } from '@mivro/core/form/mesh'
import { sizeAs } from '@mivro/core/work/run'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import type { Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { askSurvey } from '../work/pool.ts'

/** A mould as it stands on a plate. */
export interface MouldSize {
  id: string
  name: string
  count: number
  block: Block
}

/** The moulds of the studio as they stand on a plate: each by the first piece it makes. */
export function useMouldSizes() {
  const sizes = shallowRef<MouldSize[]>([])
  const problems = shallowRef<readonly Problem[]>([])

  async function load(): Promise<void> {
    try {
      const [moulds, pieces] = await Promise.all([listNewest('moulds'), listNewest('pieces')])
      for (const { id, document } of moulds as Stored<Mould>[]) {
        const piece = pieces.find((one) => document.pieces.includes(one.id))
        if (!piece) continue
        const up = document.masterUp as Vec3
        const { form } = piece.document
        const { measures } = await askSurvey({ form, up, turn: 0 }, { on: 'back' })
        const block = blockOf(document, sizeAs(measures, up))
        sizes.value = [...sizes.value, { id, name: document.name, count: document.count, block }]
      }
    } catch (error) {
      problems.value = problemsOf(error)
    }
  }

  return { sizes, problems, load }
}
