<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElPopover } from 'element-plus'
import { imperial, metric, type UnitChoice } from '@mivro/core/base/units'
import SegmentField from '../ui/SegmentField.vue'
import { useStudio } from '../project/studioStore.ts'

const studio = useStudio()
const label = computed(() => {
  const { mass, length, volume, temperature } = studio.units
  return [mass, length, volume, temperature].join(' · ')
})

const choices: { key: keyof UnitChoice; label: string; options: string[] }[] = [
  { key: 'mass', label: 'Weight', options: ['g', 'oz'] },
  { key: 'length', label: 'Length', options: ['mm', 'in'] },
  { key: 'volume', label: 'Volume', options: ['ml', 'fl oz'] },
  { key: 'temperature', label: 'Temperature', options: ['°C', '°F'] },
  { key: 'pressure', label: 'Pressure', options: ['psi', 'bar', 'kPa'] },
]

function choose(key: keyof UnitChoice, value: string): void {
  studio.change({ units: { ...studio.units, [key]: value } })
}
</script>

<template>
  <ElPopover :persistent="false" trigger="click" placement="bottom-end" :width="300">
    <template #reference>
      <ElButton round size="small" :aria-label="`Units: ${label}. Change them`">
        {{ label }}
      </ElButton>
    </template>
    <div class="stack">
      <div class="row">
        <h2>Units</h2>
        <span>
          <ElButton link type="primary" @click="studio.change({ units: metric })">
            Metric
          </ElButton>
          <ElButton link type="primary" @click="studio.change({ units: imperial })"> US </ElButton>
        </span>
      </div>
      <SegmentField
        v-for="choice in choices"
        :key="choice.key"
        :label="choice.label"
        :options="choice.options"
        :value="studio.units[choice.key]"
        @choose="choose(choice.key, $event)"
      />
      <p class="quiet small">You can always type any unit, such as 1/8 in or 4 fl oz.</p>
    </div>
  </ElPopover>
</template>
