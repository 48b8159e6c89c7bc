<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { useIntersectionObserver, watchDebounced } from '@vueuse/core'
import type { Piece } from '@mivro/core/form/piece'
import type { Mould } from '@mivro/core/mould'
import { lookOfPour, standsAs, thingsToSee, usualLift, type Plan } from '@mivro/core/work/plan'
import type { Pull } from '@mivro/core/work/pull'
import { show } from '@mivro/core/base/units'
import { sayProblem } from '@mivro/words/problem'
import type { Stored } from '../api/client.ts'
import { useArrangement } from '../project/useArrangement.ts'
import { useJob } from '../work/useJob.ts'
import { useDerived } from '../project/useDerived.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import { showDay } from '../ui/dates.ts'
import RemoveButton from '../ui/RemoveButton.vue'
import MiniCut from '../cutaway/MiniCut.vue'
import { cardLook } from '../light/cardLook.ts'

const props = defineProps<{
  piece: Stored<Piece>
  plan?: Stored<Plan>
  mould?: Mould
  /** How many pulls it has, and the last of them. */
  pulls: number
  last?: Pick<Pull, 'outcome' | 'pouredAt'>
}>()
const emit = defineEmits<{ remove: [] }>()

const shelf = useShelf()
const studio = useStudio()
const id = useId()
const card = ref<HTMLElement>()

/** The shape is read when the card comes into sight. */
const seen = ref(false)
const { stop } = useIntersectionObserver(card, ([entry]) => {
  if (!entry?.isIntersecting || !props.plan) return
  stop()
  seen.value = true
})
const { shown, shape } = useDerived(
  () =>
    seen.value && props.plan
      ? {
          form: props.piece.document.form,
          plan: props.plan.document,
          mould: props.mould,
          shelf: shelf.materials,
          units: studio.units,
        }
      : undefined,
  { on: 'back' },
)
const survey = computed(() => shape.survey.value)
const problem = computed(() => shape.problems.value[0])
const compiled = computed(() => shown.value?.pour?.compiled)
const outcomeWords = { good: 'came out good', fixable: 'fixable', lost: 'was lost' }
/** What the finished piece looks like; its section stands there until that is drawn. */
const look = ref<string>()
/** Left, the cards are drawn no further: the screen that is open has the workers. */
const picture = useJob()
const { arrangement } = useArrangement(
  () =>
    compiled.value && props.plan
      ? {
          form: props.piece.document.form,
          plan: props.plan.document,
          compiled: compiled.value,
        }
      : undefined,
  { on: 'back' },
)
watchDebounced(
  [compiled, arrangement],
  async ([found, laid]) => {
    if (!found || !laid || !props.plan || found.layers.length === 0) return
    const { form } = props.piece.document
    const { document } = props.plan
    const poured = lookOfPour(
      document,
      found,
      standsAs(form, document, found.into.mould),
      thingsToSee(document, laid),
    )
    const view = { turn: 0.4, lift: usualLift(found) }
    await picture.run(async ({ signal }) => {
      const drawn = await cardLook({ form, poured, view }, signal)
      if (!signal.aborted) look.value = drawn
    })
  },
  { debounce: 300, immediate: true },
)
const state = computed(() => {
  if (compiled.value?.cautions.some((c) => c.severity === 'stop'))
    return { word: 'Needs a look', tone: 'stop' }
  if (!compiled.value || compiled.value.layers.length === 0)
    return { word: 'No layers yet', tone: '' }
  if (compiled.value.cautions.some((c) => c.severity === 'todo'))
    return { word: 'Being planned, no resin yet', tone: '' }
  if (compiled.value.cautions.some((c) => c.code === 'top-left-empty'))
    return { word: 'Being planned, not full yet', tone: '' }
  if (!props.last) return { word: 'Planned, not poured yet', tone: 'plan' }
  return {
    word: `Pull ${props.pulls} ${outcomeWords[props.last.outcome]}, ${showDay(props.last.pouredAt)}`,
    tone: props.last.outcome,
  }
})
const facts = computed(() => {
  const found = survey.value
  if (!found || !props.plan) return ''
  const { copies, layers } = props.plan.document
  return `${show(found.measures.volume, 'volume', studio.units)} · ${layers.length} ${layers.length === 1 ? 'layer' : 'layers'} · ${copies} ${copies === 1 ? 'copy' : 'copies'}`
})
</script>

<template>
  <li ref="card" class="card panel">
    <RouterLink :to="`/pieces/${piece.id}/pour`" class="open" :aria-labelledby="id">
      <div class="picture">
        <img v-if="look" :src="look" alt="" />
        <MiniCut
          v-else-if="survey && compiled"
          :section="survey.section"
          :compiled="compiled"
          :width="292"
          :height="190"
        />
        <p v-else-if="problem" class="small">{{ sayProblem(problem) }}</p>
      </div>
      <h2 :id="id">{{ piece.document.name }}</h2>
      <p class="quiet facts">{{ facts || ' ' }}</p>
      <p class="state" :class="state.tone"><i />{{ state.word }}</p>
    </RouterLink>
    <RemoveButton class="remove" :label="`Delete ${piece.document.name}`" @click="emit('remove')" />
  </li>
</template>

<style scoped>
.card {
  position: relative;
  overflow: hidden;
}

.card:hover {
  border-color: var(--teal);
}

.open {
  display: block;
  padding-bottom: 14px;
  color: inherit;
  text-decoration: none;
}

.open:focus-visible {
  outline-offset: -3px;
  border-radius: var(--r-large);
}

.picture {
  height: 200px;
  display: flex;
  align-items: center;
  justify-content: center;
  overflow: hidden;
  border-bottom: 1px solid var(--line-2);
  background: var(--backlit);
}

.picture img {
  width: 100%;
  height: 100%;
  object-fit: cover;
}

.picture svg {
  max-width: 100%;
}

h2 {
  margin: 12px 16px 2px;
  font-size: var(--size-lead);
}

.facts,
.state {
  margin: 0 16px;
}

.state {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-top: 8px;
  font-size: var(--size-small);
}

.state i {
  width: 9px;
  height: 9px;
  border-radius: var(--r);
  border: 2px solid var(--edge);
}

.state.plan i {
  border-color: var(--honey);
}

.state.good i {
  border-color: var(--ok);
  background: var(--ok);
}

.state.fixable i {
  border-color: var(--warn);
}

.state.lost i,
.state.stop i {
  border-color: var(--stop);
  border-radius: var(--r-tiny);
}

.card :deep(.remove) {
  position: absolute;
  right: 10px;
  top: 10px;
  opacity: 0;
}

.card:hover :deep(.remove),
.card :deep(.remove:focus-visible) {
  opacity: 1;
}
</style>
