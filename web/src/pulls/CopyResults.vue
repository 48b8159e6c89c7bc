<script setup lang="ts">
import { computed } from 'vue'
import { ElSegmented } from 'element-plus'
import { outcomes, type CopyResult, type Outcome, type Pull } from '@mivro/core/work/pull'
import { outcomeWords } from '@mivro/words/pull'
import QuantityField from '../ui/QuantityField.vue'

/** How each copy came out, and what mending it took. */
const props = defineProps<{ pull: Pull; take: (results: CopyResult[]) => void }>()
const results = computed(() => props.pull.results ?? [])
const options = outcomes.map((value) => ({ value, label: outcomeWords[value] }))
const edit = (copy: number, values: Partial<CopyResult>) =>
  props.take(results.value.map((one) => (one.copy === copy ? { ...one, ...values } : one)))
</script>

<template>
  <ul class="copies" aria-label="Result of each copy">
    <li v-for="one in results" :key="one.copy" :class="one.result">
      <b class="num">{{ one.copy }}</b>
      <span v-if="one.mould" class="quiet small">mould {{ one.mould }}</span>
      <ElSegmented
        size="small"
        :model-value="one.result"
        :options="options"
        :aria-label="`Result of copy ${one.copy}`"
        @update:model-value="edit(one.copy, { result: $event as Outcome })"
      />
      <QuantityField
        v-if="one.result === 'fixable'"
        bare
        optional
        :label="`Mending copy ${one.copy} took`"
        placeholder="min"
        kind="duration"
        :value="one.mended"
        :take="(mended) => edit(one.copy, { mended })"
      />
    </li>
  </ul>
</template>

<style scoped>
.copies {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
  gap: 6px 18px;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  min-height: 32px;
  padding-left: 8px;
  border-left: 4px solid var(--ok);
  border-radius: var(--r-tiny);
}

li.fixable {
  border-left-color: var(--warn);
}

li.lost {
  border-left-color: var(--stop);
}
</style>
