<script setup lang="ts">
import { computed, ref } from 'vue'
import { ChevronDown, Plus } from 'lucide-vue-next'
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { setInFrom, type PlanInclusion } from '@mivro/core/matter/inclusion'
import type { Problem } from '@mivro/core/base/problem'
import { show } from '@mivro/core/base/units'
import { newId } from '../api/client.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import ThingFields from '../thing/ThingFields.vue'
import CountField from '../ui/CountField.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import TextField from '../ui/TextField.vue'

const props = defineProps<{
  inclusions: readonly PlanInclusion[]
  take: (next: PlanInclusion[]) => Problem | undefined
}>()
const shelf = useShelf()
const studio = useStudio()
const kept = computed(() => shelf.stored.filter((entry) => entry.document.kind === 'inclusion'))
const other = '-'
const open = ref<string>()

function add(chosen: string): void {
  const material = shelf.materials.get(chosen)
  const known =
    material?.kind === 'inclusion'
      ? setInFrom(material)
      : { name: 'Charm', mass: 0.001, density: 8500 }
  const id = newId().slice(0, 12)
  if (!props.take([...props.inclusions, { id, count: 1, ...known }])) open.value = id
}

/** Leaf weighs a fraction of a milligram. */
const finest = (mass: number) => (mass < 1e-5 ? 1e-7 : 1e-5)

const change = (index: number, values: Partial<PlanInclusion>) =>
  props.take(
    props.inclusions.map((inclusion, i) => (i === index ? { ...inclusion, ...values } : inclusion)),
  )
const remove = (index: number) => props.take(props.inclusions.filter((_, i) => i !== index))
</script>

<template>
  <div class="list stack-6">
    <div v-for="(inclusion, i) in inclusions" :key="inclusion.id" class="set" data-inclusion>
      <div class="line">
        <ElButton
          text
          class="summary"
          :aria-expanded="open === inclusion.id"
          @click="open = open === inclusion.id ? undefined : inclusion.id"
        >
          <ChevronDown :size="14" :class="{ up: open === inclusion.id }" aria-hidden="true" />
          <b>{{ inclusion.count }} {{ inclusion.name }}</b>
          <span class="quiet small"
            >in each copy,
            {{ show(inclusion.mass, 'mass', studio.units, { step: finest(inclusion.mass) }) }}
            each</span
          >
        </ElButton>
        <RemoveButton :label="`Delete ${inclusion.name}`" @click="remove(i)" />
      </div>
      <div v-if="open === inclusion.id" class="fields">
        <TextField label="Name" :value="inclusion.name" :take="(name) => change(i, { name })" />
        <CountField
          label="Count per copy"
          :value="inclusion.count"
          :take="(count) => change(i, { count })"
        />
        <QuantityField
          label="Weight of one"
          kind="mass"
          :step="finest(inclusion.mass)"
          :value="inclusion.mass"
          :take="(mass) => change(i, { mass })"
        />
        <QuantityField
          label="Density"
          kind="density"
          :value="inclusion.density"
          :take="(density) => change(i, { density })"
        />
        <QuantityField
          label="Thickness"
          kind="length"
          optional
          placeholder="not stated"
          :value="inclusion.thickness"
          :take="(thickness) => change(i, { thickness })"
        />
        <ThingFields :thing="inclusion" :take="(values) => change(i, values)" />
      </div>
    </div>
    <div class="add">
      <Plus :size="14" aria-hidden="true" />
      <ElSelect
        :persistent="false"
        class="picker"
        aria-label="Add inclusion"
        placeholder="Add inclusion"
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
.set {
  border: 1px solid var(--line);
  border-radius: var(--r-field);
}

.line {
  display: flex;
  align-items: center;
}

.summary {
  flex: 1;
  justify-content: flex-start;
  min-width: 0;
  padding: 6px 8px;
  overflow: hidden;
}

.summary b {
  overflow: hidden;
  text-overflow: ellipsis;
}

.summary svg {
  flex: none;
  color: var(--teal);
}

.summary .up {
  rotate: 180deg;
}

.fields {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 4px 12px 12px;
}

.add {
  display: flex;
  align-items: center;
  gap: 6px;
  color: var(--teal);
}

.picker {
  width: 170px;
}

.picker :deep(.el-select__wrapper) {
  min-height: 26px;
  border-color: transparent;
}

.picker :deep(.el-select__placeholder) {
  color: var(--teal);
  font-weight: 600;
}
</style>
