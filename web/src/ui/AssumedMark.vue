<script setup lang="ts">
import { ElButton } from 'element-plus'

/** Says that a value is the class's, until its sheet says the same. */
const emit = defineEmits<{ confirm: [] }>()
</script>

<template>
  <small class="assumed"
    >assumed, not from its sheet
    <ElButton link type="primary" @click="emit('confirm')">Confirm</ElButton>
  </small>
</template>

<style scoped>
.assumed {
  display: block;
  color: var(--warn);
  text-align: right;
  font-size: var(--size-small);
}
</style>
