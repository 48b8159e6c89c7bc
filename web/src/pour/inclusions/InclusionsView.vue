<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton } from 'element-plus'
import { colourOf, restingPath } from '@mivro/core/matter/inclusion'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { useProject } from '../../project/projectStore.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import SegmentField from '../../ui/SegmentField.vue'
import DriftPaths from './DriftPaths.vue'
import RoundView from './RoundView.vue'
import SideView from './SideView.vue'
import ThingTray from './ThingTray.vue'
import TopView from './TopView.vue'
import { useSetThings } from './useSetThings.ts'

/** What is set in, from above or in 3D, from the side, and how it moves until the gel. */
const props = defineProps<{ layer?: CompiledLayer }>()
const emit = defineEmits<{ select: [id: string] }>()
const project = useProject()
const { problem, things, own, outline, chosen, drag, drop, change, remove, add } = useSetThings(
  () => props.layer,
)
const seen = ref('above')
const ways = [
  { value: 'above', label: 'From above', hint: 'As you look into the mould' },
  { value: 'face', label: 'As the face shows it', hint: 'Mirrored: left and right exchanged' },
  { value: 'round', label: '3D', hint: 'All layers, to be turned' },
]
const top = ref<InstanceType<typeof TopView>>()

/** The line that a layout follows is drawn on the view from above: the chosen one's, else the first. */
const lined = computed(() => {
  const inclusions = project.plan!.layers[props.layer?.index ?? 0]?.inclusions ?? []
  const along = inclusions.filter(({ pattern }) => pattern === 'line')
  return along.find(({ id }) => id === chosen.value?.id) ?? along[0]
})
const pending = ref<[number, number][]>([])
const line = computed(() => {
  if (!lined.value || seen.value === 'round') return undefined
  return pending.value.length > 0 ? pending.value : (lined.value.line ?? [])
})
/** More points are put down by clicks; without a line there is nothing else to do. */
const wanted = ref(false)
const drawing = computed(
  () => line.value !== undefined && (wanted.value || line.value.length < 2 || !lined.value?.line),
)
function drawLine(points: [number, number][]): void {
  wanted.value = true
  // A line needs two points: the first waits for the second.
  if (points.length < 2) return void (pending.value = points)
  pending.value = []
  change(lined.value!.id, { line: points, places: undefined })
}
function clearLine(): void {
  pending.value = []
  change(lined.value!.id, { line: undefined, places: undefined })
}

const drifts = computed(() => {
  const inclusions = project.plan!.layers[props.layer?.index ?? 0]?.inclusions ?? []
  return inclusions.flatMap((one, i) => {
    const settling = props.layer?.setIn[i]?.settling
    const found = own.value.find(({ id }) => id === one.id)
    if (!settling || !found || !props.layer || settling.drift === 0) return []
    const path = restingPath(settling, {
      depth: props.layer.depth,
      thickness: found.size.thickness,
      lift: one.lift,
    })
    const late = props.layer.setIn[i].when?.how === 'once it holds'
    return [{ name: one.name, colour: colourOf(one), path, settling, late }]
  })
})
</script>

<template>
  <div class="views">
    <figure>
      <figcaption>
        <b>{{ layer?.name }}</b>
        <SegmentField label="Seen" :options="ways" :value="seen" @choose="seen = $event" />
      </figcaption>
      <RoundView
        v-if="seen === 'round'"
        :form="project.piece!.document.form"
        :up="project.plan!.up"
        :things="things"
        :chosen="chosen"
        @choose="
          (thing, of) => {
            emit('select', of)
            chosen = thing
          }
        "
        @move="(of, id, places) => drag(id, { places }, of)"
        @moved="drop"
      />
      <TopView
        v-else-if="outline && outline.loops.length > 0"
        ref="top"
        :loops="outline.loops"
        :levels="outline.levels"
        :things="own"
        :mirrored="seen === 'face'"
        :chosen="chosen"
        :line="line"
        :drawing="drawing"
        @choose="chosen = $event"
        @move="(id, places) => drag(id, { places })"
        @moved="drop"
        @remove="remove"
        @line="drawLine"
      />
      <ProblemNote v-else-if="problem" :problem="problem" />
      <p v-else class="quiet small">Laying them out …</p>
      <p v-if="line" class="small quiet drawn">
        <span v-if="drawing">Click points on the layer: {{ lined!.name }} follow that line.</span>
        <ElButton v-if="drawing && line.length > 1" size="small" @click="wanted = false">
          Done
        </ElButton>
        <ElButton v-if="!drawing" size="small" @click="wanted = true">Draw on</ElButton>
        <ElButton v-if="line.length > 0" size="small" @click="clearLine">Clear line</ElButton>
      </p>
      <ThingTray
        @drop="
          (thing, at) =>
            seen === 'round' ? add(thing, { x: 0, y: 0 }) : top && add(thing, top.placeAt(at))
        "
        @put="(thing) => add(thing, { x: 0, y: 0 })"
      />
    </figure>
    <figure :class="{ drifting: drifts.length > 0 }">
      <figcaption><b>Section</b></figcaption>
      <SideView
        :section="project.survey!.section"
        :compiled="project.compiled!"
        :turn="project.turn"
        :things="things"
        :selected="layer?.id"
        :chosen="chosen"
        @select="emit('select', $event)"
        @choose="chosen = $event"
        @move="(of, id, values) => drag(id, values, of)"
        @moved="drop"
      />
      <div v-if="drifts.length > 0 && layer">
        <p class="small quiet">Above the layer's floor, were they set in with the pour</p>
        <DriftPaths :things="drifts" :depth="layer.depth" />
      </div>
    </figure>
  </div>
</template>

<style scoped>
.views {
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  padding: 10px 14px 8px;
}

figure {
  min-height: 0;
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 4px;
  margin: 0;
}

figure > :nth-child(2) {
  flex: 1;
}

figcaption {
  min-height: 34px;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 4px 12px;
}

.drawn {
  display: flex;
  align-items: center;
  gap: 8px;
}

@media (max-width: 640px) {
  .views {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 340px 300px;
  }
}
</style>
