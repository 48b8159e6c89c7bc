<script setup lang="ts">
/** Says that a value is the class's, until its sheet says the same. */
const emit = defineEmits<{ confirm: [] }>()
</script>

<template>
  <small class="assumed"
    >assumed, not from its sheet
    <button type="button" class="btn plain" @click="emit('confirm')">its sheet says so too</button>
  </small>
</template>

<style scoped>
.assumed {
  grid-column: 1 / -1;
  min-width: 20px;
  color: var(--warn);
  text-align: left;
  font-size: var(--size-small);
}
</style>
