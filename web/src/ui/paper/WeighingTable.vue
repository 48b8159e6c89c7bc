<script setup lang="ts">
import { computed } from 'vue'
import { displayStep, type WeighStep } from '@mivro/core/matter/mix'
import { figure, scaleUnits, show } from '@mivro/core/base/units'
import { useStudio } from '../../project/studioStore.ts'

/** What is weighed into a cup, with room for what the scale really showed. */
const props = defineProps<{
  parts: readonly WeighStep[]
  /** Of the scale, kg. */
  step: number
}>()
const studio = useStudio()
const units = computed(() => scaleUnits(props.step, studio.units))
const measured = computed(() => props.parts.some(({ volume }) => volume !== undefined))
const grams = (kg: number) => figure(kg, 'mass', units.value, { step: displayStep(kg, props.step) })
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col">In this order</th>
        <th scope="col">weigh</th>
        <th scope="col">scale shows</th>
        <th v-if="measured" scope="col">by volume</th>
        <th scope="col">actual</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="part in parts" :key="part.key">
        <th scope="row">{{ part.name }}</th>
        <td>
          <b>{{ grams(part.mass) }} {{ units.mass }}</b>
        </td>
        <td>{{ figure(part.reading, 'mass', units, { step }) }}</td>
        <td v-if="measured">
          {{ part.volume === undefined ? '' : show(part.volume, 'volume', studio.units) }}
        </td>
        <td class="blank" />
      </tr>
    </tbody>
  </table>
</template>
