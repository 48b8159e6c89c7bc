<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { cautionsAt } from '@mivro/core/base/caution'
import { show } from '@mivro/core/base/units'
import type { Problem } from '@mivro/core/base/problem'
import {
  clingFor,
  type CompiledLayer,
  type Layer,
  type MetalSkin,
  type PlacedShell,
} from '@mivro/core/work/plan'
import { explainSkin, saySinks, skinWords } from '@mivro/words/skin'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import type { Choice } from '../ui/choices.ts'
import Origin from '../ui/Origin.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import ShelfSelect from '../ui/ShelfSelect.vue'
import { useFixes } from './useFixes.ts'

/** A skin of metal powder on the walls: which powder, and how much of it. */
const props = defineProps<{
  layer: CompiledLayer
  fill: PlacedShell['fill']
  change: (values: Partial<Layer>) => Problem | undefined
}>()
const project = useProject()
const studio = useStudio()
const fixes = useFixes()
const skin = computed(() => props.fill.skin)
const made = computed(() => props.layer.skin)
const face = computed(() => made.value?.face)
const schools = (['none', 'dusted', 'filled'] as const).map((value): Choice<typeof value> => ({
  value,
  ...skinWords[value],
}))
const usual: MetalSkin = { school: 'dusted', share: 1 }
const put = (values: MetalSkin | undefined) =>
  props.change({ fill: { ...props.fill, skin: values } })
const edit = (values: Partial<MetalSkin>) => put({ ...usual, ...skin.value, ...values })
/** Weighed before and after: so much clings the next time too. */
const takeDust = (mass: number) =>
  edit({ cling: clingFor(props.layer.shell!, project.plan!.copies, mass) })
const cautions = computed(() =>
  cautionsAt(project.compiled!.cautions, { layer: props.layer.id, field: 'skin' }),
)
const mass = (kilograms: number) => show(kilograms, 'mass', studio.units, { step: 1e-4 })
</script>

<template>
  <SegmentField
    label="Metal skin"
    above
    :options="schools"
    :value="skin?.school ?? 'none'"
    @choose="$event === 'none' ? put(undefined) : edit({ school: $event })"
  />
  <template v-if="skin">
    <ShelfSelect
      label="Its powder"
      kind="tint"
      :value="skin.powder"
      @choose="edit({ powder: $event })"
    />
    <QuantityField
      v-if="skin.school === 'filled'"
      :key="`${layer.id}-powder`"
      label="Powder for its resin"
      kind="fraction"
      :value="skin.share"
      :take="(share) => edit({ share })"
    />
    <CautionNotes :of="cautions" :fixes="fixes" />
    <QuantityField
      v-if="made"
      :key="`${layer.id}-dust`"
      label="Powder that clings to the walls"
      kind="mass"
      :value="made.dust"
      :take="takeDust"
    />
    <dl v-if="made" class="times stack-4" data-skin>
      <div class="row">
        <dt>
          {{
            skin.cling === undefined
              ? 'Weigh the powder before and after, and type what stayed'
              : 'As it was weighed'
          }}<Origin of="these figures" :lines="explainSkin()" />
        </dt>
        <dd v-if="skin.cling !== undefined">
          <ElButton link type="primary" @click="edit({ cling: undefined })">As is usual</ElButton>
        </dd>
      </div>
      <template v-if="face">
        <div class="row">
          <dt>Into half of the first shot</dt>
          <dd>
            <b class="num">{{ mass(face.powder) }}</b>,
            {{ show(face.share, 'fraction', studio.units, { step: 0.01 }) }} of its volume
          </dd>
        </div>
        <div v-if="face.viscosity !== undefined" class="row">
          <dt>Then as thick as</dt>
          <dd>
            <b class="num">{{ show(face.viscosity, 'viscosity', studio.units) }}</b>
          </dd>
        </div>
        <div v-if="face.most" class="row">
          <dt>Still pours up to</dt>
          <dd class="num">{{ show(face.most, 'fraction', studio.units, { step: 0.1 }) }}</dd>
        </div>
        <div class="row">
          <dt>It warms itself</dt>
          <dd>
            <b class="num">{{ show(face.warms, 'fraction', studio.units, { step: 0.01 }) }}</b> of
            what the resin alone does
          </dd>
        </div>
        <div v-if="face.sinks" class="row">
          <dt>While it is still, grains sink</dt>
          <dd class="num">{{ saySinks(face.sinks, studio.units) }}</dd>
        </div>
      </template>
    </dl>
  </template>
</template>
