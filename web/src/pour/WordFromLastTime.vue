<script setup lang="ts">
import { computed } from 'vue'
import { showDay } from '../ui/dates.ts'
import { usePiece } from '../piece/pieceStore.ts'

const piece = usePiece()
const word = computed(() => piece.word)
</script>

<template>
  <p v-if="word" class="word">
    <b>From the pull of {{ showDay(word.pouredAt) }}:</b> {{ word.nextTime }}
  </p>
</template>

<style scoped>
.word {
  margin: 10px 14px 0;
  padding: 7px 12px;
  border-left: 3px solid var(--honey);
  border-radius: 0 8px 8px 0;
  background: var(--amber-soft);
  color: var(--amber-ink);
}
</style>
