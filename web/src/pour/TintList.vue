<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { Plus } from 'lucide-vue-next'
import { guessedSwatch } from '@mivro/core/colour'
import type { TintShare } from '@mivro/core/plan'
import type { Problem } from '@mivro/core/problem'
import { useShelf } from '../project/shelfStore.ts'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import ShelfSelect from '../ui/ShelfSelect.vue'

/** The tints of a layer, each with its share of the resin's weight. */
const props = defineProps<{
  tints: readonly TintShare[]
  take: (next: TintShare[]) => Problem | undefined
}>()
const shelf = useShelf()

/** Most that a layer holds. */
const most = 6

const free = computed(() =>
  shelf.stored.filter(
    ({ id, document }) =>
      document.kind === 'tint' && props.tints.every(({ material }) => material !== id),
  ),
)
const name = (i: number) => (i === 0 ? 'Tint' : `Tint ${i + 1}`)

function firstDose(id: string): number {
  const tint = shelf.materials.get(id)
  return tint?.kind === 'tint' ? guessedSwatch(tint).dose : 0
}
function choose(i: number, id: string | undefined): void {
  if (id === undefined) return remove(i)
  const share = { material: id, fraction: props.tints[i]?.fraction ?? firstDose(id) }
  props.take(i < props.tints.length ? props.tints.with(i, share) : [...props.tints, share])
}
const dose = (i: number, fraction = 0) =>
  props.take(props.tints.with(i, { ...props.tints[i], fraction }))
const remove = (i: number) => void props.take(props.tints.toSpliced(i, 1))
const add = () => choose(props.tints.length, free.value[0].id)
</script>

<template>
  <div class="tints">
    <h3>Tints, share of the resin's weight</h3>
    <ShelfSelect
      v-if="tints.length === 0"
      bare
      label="Tint"
      kind="tint"
      none="None"
      :value="undefined"
      @choose="choose(0, $event)"
    />
    <div v-for="(tint, i) in tints" :key="`${i}-${tint.material}`" class="tint">
      <ShelfSelect
        bare
        :label="name(i)"
        kind="tint"
        none="None"
        :value="tint.material"
        @choose="choose(i, $event)"
      />
      <QuantityField
        bare
        :label="`${name(i)}, share of the resin's weight`"
        kind="fraction"
        :value="tint.fraction"
        :take="(fraction) => dose(i, fraction)"
      />
      <RemoveButton :label="`Delete ${name(i).toLowerCase()}`" @click="remove(i)" />
    </div>
    <ElButton
      v-if="tints.length > 0 && tints.length < most && free.length > 0"
      link
      type="primary"
      class="add"
      @click="add"
    >
      <Plus :size="14" aria-hidden="true" />Add tint
    </ElButton>
  </div>
</template>

<style scoped>
.tints {
  display: flex;
  flex-direction: column;
  gap: 4px;
}

.tint {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 84px 32px;
  align-items: center;
  gap: 8px;
}

.tints :deep(.el-select),
.tint :deep(.el-input) {
  width: 100%;
}

h3 {
  color: var(--ink-2);
  font-size: var(--size-small);
  font-weight: 400;
}

.add {
  align-self: flex-start;
}
</style>
