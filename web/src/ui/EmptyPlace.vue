<script setup lang="ts">
defineProps<{ title: string }>()
</script>

<template>
  <section class="empty">
    <h2>{{ title }}</h2>
    <p class="quiet"><slot /></p>
    <div class="next"><slot name="next" /></div>
  </section>
</template>

<style scoped>
.empty {
  max-width: 460px;
  margin: 12vh auto 0;
  display: flex;
  flex-direction: column;
  gap: 12px;
  text-align: center;
}

h2 {
  font-size: var(--size-head);
}

p {
  font-size: var(--size-lead);
}

.next {
  display: flex;
  gap: 8px;
  justify-content: center;
  margin-top: 8px;
}
</style>
