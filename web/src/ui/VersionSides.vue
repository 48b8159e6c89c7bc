<script setup lang="ts">
import type { MarkedLine } from '@mivro/core/base/document'

/** Two versions of a document in lines, side by side; what differs is marked. */
defineProps<{ sides: readonly { title: string; lines: readonly MarkedLine[] }[] }>()
</script>

<template>
  <div class="sides">
    <section v-for="(side, index) in sides" :key="index" class="side stack">
      <h2>{{ side.title }}</h2>
      <ul>
        <li v-for="(entry, i) in side.lines" :key="i" :class="{ differs: entry.differs }">
          {{ entry.line }}
        </li>
      </ul>
      <slot :index="index" />
    </section>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}

ul {
  flex: 1;
}

li {
  padding: 4px 10px;
  border-left: 3px solid transparent;
  overflow-wrap: anywhere;
}

li.differs {
  border-color: var(--honey);
  background: var(--amber-soft);
}
</style>
