<script setup lang="ts">
import { ElButton } from 'element-plus'
import { Plus } from 'lucide-vue-next'
import type { Problem } from '@mivro/core/base/problem'
import { fitsInside } from '@mivro/core/work/run'
import { otherTools, type OtherTool, type Studio } from '@mivro/core/studio'
import { otherToolWords, sayFits } from '@mivro/words/equipment'
import { newId } from '../api/client.ts'
import CountField from '../ui/CountField.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SelectField from '../ui/SelectField.vue'
import TextField from '../ui/TextField.vue'
import type { MouldSize } from './useMouldSizes.ts'

/** Oven, turning machine, printer, scale: their sizes inside, and which moulds find room. */
const props = defineProps<{
  studio: Studio
  sizes: readonly MouldSize[]
  take: (values: Partial<Studio>) => Problem | undefined
}>()
const others = () => props.studio.others ?? []
const set = (id: string, values: Partial<OtherTool>) =>
  props.take({ others: others().map((one) => (one.id === id ? { ...one, ...values } : one)) })
const add = () =>
  props.take({
    others: [
      ...others(),
      { id: newId(), kind: 'oven', name: 'Oven', width: 0.4, depth: 0.35, height: 0.3 },
    ],
  })
const remove = (id: string) => props.take({ others: others().filter((one) => one.id !== id) })
const fitting = (tool: OtherTool) =>
  sayFits(
    props.sizes.filter(({ block }) => fitsInside(block, tool)).map(({ name }) => name),
    props.sizes.length,
  )
const kinds = otherTools.map((value) => ({ value, label: otherToolWords[value] }))
</script>

<template>
  <section class="panel box wide" aria-label="Other equipment">
    <h2>Other equipment</h2>
    <CountField
      class="altitude"
      label="Height above the sea"
      unit="m"
      :value="studio.altitude ?? 0"
      :take="(altitude) => take({ altitude })"
    />
    <div v-for="tool in others()" :key="tool.id" class="tool" role="group" :aria-label="tool.name">
      <TextField label="Name" :value="tool.name" :take="(name) => set(tool.id, { name })" />
      <SelectField
        label="Kind"
        :options="kinds"
        :value="tool.kind"
        @choose="set(tool.id, { kind: $event })"
      />
      <QuantityField
        label="Inside, wide"
        kind="length"
        :value="tool.width"
        :take="(width) => set(tool.id, { width })"
      />
      <QuantityField
        label="deep"
        kind="length"
        :value="tool.depth"
        :take="(depth) => set(tool.id, { depth })"
      />
      <QuantityField
        label="high"
        kind="length"
        :value="tool.height"
        :take="(height) => set(tool.id, { height })"
      />
      <RemoveButton :label="`Delete ${tool.name}`" @click="remove(tool.id)" />
      <p class="quiet small fits">Fits: {{ fitting(tool) }}.</p>
    </div>
    <ElButton link type="primary" class="add start" @click="add">
      <Plus :size="14" aria-hidden="true" />Add equipment
    </ElButton>
  </section>
</template>

<style scoped>
.altitude {
  max-width: 340px;
}

.tool {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1.3fr) repeat(3, minmax(0, 1fr)) auto;
  align-items: end;
  gap: 4px 22px;
  padding-bottom: 10px;
  border-bottom: 1px solid var(--line-2);
}

.fits {
  grid-column: 1 / 7;
}

@media (max-width: 1180px) {
  .tool {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }

  .fits {
    grid-column: 1 / 3;
  }
}
</style>
