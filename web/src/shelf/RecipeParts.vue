<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { Plus } from 'lucide-vue-next'
import { guessedSwatch } from '@mivro/core/matter/colour'
import { partsOnShelf, type RecipePart } from '@mivro/core/matter/material'
import type { Problem } from '@mivro/core/base/problem'
import { useShelf } from '../project/shelfStore.ts'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'

/** The tints of a recipe and their shares. */
const props = defineProps<{
  parts: readonly RecipePart[]
  take: (parts: RecipePart[]) => Problem | undefined
}>()
const shelf = useShelf()
const most = 6
const missing = computed(() => partsOnShelf(props.parts, shelf.stored).missing)
const free = computed(() =>
  shelf.stored.filter(
    ({ id, document }) =>
      document.kind === 'tint' && props.parts.every(({ material }) => material !== id),
  ),
)
function add(): void {
  const { id, document } = free.value[0]
  if (document.kind !== 'tint') return
  const { dose } = guessedSwatch(document)
  props.take([...props.parts, { material: id, name: document.name, fraction: dose }])
}
const dose = (i: number, fraction = 0) =>
  props.take(props.parts.with(i, { ...props.parts[i], fraction }))
</script>

<template>
  <h3>Tints, share of the resin's weight</h3>
  <p v-if="parts.length === 0" class="quiet">
    No tint yet. In the Colour view of a pour, Save recipe keeps the doses you see there.
  </p>
  <div v-for="(part, i) in parts" :key="`${i}-${part.name}`" class="part">
    <QuantityField
      :label="part.name"
      kind="fraction"
      :value="part.fraction"
      :take="(fraction) => dose(i, fraction)"
    />
    <RemoveButton :label="`Delete ${part.name}`" @click="take(parts.toSpliced(i, 1))" />
  </div>
  <p v-if="missing.length > 0" class="small quiet">
    Not among your tints: {{ missing.join(', ') }}.
  </p>
  <ElButton
    v-if="parts.length < most && free.length > 0"
    link
    type="primary"
    class="add start"
    @click="add"
  >
    <Plus :size="14" aria-hidden="true" />Add {{ free[0].document.name }}
  </ElButton>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 32px;
  align-items: center;
  gap: 8px;
}

h3 {
  margin-top: 6px;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--line);
  font: 650 var(--size-lead) var(--num);
}
</style>
