<script setup lang="ts">
import { ShieldAlert } from 'lucide-vue-next'
import { type SafetyLine } from '@mivro/core/base/caution'
import { deferring, saySafety } from '@mivro/words/safety'

defineProps<{ before: string; lines: readonly SafetyLine[]; withDeferring?: boolean }>()
</script>

<template>
  <section v-if="lines.length > 0" class="safety" :aria-label="before">
    <ShieldAlert :size="15" aria-hidden="true" />
    <p>
      <b>{{ before }}.</b>
      <span v-for="line in lines" :key="line.id" :data-safety="line.id">{{
        ` ${saySafety(line)}`
      }}</span>
      <i v-if="withDeferring">{{ ` ${deferring}` }}</i>
    </p>
  </section>
</template>

<style scoped>
.safety {
  display: flex;
  gap: 8px;
  padding: 8px 10px;
  border: 1px solid var(--amber-line);
  border-radius: var(--r-field);
  background: var(--clear);
  color: var(--amber-ink);
  font-size: var(--size-small);
}

svg {
  flex: none;
  margin-top: 1px;
  color: var(--amber);
}

i {
  color: var(--amber-ink);
}
</style>
