<script setup lang="ts">
import { displayStep, type Weighing } from '@mivro/core/mix'
import { show, figure, unitSymbol } from '@mivro/core/units'
import { useStudio } from '../studio/studioStore.ts'

defineProps<{
  weighing: Weighing
  copies: number
  /** What stands above the parts instead of the copies. */
  title?: string
  /** The scale's step, kg. */
  step: number
}>()
const studio = useStudio()
</script>

<template>
  <table class="sums">
    <thead>
      <tr>
        <th scope="col">
          {{ title ?? `Weigh for ${copies} ${copies === 1 ? 'copy' : 'copies'}` }}
        </th>
        <th scope="col">{{ unitSymbol('mass', studio.units) === 'g' ? 'grams' : 'ounces' }}</th>
        <th scope="col">scale shows</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="part in weighing.steps" :key="part.what" :data-part="part.what">
        <th scope="row">{{ part.name }}</th>
        <td>
          <b>{{
            figure(part.mass, 'mass', studio.units, { step: displayStep(part.mass, step) })
          }}</b>
        </td>
        <td>{{ figure(part.reading, 'mass', studio.units, { step }) }}</td>
      </tr>
    </tbody>
    <tfoot>
      <tr>
        <td colspan="3">
          {{ show(weighing.volume, 'volume', studio.units) }} in
          {{ weighing.cup.cups === 1 ? 'a cup' : `${weighing.cup.cups} cups` }} of
          {{ show(weighing.cup.size, 'volume', studio.units, { step: 1e-6 }) }}; the ratio holds to
          {{ show(weighing.ratioError, 'fraction', studio.units) }}
        </td>
      </tr>
    </tfoot>
  </table>
</template>

<style scoped>
td {
  font-family: var(--num);
}

td b {
  font: 650 15px var(--num);
}

tfoot td {
  border: 0;
  color: var(--ink-2);
  font: 400 12px var(--text);
  text-align: left;
}
</style>
