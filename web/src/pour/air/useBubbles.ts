import { computed, ref } from 'vue'
import { bestWay, waysOfPiece, type Way } from '@mivro/core/matter/air'
import { bubbleLayers } from '@mivro/core/work/plan'
import { useLatest } from '../../project/useLatest.ts'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { askBubbles, askBubblesAt } from '../../work/pool.ts'

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
  /** A moment that is looked at, s since mixing; left out: where they end. */
  const moment = ref<number>()
  const momentQuestion = computed(() =>
    question.value && moment.value !== undefined
      ? { ...question.value, way: shown.value, at: moment.value }
      : undefined,
  )
  const then = useLatest(() => momentQuestion.value, askBubblesAt)
  /** The bubbles that are drawn, by their layer. */
  const drawn = computed(() => {
    if (momentQuestion.value) return then.answer.value ?? []
    return layers.value.map(({ id, results }) => ({
      id,
      stay: results.find(({ way }) => way === shown.value)?.likely.stay ?? [],
    }))
  })
  /** The last of them gels, s since mixing. */
  const gel = computed(() => Math.max(0, ...layers.value.map((layer) => layer.gel)))
  /** From the gel on they stay where they are. */
  const lookAt = (seconds: number) =>
    void (moment.value = seconds >= gel.value ? undefined : seconds)
  const waiting = computed(() => question.value !== undefined && answer.value === undefined)
  const choose = (way: Way | 'own') => void (chosen.value = way)
  return { layers, ways, best, shown, choose, moment, lookAt, drawn, gel, problem, waiting }
}

export type Bubbles = ReturnType<typeof useBubbles>
