<script setup lang="ts">
import { computed } from 'vue'
import { readDocument } from '@mivro/core/base/document'
import { mouldSchema, withKind, mouldKindNames, type Mould } from '@mivro/core/mould'
import { mouldKindWords } from '@mivro/words/mouldKind'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import type { Session } from '../../api/session.ts'
import CountField from '../../ui/CountField.vue'
import SelectField from '../../ui/SelectField.vue'
import QuantityField from '../../ui/QuantityField.vue'
import SegmentField from '../../ui/SegmentField.vue'
import TextField from '../../ui/TextField.vue'

const props = defineProps<{ session: Session<'moulds'> }>()
const mould = computed(() => props.session.document)

function change(values: Partial<Mould>): Problem | undefined {
  try {
    props.session.edit(readDocument(mouldSchema, { ...mould.value, ...values }))
    return undefined
  } catch (error) {
    return problemsOf(error)[0]
  }
}
const liking = (values: Partial<Mould['liking']>) =>
  change({ liking: { ...mould.value.liking, ...values } })
const kinds = mouldKindNames.map((value) => ({ value, label: mouldKindWords[value].label }))
</script>

<template>
  <TextField
    bare
    heading
    label="Name of the mould"
    :value="mould.name"
    :take="(name) => change({ name })"
  />
  <SelectField
    label="Kind"
    :options="kinds"
    :value="mould.kind"
    @choose="change(withKind(mould, $event))"
  />
  <h3>Setup</h3>
  <CountField label="Bands" :value="mould.liking.bands" :take="(bands) => liking({ bands })" />
  <SegmentField
    label="Release"
    :options="{ none: 'none', spray: 'spray', wax: 'wax' }"
    :value="mould.liking.release"
    @choose="liking({ release: $event })"
  />
  <SelectField
    label="Dust"
    :options="['none', 'talc', 'starch', 'metal powder'] as const"
    :value="mould.liking.dust"
    @choose="liking({ dust: $event })"
  />
  <QuantityField
    label="Mould temperature"
    kind="temperature"
    optional
    placeholder="room"
    :value="mould.liking.warmth"
    :take="(warmth) => liking({ warmth })"
  />
  <TextField
    label="Keys and marks"
    :value="mould.liking.keys"
    placeholder="Such as four marbles, arrow on top"
    :take="(keys) => liking({ keys })"
  />
  <TextField
    label="Next time"
    :lines="3"
    :value="mould.nextTime"
    placeholder="What to change on the next pull"
    :take="(nextTime) => change({ nextTime })"
  />
  <TextField
    label="Notes"
    :lines="3"
    :value="mould.note"
    placeholder="Where it lies, who made it"
    :take="(note) => change({ note })"
  />
</template>
