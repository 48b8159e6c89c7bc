import { useRoute, useRouter } from 'vue-router'
import { type Caution, type CautionCode } from '@mivro/core/base/caution'
import { fixesOf } from '@mivro/core/work/plan'
import { sayFix } from '@mivro/words/fix'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import type { Fix } from '../ui/fix.ts'

/** What the heat lens finds ways out of. */
const hot: readonly CautionCode[] = [
  'layer-too-deep',
  'layer-runs-hot',
  'layer-runs-away',
  'layer-may-run-hot',
]

/** What one click can do about a caution of the pour. */
export function useFixes() {
  const project = useProject()
  const studio = useStudio()
  const route = useRoute()
  const router = useRouter()
  return (caution: Caution): Fix[] => {
    const found = fixesOf(caution, project.plan!, project.compiled!).map(
      ({ fix, amounts, plan }): Fix => ({
        words: sayFix(fix, amounts, studio.units),
        take: () => project.changePlan(plan),
      }),
    )
    if (hot.includes(caution.code) && route.query.lens !== 'heat') {
      const take = () => router.replace({ query: { ...route.query, lens: 'heat' } })
      found.push({ words: 'Show the ways out', take })
    }
    return found
  }
}
