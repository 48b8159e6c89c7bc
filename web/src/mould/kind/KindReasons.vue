<script setup lang="ts">
import { Check, Minus } from 'lucide-vue-next'
import type { KindAdvice } from '@mivro/core/mould'
import { sayKindReason } from '@mivro/words/mouldKind'

defineProps<{ of: KindAdvice }>()
</script>

<template>
  <ul>
    <li v-for="pro in of.pros" :key="pro.reason">
      <Check :size="14" class="pro" aria-label="For it:" />{{ sayKindReason(pro) }}
    </li>
    <li v-for="con in of.cons" :key="con.reason">
      <Minus :size="14" class="con" aria-label="Against it:" />{{ sayKindReason(con) }}
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: flex;
  flex-direction: column;
  gap: 5px;
}

li {
  display: grid;
  grid-template-columns: 16px 1fr;
  gap: 6px;
}

.pro {
  color: var(--ok);
  margin-top: 2px;
}

.con {
  color: var(--warn);
  margin-top: 2px;
}
</style>
