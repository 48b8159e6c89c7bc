<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { bandsFor, blockOf, mouldKindNames, withKind, type Mould } from '@mivro/core/mould'
import { show } from '@mivro/core/base/units'
import { sizeAs } from '@mivro/core/work/run'
import { mouldKindWords } from '@mivro/words/mouldKind'
import type { Session } from '../../api/session.ts'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import CountField from '../../ui/CountField.vue'
import { fieldsOf } from '../../ui/fields.ts'
import SelectField from '../../ui/SelectField.vue'
import QuantityField from '../../ui/QuantityField.vue'
import SegmentField from '../../ui/SegmentField.vue'
import TextField from '../../ui/TextField.vue'
import { mouldChange } from './mouldChange.ts'

const props = defineProps<{ session: Session<'moulds'> }>()
const project = useProject()
const studio = useStudio()
const mould = computed(() => props.session.document)
/** Seam of the closed mould, and the bands that hold it: known where its piece is open. */
const held = computed(() => {
  const ours = project.mouldSession?.id === props.session.id
  const measures = ours ? project.survey?.measures : undefined
  return (
    measures &&
    bandsFor(mould.value.kind, blockOf(mould.value, sizeAs(measures, mould.value.masterUp)))
  )
})

const change = mouldChange(() => props.session)
const liking = (values: Partial<Mould['liking']>) =>
  change({ liking: { ...mould.value.liking, ...values } })
const kinds = mouldKindNames.map((value) => ({ value, label: mouldKindWords[value].label }))
const { field } = fieldsOf(() => mould.value, change)
const { field: likingField, choice: likingChoice } = fieldsOf(() => mould.value.liking, liking)
</script>

<template>
  <TextField bare heading label="Name of the mould" v-bind="field('name')" />
  <SelectField
    label="Kind"
    :options="kinds"
    :value="mould.kind"
    @choose="change(withKind(mould, $event))"
  />
  <CountField label="Cavities of a mould" v-bind="field('cavities')" />
  <CountField label="Moulds on hand" v-bind="field('count')" />
  <h3>Setup</h3>
  <CountField label="Bands" v-bind="likingField('bands')" />
  <p v-if="held" class="quiet small row">
    Its seam is {{ show(held.seam, 'length', studio.units) }} long: about {{ held.bands }} light
    ones hold it.
    <ElButton
      v-if="held.bands !== mould.liking.bands"
      size="small"
      text
      @click="liking({ bands: held.bands })"
    >
      Take {{ held.bands }}
    </ElButton>
  </p>
  <SegmentField
    label="Release"
    :options="{ none: 'none', spray: 'spray', wax: 'wax' }"
    v-bind="likingChoice('release')"
  />
  <SelectField
    label="Dust"
    :options="['none', 'talc', 'starch', 'metal powder'] as const"
    v-bind="likingChoice('dust')"
  />
  <QuantityField
    label="Mould temperature"
    kind="temperature"
    optional
    placeholder="room"
    v-bind="likingField('warmth')"
  />
  <TextField
    label="Keys and marks"
    v-bind="likingField('keys')"
    placeholder="Such as four marbles, arrow on top"
  />
  <TextField
    label="Next time"
    :lines="3"
    v-bind="field('nextTime')"
    placeholder="What to change on the next pull"
  />
  <TextField
    label="Notes"
    :lines="3"
    v-bind="field('note')"
    placeholder="Where it lies, who made it"
  />
</template>
