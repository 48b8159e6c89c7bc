import { type Caution } from '@mivro/core/base/caution'
import { mouldFixesOf } from '@mivro/core/mould'
import { sayFix } from '@mivro/words/fix'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import type { Fix } from '../ui/fix.ts'

/** What one click can do about a caution of the mould. */
export function useMouldFixes() {
  const project = useProject()
  const studio = useStudio()
  return (caution: Caution): Fix[] =>
    project.compiledMould
      ? mouldFixesOf(caution, project.mould!, project.compiledMould).map(
          ({ fix, amounts, change }): Fix => ({
            words: sayFix(fix, amounts, studio.units),
            take: () => project.changeMould(change),
          }),
        )
      : []
}
