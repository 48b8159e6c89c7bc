<script setup lang="ts">
import { computed } from 'vue'
import { blockedAt, mayClimb } from '@mivro/core/mould'
import { show } from '@mivro/core/base/units'
import { partingForms, sayBetween, sayKeys, sayClimb, sayParting } from '@mivro/words/parting'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { fieldsOf } from '../../ui/fields.ts'
import Origin from '../../ui/Origin.vue'
import QuantityField from '../../ui/QuantityField.vue'
import SegmentField from '../../ui/SegmentField.vue'
import BedExport from './BedExport.vue'

/** Where two halves part: level or climbing, and what of the silicone each of them locks. */
const project = useProject()
const studio = useStudio()

const mould = computed(() => project.mould!)
const geometry = computed(() => project.geometry!)
const climbing = computed(() => geometry.value.climbing)
const climbs = computed(() => mould.value.climbs === true && mayClimb(mould.value.kind))
const form = computed(() => (climbs.value ? 'climbing' : 'level'))
const choose = (form: keyof typeof partingForms) =>
  project.changeMould({ climbs: form === 'climbing' ? true : undefined })
const facts = computed(() => {
  const { inner: between } = geometry.value
  const level = blockedAt(mould.value, geometry.value)
  return (
    climbing.value && { level, climbing: climbing.value.blocked, between, climbs: climbs.value }
  )
})
/** Of halves in a box; a printed shell has its own. */
const keys = computed(() => (mayClimb(mould.value.kind) ? project.compiledMould?.keys : undefined))
const volume = (x: number) => show(x, 'volume', studio.units, { step: 1e-7 })
const locked = computed(() =>
  facts.value
    ? ([
        ['Locked, parted level', facts.value.level, form.value === 'level'],
        ['Locked, climbing', facts.value.climbing, form.value === 'climbing'],
        ['Of it between parts of the piece', facts.value.between, false],
      ] as const)
    : [],
)
const { field } = fieldsOf(() => project.mould!, project.changeMould)
const origin = [
  'Locked is silicone with piece between itself and its own half’s way out, in cells of 1/96 of the longest side.',
  'A climbing parting meets the piece where its side stands upright or turns from looking up to looking down, and is led to the walls as level as that allows, beside the piece no steeper than 45°.',
]
</script>

<template>
  <h3 class="row">Two halves <Origin of="the parting" :lines="origin" /></h3>
  <SegmentField
    v-if="mayClimb(mould.kind)"
    label="The parting lies"
    :options="partingForms"
    :value="form"
    @choose="choose"
  />
  <QuantityField
    v-if="!climbs"
    label="Parting above the lowest point of the master"
    kind="length"
    optional
    placeholder="best"
    v-bind="field('parting')"
  />
  <template v-if="facts && climbing">
    <dl>
      <div v-for="[label, amount, chosen] in locked" :key="label" :class="{ chosen }">
        <dt>{{ label }}</dt>
        <dd class="num">{{ volume(amount) }}</dd>
      </div>
    </dl>
    <p data-parting>{{ sayParting(facts, studio.units) }}</p>
    <p v-if="climbs" class="quiet small">{{ sayClimb(climbing, studio.units) }}</p>
    <p v-if="sayBetween(facts.between, studio.units)" class="quiet small">
      {{ sayBetween(facts.between, studio.units) }}
    </p>
    <p v-if="keys" class="quiet small" data-keys>{{ sayKeys(keys, studio.units) }}</p>
    <BedExport />
  </template>
</template>

<style scoped>
h3 {
  gap: 6px;
  justify-content: flex-start;
}

dl div {
  display: flex;
  justify-content: space-between;
  padding: 2px 0;
}

dt {
  color: var(--ink-2);
}

.chosen dt,
.chosen dd {
  color: var(--ink);
  font-weight: 650;
}
</style>
