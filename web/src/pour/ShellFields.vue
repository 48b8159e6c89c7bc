<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { show, showDuration, type Fineness } from '@mivro/core/base/units'
import { wallFor, wallForMass, type CompiledLayer, type PlacedShell } from '@mivro/core/work/plan'
import type { Layer } from '@mivro/core/work/plan'
import type { narrowPlaces, NarrowPlace } from '@mivro/core/form/wall'
import type { Problem } from '@mivro/core/base/problem'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import { castWall } from '@mivro/core/work/pull'
import { explainTurning, sayCastWall, sayNarrow } from '@mivro/words/turning'
import CountField from '../ui/CountField.vue'
import { fieldsOf } from '../ui/fields.ts'
import Origin from '../ui/Origin.vue'
import QuantityField from '../ui/QuantityField.vue'
import SkinFields from './SkinFields.vue'
import SegmentField from '../ui/SegmentField.vue'

/** The wall of a hollow cast: how thick, in how many shots, and how it is turned. */
const props = defineProps<{
  layer: CompiledLayer
  fill: PlacedShell['fill']
  fine: Fineness
  narrow?: ReturnType<typeof narrowPlaces>
  change: (values: Partial<Layer>) => Problem | undefined
}>()

const project = useProject()
const studio = useStudio()
const shell = computed(() => props.layer.shell)
const turning = computed(() => props.layer.turning)
const { field } = fieldsOf(
  () => props.fill,
  (values) => props.change({ fill: { ...props.fill, ...values } }),
)
const ways = [
  { value: 'hands', label: 'By hand' },
  { value: 'machine', label: 'By machine' },
] as const
const length = (metres: number) => show(metres, 'length', studio.units)
const time = (seconds: number) => showDuration(seconds, props.fine)

/** What the newest cast that was weighed says of its wall. */
const cast = computed(() => {
  const { pour, plan, compiled, depths, pulls } = project
  if (!pour || !plan || !compiled || !depths) return undefined
  const documents = pulls.map(({ document }) => document)
  return castWall({ id: pour.id, plan }, compiled, depths, documents)
})
/** How many, and what they hold together. */
const said = (places: readonly NarrowPlace[]) => sayNarrow(places, studio.units)

/** Backwards: the wall that a volume makes, and the weight of a cast that was weighed. */
const takeVolume = (volume: number) =>
  project.depths && shell.value
    ? takeWall(wallFor(shell.value, project.depths, volume, props.layer.bottom))
    : undefined
const takeMass = (mass: number) =>
  project.depths && takeWall(wallForMass(props.layer, project.depths, mass))
const takeWall = (wall: number | undefined): Problem | undefined =>
  wall === undefined ? undefined : props.change({ fill: { ...props.fill, wall } })
</script>

<template>
  <QuantityField :key="`${layer.id}-wall`" label="Wall" kind="length" v-bind="field('wall')" />
  <QuantityField
    v-if="shell"
    :key="`${layer.id}-shell`"
    label="Resin per copy"
    kind="volume"
    :value="layer.resin"
    :take="takeVolume"
  />
  <QuantityField
    v-if="shell && layer.each"
    :key="`${layer.id}-weight`"
    label="Weight of a cast"
    kind="mass"
    :value="layer.each.mass"
    :take="takeMass"
  />
  <CountField :key="`${layer.id}-shots`" label="Shots" v-bind="field('shots')" />
  <SegmentField
    label="Turned"
    :options="ways"
    :value="fill.turned"
    @choose="change({ fill: { ...fill, turned: $event } })"
  />
  <CountField :key="`${layer.id}-turns`" label="Turns a minute" v-bind="field('turns')" />
  <SkinFields :layer="layer" :fill="fill" :change="change" />
  <dl v-if="shell" class="times stack-4">
    <div class="row">
      <dt>Of a solid cast</dt>
      <dd>
        <b class="num">{{ show(shell.share, 'fraction', studio.units) }}</b>
      </dd>
    </div>
    <div class="row">
      <dt>A third of solid would make</dt>
      <dd>
        <b class="num">{{ length(shell.third) }}</b> of wall
      </dd>
    </div>
    <template v-if="narrow">
      <div class="row" data-narrow="solid">
        <dt>Fills solid</dt>
        <dd>{{ said(narrow.solid) }}</dd>
      </div>
      <div class="row" data-narrow="brush">
        <dt>Brush first</dt>
        <dd>{{ said(narrow.brush) }}</dd>
      </div>
    </template>
    <template v-if="turning">
      <div class="row" data-turning>
        <dt>
          Turning counts<Origin of="these times" :lines="explainTurning(layer, studio.units)" />
        </dt>
        <dd>
          from <b class="num">{{ time(turning.countsFrom) }}</b> until
          <b class="num">{{ time(turning.stopsAt) }}</b>
        </dd>
      </div>
      <div class="row">
        <dt>Turns while it sets</dt>
        <dd>
          <b class="num">{{ Math.floor(turning.turns) }}</b>
        </dd>
      </div>
    </template>
  </dl>
  <p v-if="cast" class="quiet small" data-cast>
    {{ sayCastWall(cast, studio.units) }}
    <ElButton
      v-if="cast.reserve !== undefined"
      link
      type="primary"
      @click="project.changePlan({ ...project.plan!, reserve: cast.reserve })"
    >
      Mix {{ show(cast.reserve, 'fraction', studio.units) }} on top
    </ElButton>
  </p>
  <p v-if="!shell" class="quiet small">Measuring how deep the piece lies under its surface …</p>
</template>
