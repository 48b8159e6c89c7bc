<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElOption, ElSelect } from 'element-plus'
import type { MaterialKind } from '@mivro/core/matter/material'
import { useShelf } from '../project/shelfStore.ts'
import FieldRow from './FieldRow.vue'

const props = defineProps<{
  label: string
  kind: MaterialKind
  value: string | undefined
  /** What stands for nothing chosen; absent: something has to be. */
  none?: string
  /** No visible label: it stands elsewhere. */
  bare?: boolean
}>()
const emit = defineEmits<{ choose: [id: string | undefined] }>()

const shelf = useShelf()
const nothing = '-'
const entries = computed(() => shelf.stored.filter((entry) => entry.document.kind === props.kind))
const shown = computed(() => {
  if (props.value !== undefined && shelf.materials.has(props.value)) return props.value
  return props.none ? nothing : undefined
})
const swatch = (id: string) => {
  const material = shelf.materials.get(id)
  return material && 'colour' in material ? material.colour : undefined
}
</script>

<template>
  <FieldRow :label="label" :bare="bare">
    <ElSelect
      :persistent="false"
      class="line"
      :model-value="shown"
      :aria-label="label"
      :placeholder="`Choose a ${kind}`"
      @update:model-value="emit('choose', $event === nothing ? undefined : $event)"
    >
      <ElOption v-if="none" :value="nothing" :label="none" />
      <ElOption
        v-for="entry in entries"
        :key="entry.id"
        :value="entry.id"
        :label="entry.document.name"
      >
        <span v-if="swatch(entry.id)" class="" :style="{ background: swatch(entry.id) }" />
        {{ entry.document.name }}
      </ElOption>
    </ElSelect>
    <template #after>
      <span v-if="shelf.loaded && entries.length === 0" class="small none">
        <RouterLink :to="{ name: 'shelf', params: { material: '' } }"
          >No {{ kind }} yet: add one</RouterLink
        >
        <ElButton v-if="shelf.stored.length === 0" link type="primary" @click="shelf.addTypical">
          Add typical materials
        </ElButton>
      </span>
      <slot />
    </template>
  </FieldRow>
</template>
