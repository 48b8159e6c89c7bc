<script setup lang="ts">
import { ShieldAlert } from 'lucide-vue-next'
import type { SafetyLine } from '@mivro/core/base/caution'
import { deferring, saySafety } from '@mivro/words/safety'

/** What is to be read before a step: nothing else is shown until it was. */
defineProps<{ lines: readonly SafetyLine[] }>()
</script>

<template>
  <section class="safety" aria-label="Before you begin">
    <ShieldAlert :size="44" aria-hidden="true" />
    <ul>
      <li v-for="line in lines" :key="line.id" :data-safety="line.id">{{ saySafety(line) }}</li>
      <li class="quiet">{{ deferring }}</li>
    </ul>
  </section>
</template>

<style scoped>
.safety {
  display: flex;
  gap: 22px;
  padding: 24px 28px;
  border: 2px solid var(--amber);
  border-radius: var(--r-large);
  background: var(--amber-soft);
  color: var(--amber-ink);
  overflow: hidden auto;
}

svg {
  flex: none;
  color: var(--amber);
}

ul {
  display: flex;
  flex-direction: column;
  gap: 14px;
}

li {
  font-size: var(--bench-lead);
  line-height: 1.4;
}

.quiet {
  color: var(--amber-ink);
  font-size: var(--size-lead);
}
</style>
