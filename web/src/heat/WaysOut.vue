<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { ElButton } from 'element-plus'
import { cupsFor, withLayer, type CheckedWay, type CompiledLayer } from '@mivro/core/work/plan'
import { show, showDuration } from '@mivro/core/base/units'
import { useProject } from '../project/projectStore.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { askWays } from '../work/pool.ts'
import { useJob } from '../work/useJob.ts'

const props = defineProps<{
  layer: CompiledLayer
  /** The layer itself runs hot, not only what is left in its cup. */
  hot: boolean
}>()
const project = useProject()
const shelf = useShelf()
const studio = useStudio()

const found = shallowRef<CheckedWay[]>()
const { progress, problems, run, stop } = useJob(0)
const question = computed(() => ({
  form: project.piece!.document.form,
  plan: project.pour!.document,
  shelf: [...shelf.materials],
  into: project.compiled!.into,
  layer: props.layer.id,
}))
watch(
  () => JSON.stringify(question.value),
  () => {
    stop()
    found.value = undefined
  },
)

async function look(): Promise<void> {
  found.value = await run((heard) => askWays(question.value, heard))
}

function say({ way }: CheckedWay): string {
  const depth = (m: number) => show(m, 'length', studio.units)
  if (way.way === 'resin') return `Pour it of ${way.name}`
  if (way.way === 'cool') return `Cool the room to ${show(way.room, 'temperature', studio.units)}`
  return way.scuff
    ? `${way.pours} pours of ${depth(way.depth)}, each on one that is hard: scuff and wipe between`
    : `${way.pours} pours of ${depth(way.depth)}, each in the join window of the one below`
}
const then = ({ peak, demouldAt }: CheckedWay) =>
  `reaches ${show(peak, 'temperature', studio.units)}, out after ${showDuration(demouldAt)}`

/** A batch that is dangerous in one cup is not in several. */
const cups = computed(() => {
  const hot = project.compiled!.cautions.some(
    ({ code, place }) => code === 'cup-runs-hot' && place.layer === props.layer.id,
  )
  const now = project.plan!.layers[props.layer.index].cups ?? 1
  const wanted = hot && props.layer.batch ? cupsFor(props.layer.batch, now) : 0
  return wanted > now ? wanted : undefined
})
</script>

<template>
  <div class="ways stack-8">
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <ElButton
      v-if="cups"
      class="choice"
      @click="project.changePlan(withLayer(project.plan!, layer.index, { cups }))"
    >
      <b>Mix it in {{ cups }} cups, one after the other</b>
      <small class="quiet">none heavier than the pot of its sheet</small>
    </ElButton>
    <ElButton v-if="hot && !found && progress === undefined" type="primary" @click="look">
      Suggest fixes
    </ElButton>
    <p v-if="progress !== undefined" class="row" role="status">
      <span>Trying ways in the field, {{ Math.round(progress * 100) }} %</span>
      <ElButton link type="primary" @click="stop">Cancel</ElButton>
    </p>
    <template v-if="found">
      <p v-if="found.length === 0" class="quiet">
        None of your resins, splits or a cooler room stays under the limit. A smaller piece, a
        thinner mould in moving air, or a resin made for depth would.
      </p>
      <ElButton
        v-for="(way, i) in found"
        :key="i"
        class="choice"
        @click="project.changePlan(way.way.plan)"
      >
        <b>{{ say(way) }}</b>
        <small class="quiet">{{ then(way) }}</small>
      </ElButton>
    </template>
  </div>
</template>
