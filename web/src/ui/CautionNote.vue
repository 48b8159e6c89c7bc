<script setup lang="ts">
import { sayCaution, type Caution } from '@mivro/core/caution'
import type { Fix } from './fix.ts'
import { useStudio } from '../project/studioStore.ts'

defineProps<{ caution: Caution; fixes?: readonly Fix[] }>()
const studio = useStudio()
const labels = { stop: 'Stop.', warn: 'Careful.', note: '' }
</script>

<template>
  <p class="caution" :class="`is-${caution.severity}`" :data-code="caution.code">
    <b v-if="labels[caution.severity]">{{ labels[caution.severity] }}</b>
    {{ sayCaution(caution, studio.units) }}
    <span v-if="fixes && fixes.length > 0" class="fixes">
      <button v-for="fix in fixes" :key="fix.words" type="button" class="btn" @click="fix.take()">
        {{ fix.words }}
      </button>
    </span>
  </p>
</template>

<style scoped>
.caution {
  border-left: 3px solid var(--honey);
  border-radius: 0 var(--r-field) var(--r-field) 0;
  padding: 8px 10px;
  background: var(--amber-soft);
  color: var(--amber-ink);
  font-size: var(--size-small);
}

.fixes {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 7px;
}

.fixes .btn {
  padding: 3px 10px;
  border: 1px solid currentcolor;
  background: var(--veil);
  color: inherit;
  font-size: var(--size-small);
}

.is-note {
  border-color: var(--teal);
  background: var(--hover);
  color: var(--ink);
}

.is-stop {
  border-color: var(--stop);
  background: var(--stop-soft);
  color: var(--stop-ink);
}
</style>
