<script setup lang="ts">
import { computed } from 'vue'
import { Plus, X } from 'lucide-vue-next'
import { ElOption, ElSelect } from 'element-plus'
import type { PlanInclusion } from '@mivro/core/plan'
import type { Problem } from '@mivro/core/problem'
import { newId } from '../api/client.ts'
import { useShelf } from '../shelf/shelfStore.ts'
import CountField from '../ui/CountField.vue'
import QuantityField from '../ui/QuantityField.vue'
import TextField from '../ui/TextField.vue'

const props = defineProps<{
  inclusions: readonly PlanInclusion[]
  take: (next: PlanInclusion[]) => Problem | undefined
}>()
const shelf = useShelf()
const kept = computed(() => shelf.stored.filter((entry) => entry.document.kind === 'inclusion'))
const other = '-'

function add(id: string): void {
  const material = shelf.materials.get(id)
  const known =
    material?.kind === 'inclusion'
      ? {
          name: material.name,
          mass: material.mass,
          density: material.density,
          thickness: material.thickness,
        }
      : { name: 'Charm', mass: 0.001, density: 8500 }
  props.take([...props.inclusions, { id: newId().slice(0, 12), count: 1, ...known }])
}

const change = (index: number, values: Partial<PlanInclusion>) =>
  props.take(
    props.inclusions.map((inclusion, i) => (i === index ? { ...inclusion, ...values } : inclusion)),
  )
const remove = (index: number) => props.take(props.inclusions.filter((_, i) => i !== index))
</script>

<template>
  <div class="stack-small">
    <div v-for="(inclusion, i) in inclusions" :key="inclusion.id" class="set" data-inclusion>
      <div class="top">
        <TextField
          bare
          heading
          label="What is set in"
          :value="inclusion.name"
          :take="(name) => change(i, { name })"
        />
        <button
          type="button"
          class="x"
          :aria-label="`Take ${inclusion.name} out`"
          @click="remove(i)"
        >
          <X :size="15" aria-hidden="true" />
        </button>
      </div>
      <div class="numbers">
        <CountField
          label="in each copy"
          :value="inclusion.count"
          :take="(count) => change(i, { count })"
        />
        <QuantityField
          label="one weighs"
          kind="mass"
          :step="1e-5"
          :value="inclusion.mass"
          :take="(mass) => change(i, { mass: mass ?? 0 })"
        />
        <QuantityField
          label="density"
          kind="density"
          :value="inclusion.density"
          :take="(density) => change(i, { density: density ?? 0 })"
        />
        <QuantityField
          label="thick, as it lies"
          kind="length"
          optional
          placeholder="not said"
          :value="inclusion.thickness"
          :take="(thickness) => change(i, { thickness })"
        />
      </div>
    </div>
    <div class="add">
      <Plus :size="14" aria-hidden="true" />
      <ElSelect
        class="picker"
        aria-label="Set something in"
        placeholder="Set something in"
        :model-value="undefined"
        @update:model-value="add"
      >
        <ElOption
          v-for="entry in kept"
          :key="entry.id"
          :value="entry.id"
          :label="entry.document.name"
        />
        <ElOption :value="other" label="Something else" />
      </ElSelect>
    </div>
  </div>
</template>

<style scoped>
.stack-small {
  display: flex;
  flex-direction: column;
  gap: 8px;
}

.set {
  padding: 6px 10px 10px;
  border: 1px solid var(--line);
  border-radius: 8px;
}

.top {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
}

.top :deep(input.heading) {
  font-size: 13px;
}

.x {
  display: inline-flex;
  padding: 5px;
  border: 0;
  border-radius: 6px;
  background: transparent;
  color: var(--ink-2);
  cursor: pointer;
}

.x:hover {
  background: var(--stop-soft);
  color: var(--stop);
}

.numbers {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 18px;
}

.numbers :deep(input) {
  width: 52px;
  font-size: 13px;
}

.add {
  display: flex;
  align-items: center;
  gap: 6px;
  color: var(--teal);
}

.picker {
  width: 200px;
}

.picker :deep(.el-select__wrapper) {
  border-color: transparent;
}

.picker :deep(.el-select__placeholder) {
  color: var(--teal);
  font-weight: 600;
}
</style>
