<script setup lang="ts">
import { ElEmpty } from 'element-plus'

defineProps<{ title: string }>()
</script>

<template>
  <ElEmpty class="empty" :image-size="0">
    <template #image><span /></template>
    <template #description>
      <h2>{{ title }}</h2>
      <p class="quiet"><slot /></p>
    </template>
    <div class="next"><slot name="next" /></div>
  </ElEmpty>
</template>

<style scoped>
.empty {
  max-width: 460px;
  margin: 10vh auto 0;
  text-align: center;
}

h2 {
  margin-bottom: 12px;
  font-size: var(--size-head);
}

p {
  font-size: var(--size-lead);
}

.next {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: center;
}
</style>
