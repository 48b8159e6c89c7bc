<script setup lang="ts">
import { computed } from 'vue'
import { show, showArea } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import type { Survey } from '@mivro/core/work/project'

const props = defineProps<{ survey: Survey }>()
const studio = useStudio()

const facts = computed(() => {
  const { measures: m, curve, triangles, closed } = props.survey
  const size = [0, 1, 2].map((i) => show(m.high[i] - m.low[i], 'length', studio.units))
  const band = closed ? '' : ` ± ${show(m.volumeBand, 'volume', studio.units)}`
  return [
    ['Size', size.join(' × ')],
    ['Volume', show(m.volume, 'volume', studio.units) + band],
    ['Stands, as it is poured', `${show(curve.height, 'length', studio.units)} tall`],
    ['Surface', showArea(m.area, studio.units)],
    ['Closed', closed ? 'Yes, watertight' : 'No'],
    ['Triangles', triangles.toLocaleString('en').replace(/,/g, ' ')],
  ]
})
</script>

<template>
  <dl>
    <div v-for="[name, value] in facts" :key="name" class="row">
      <dt>{{ name }}</dt>
      <dd class="num">{{ value }}</dd>
    </div>
  </dl>
  <CautionNotes :of="survey.cautions" />
</template>

<style scoped>
dl .row {
  padding: 6px 0;
  border-bottom: 1px solid var(--line-2);
}

dt {
  color: var(--ink-2);
  font-size: var(--size-small);
}
</style>
