<script setup lang="ts">
import { computed } from 'vue'
import { ElPopover } from 'element-plus'
import { imperial, metric, type UnitChoice } from '@mivro/core/units'
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
  <ElPopover trigger="click" placement="bottom-end" :width="300">
    <template #reference>
      <button class="chip" type="button" :aria-label="`Units: ${label}. Change them`">
        {{ label }}
      </button>
    </template>
    <div class="stack">
      <div class="row">
        <h2>Units</h2>
        <span>
          <button class="btn plain" type="button" @click="studio.change({ units: metric })">
            Metric
          </button>
          <button class="btn plain" type="button" @click="studio.change({ units: imperial })">
            US
          </button>
        </span>
      </div>
      <SegmentField
        v-for="choice in choices"
        :key="choice.key"
        :label="choice.label"
        :options="choice.options.map((value) => ({ value, label: value }))"
        :value="studio.units[choice.key]"
        @choose="choose(choice.key, $event)"
      />
      <p class="quiet small">You can always type any unit, such as 1/8 in or 4 fl oz.</p>
    </div>
  </ElPopover>
</template>

<style scoped>
.chip {
  padding: 4px 12px;
  border: 1px solid var(--bar-line);
  border-radius: var(--r-round);
  background: transparent;
  color: var(--bar-ink);
  font-size: var(--size-small);
  cursor: pointer;
}

.chip:hover {
  background: var(--bar-hover);
}
</style>
