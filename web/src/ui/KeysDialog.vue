<script setup lang="ts">
import { ElDialog } from 'element-plus'

defineProps<{ shortcuts: readonly [string, string][] }>()
const open = defineModel<boolean>({ required: true })
</script>

<template>
  <ElDialog v-model="open" title="Shortcuts" width="420">
    <dl>
      <div v-for="[key, what] in shortcuts" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </div>
    </dl>
  </ElDialog>
</template>

<style scoped>
dl div {
  display: grid;
  grid-template-columns: 110px 1fr;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-2);
}

kbd {
  padding: 2px 7px;
  border: 1px solid var(--line);
  border-radius: var(--r-small);
  background: var(--table);
  font: 600 var(--size-small) var(--num);
}
</style>
