<script setup lang="ts">
import { gradientOf, type Shown } from './ramp.ts'

/** What the colours mean. */
defineProps<{
  what: Shown
  low: string
  high: string
  limit?: string
  hint?: string
  also?: { colour: string; says: string }
}>()
</script>

<template>
  <div class="key">
    <span class="num">{{ low }}</span>
    <i :style="{ background: gradientOf(what) }" />
    <span class="num">{{ high }}</span>
    <span v-if="limit" class="limit"><i />limit {{ limit }}</span>
    <span v-if="also" class="also"
      ><i :style="{ background: `var(--${also.colour})` }" />{{ also.says }}</span
    >
    <span v-if="hint" class="quiet small hint">{{ hint }}</span>
  </div>
</template>

<style scoped>
.key {
  position: absolute;
  right: 14px;
  top: 10px;
  width: 186px;
  display: grid;
  grid-template-columns: auto 1fr auto;
  align-items: center;
  gap: 4px 8px;
  font-size: var(--size-small);
}

.key > i {
  height: 10px;
  border-radius: var(--r-small);
}

.limit,
.also,
.hint {
  grid-column: 1 / 4;
}

.limit {
  display: flex;
  align-items: center;
  gap: 6px;
  color: var(--stop);
  font-weight: 600;
}

.also {
  display: flex;
  align-items: center;
  gap: 6px;
}

.also i {
  width: 12px;
  height: 12px;
  border-radius: var(--r-tiny);
}

.limit i {
  width: 26px;
  border-top: 2.4px dashed var(--stop);
}
</style>
