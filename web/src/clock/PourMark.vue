<script setup lang="ts">
/** The moment a layer is poured, drawn across the band of the one below. */
defineProps<{ x: number; y: number; height: number }>()
</script>

<template>
  <rect :x="x - 9" :y="y" width="18" :height="height" class="grip" />
  <path :d="`M${x} ${y}v${height}`" class="moment" />
  <circle :cx="x" :cy="y + height / 2" r="5" class="knob cut-grip lit" />
</template>

<style scoped>
.moment {
  stroke: var(--mark);
  stroke-width: 2.5;
}
</style>
