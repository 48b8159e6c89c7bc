import { readDocument } from '@mivro/core/base/document'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { mouldSchema, type Mould } from '@mivro/core/mould'
import type { Session } from '../../api/session.ts'

/** Changes a record that is open; answers why it refuses. */
export const mouldChange =
  (session: () => Session<'moulds'>) =>
  (values: Partial<Mould>): Problem | undefined => {
    try {
      session().edit(readDocument(mouldSchema, { ...session().document, ...values }))
      return undefined
    } catch (error) {
      return problemsOf(error)[0]
    }
  }
