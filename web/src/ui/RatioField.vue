<script setup lang="ts">
import type { Ratio } from '@mivro/core/matter/material'
import type { Problem } from '@mivro/core/base/problem'
import { parseRatio, showRatio } from '@mivro/core/base/units'
import AssumedMark from './AssumedMark.vue'
import FieldRow from './FieldRow.vue'
import LineInput from './LineInput.vue'
import SegmentField from './SegmentField.vue'
import { useTyped } from './useTyped.ts'

const props = defineProps<{
  ratio: Ratio
  take: (ratio: Ratio) => Problem | undefined
  /** The class's, until its sheet is typed. */
  assumed?: boolean
}>()
const emit = defineEmits<{ confirm: [] }>()
const { typed, problem, commit, forget } = useTyped(
  () => showRatio(props.ratio),
  (text) => props.take({ by: props.ratio.by, ...parseRatio(text) }),
)
</script>

<template>
  <div class="ratio">
    <FieldRow v-slot="{ said }" label="Mix ratio, A to B" :problem="problem">
      <LineInput v-model="typed" v-bind="said" @commit="commit" @forget="forget" />
    </FieldRow>
    <SegmentField
      label="Measured by"
      :options="{ weight: 'Weight', volume: 'Volume' }"
      :value="ratio.by"
      @choose="take({ ...ratio, by: $event })"
    />
    <AssumedMark v-if="assumed" @confirm="emit('confirm')" />
  </div>
</template>

<style scoped>
.ratio {
  display: grid;
  gap: 10px;
}
</style>
