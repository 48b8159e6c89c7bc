<script setup lang="ts">
import type { Form, Measured } from '@mivro/core/form/piece'
import type { Problem } from '@mivro/core/base/problem'
import { fieldsOf } from '../ui/fields.ts'
import SelectField from '../ui/SelectField.vue'
import QuantityField from '../ui/QuantityField.vue'
import { startingMeasure } from './startingMeasures.ts'

type MeasuredForm = Extract<Form, { from: 'measured' }>
const props = defineProps<{
  form: MeasuredForm
  take: (form: MeasuredForm) => Problem | undefined
}>()

const ways = {
  weight: 'its weight and density',
  displaced: 'the water it pushes aside',
  filled: 'the water a bought mould holds',
}
const change = (values: object) =>
  props.take({ ...props.form, measured: { ...props.form.measured, ...values } as Measured })
const { field } = fieldsOf(() => props.form.measured, change)
</script>

<template>
  <SelectField
    label="Known by"
    :options="ways"
    :value="form.measured.how"
    @choose="take({ ...form, measured: startingMeasure($event) })"
  />
  <template v-if="form.measured.how === 'weight'">
    <QuantityField label="Weight" kind="mass" v-bind="field('mass')" />
    <QuantityField label="Density" kind="density" v-bind="field('density')" />
  </template>
  <QuantityField
    v-else-if="form.measured.how === 'displaced'"
    label="Water pushed aside"
    kind="volume"
    v-bind="field('volume')"
  />
  <QuantityField v-else label="Water to the rim weighs" kind="mass" v-bind="field('water')" />
  <QuantityField
    label="Width"
    kind="length"
    :value="form.width"
    :take="(width) => take({ ...form, width })"
  />
  <QuantityField
    label="Depth"
    kind="length"
    :value="form.depth"
    :take="(depth) => take({ ...form, depth })"
  />
  <QuantityField
    label="Height"
    kind="length"
    :value="form.height"
    :take="(height) => take({ ...form, height })"
  />
</template>
