import { computed, ref } from 'vue'
import { bestWay, waysOfPiece, type Way } from '@mivro/core/air'
import { bubbleLayers } from '@mivro/core/plan'
import { useLatest } from '../../project/useLatest.ts'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { askBubbles } from '../../work/pool.ts'

/** Where the bubbles of the open pour end, by each way against them, and the way that is shown. */
export function useBubbles(active: () => boolean) {
  const project = useProject()
  const studio = useStudio()
  let asked = ''
  const question = computed<Parameters<typeof askBubbles>[0] | undefined>((before) => {
    const { plan, compiled, survey } = project
    if (!active() || !plan || !compiled || !survey) return undefined
    const { pot, vessel } = studio.studio
    const layers = bubbleLayers(plan, compiled, survey.curve)
    if (layers.length === 0) return undefined
    const question = { layers, tools: { pot, vessel } }
    const key = JSON.stringify(question)
    if (key === asked) return before
    asked = key
    return question
  })
  const { answer, problem } = useLatest(() => question.value, askBubbles)
  const layers = computed(() => (question.value ? (answer.value ?? []) : []))
  const ways = computed(() => waysOfPiece(layers.value))
  const best = computed(() => bestWay(ways.value))

  /** Chosen by the person; until then the best is shown. */
  const chosen = ref<Way | 'own'>()
  const shown = computed<Way | 'own'>(() => chosen.value ?? best.value?.way ?? 'none')
  const waiting = computed(() => question.value !== undefined && answer.value === undefined)
  const choose = (way: Way | 'own') => void (chosen.value = way)
  return { layers, ways, best, shown, choose, problem, waiting }
}

export type Bubbles = ReturnType<typeof useBubbles>
