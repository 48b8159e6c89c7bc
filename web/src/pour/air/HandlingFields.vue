<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElCheckbox, ElCheckboxGroup, ElSlider } from 'element-plus'
import {
  finishes,
  ownWayFor,
  pourings,
  remedies,
  remedyNames,
  stirrings,
  usualAirPot,
  usualHandling,
  type Handling,
  type OwnWay,
  type Pouring,
  type Remedy,
} from '@mivro/core/matter/air'
import { showDuration } from '@mivro/core/base/units'
import { finishWords, pouringWords, remedyWords, stirringWords } from '@mivro/words/air'
import { useProject } from '../../project/projectStore.ts'
import { show } from '@mivro/core/base/units'
import { useStudio } from '../../project/studioStore.ts'
import { fieldsOf } from '../../ui/fields.ts'
import Fold from '../../ui/Fold.vue'
import QuantityField from '../../ui/QuantityField.vue'
import RemoveButton from '../../ui/RemoveButton.vue'
import SegmentField from '../../ui/SegmentField.vue'
import SelectField from '../../ui/SelectField.vue'
import type { Bubbles } from './useBubbles.ts'

/** How hands go about bubbles in this pour, and a way of one's own that is tried beside the others. */
const props = defineProps<{ bubbles: Bubbles }>()
const project = useProject()
const studio = useStudio()
const handling = computed<Handling>(() => project.plan!.handling ?? usualHandling)
const change = (values: Partial<Handling>) =>
  project.changePlan({ ...project.plan!, handling: { ...handling.value, ...values } })

const done = computed(() => handling.value.remedies.map(({ what }) => what))
const choose = (names: Remedy[]) =>
  change({
    remedies: names.map(
      (what) => handling.value.remedies.find((one) => one.what === what) ?? { what },
    ),
  })
/** A guess until one's own casts say better: what it leaves of pits, or of what is inside. */
const leaves = (what: Remedy) => Math.min(remedies[what].pits, remedies[what].inside)
const leave = (what: Remedy, left: number | undefined) =>
  change({
    remedies: handling.value.remedies.map((one) => (one.what === what ? { ...one, left } : one)),
  })

/** The first layer's clock is the one that one's own way is drawn on. */
const marks = computed(() => props.bubbles.layers.value[0])
const end = computed(() => Math.ceil(1.25 * (marks.value?.hardAt ?? 3600)))
const own = computed(() => handling.value.own)
const begin = () => {
  if (!marks.value) return
  change({ own: ownWayFor(marks.value, studio.studio.pot?.gauge ?? usualAirPot.gauge) })
  props.bubbles.choose('own')
}
const set = (values: Partial<OwnWay>) => change({ own: { ...own.value, ...values } })
const press = (values: Partial<NonNullable<OwnWay['pressure']>>) =>
  set({ pressure: { ...own.value!.pressure!, ...values } })
const ticks = computed(() => {
  if (!marks.value) return {}
  return {
    [Math.round(marks.value.gel)]: 'gel',
    [Math.round(marks.value.hardAt)]: 'hard',
  }
})
const { choice } = fieldsOf(() => handling.value, change)
const { field: ownField } = fieldsOf(() => own.value!, set)
const { field: pressureField } = fieldsOf(() => own.value!.pressure!, press)
</script>

<template>
  <Fold title="How it is stirred and poured">
    <SegmentField
      label="Seen"
      above
      :options="finishes.map((value) => ({ value, label: finishWords[value] }))"
      :value="handling.finish ?? 'as cast'"
      @choose="change({ finish: $event })"
    />
    <SegmentField
      label="Stirred"
      above
      :options="stirrings.map((value) => ({ value, label: stirringWords[value] }))"
      v-bind="choice('stirring')"
    />
    <SelectField
      label="Poured"
      :options="
        (Object.keys(pourings) as Pouring[]).map((value) => ({ value, label: pouringWords[value] }))
      "
      v-bind="choice('pouring')"
    />
    <ElCheckboxGroup
      class="remedies"
      aria-label="What hands do against bubbles"
      :model-value="done"
      @update:model-value="choose($event as Remedy[])"
    >
      <ElCheckbox
        v-for="what in remedyNames"
        :key="what"
        :value="what"
        :label="remedyWords[what]"
      />
    </ElCheckboxGroup>
    <QuantityField
      v-for="{ what, left } in handling.remedies"
      :key="what"
      :label="`${remedyWords[what]} leaves of them`"
      kind="fraction"
      optional
      :placeholder="`${show(leaves(what), 'fraction', studio.units)}, usual`"
      :value="left"
      :take="(value) => leave(what, value)"
    />
  </Fold>
  <ElButton v-if="!own" class="start" @click="begin">Try a way of your own</ElButton>
  <section v-else class="stack-10" aria-label="Your own way">
    <div class="row head">
      <h3>Your own way</h3>
      <RemoveButton label="Delete your own way" @click="change({ own: undefined })" />
    </div>
    <QuantityField
      label="Mix under vacuum for"
      kind="duration"
      optional
      placeholder="not at all"
      v-bind="ownField('vacuum')"
    />
    <template v-if="own.pressure">
      <p class="row head small">
        <span>Under pressure after mixing</span>
        <b>{{ showDuration(own.pressure.from) }} to {{ showDuration(own.pressure.until) }}</b>
      </p>
      <ElSlider
        class="lane"
        range
        :min="0"
        :max="end"
        :marks="ticks"
        :show-tooltip="false"
        :model-value="[own.pressure.from, own.pressure.until]"
        range-start-label="Pressure begins"
        range-end-label="Pressure ends"
        @change="(value) => press({ from: (value as number[])[0], until: (value as number[])[1] })"
      />
      <QuantityField label="Pressure from" kind="duration" v-bind="pressureField('from')" />
      <QuantityField label="Pressure let go at" kind="duration" v-bind="pressureField('until')" />
      <QuantityField label="Gauge" kind="pressure" v-bind="pressureField('gauge')" />
    </template>
  </section>
</template>

<style scoped>
.remedies {
  display: flex;
  flex-direction: column;
}

.head {
  justify-content: space-between;
}

.lane {
  margin: 0 10px 16px;
  width: auto;
}
</style>
