<script setup lang="ts">
import { ref, watch } from 'vue'
import { ElCollapse, ElCollapseItem } from 'element-plus'

/** What is asked for now and then: closed until it has something to say, or somebody opens it. */
const props = defineProps<{ title: string; open?: boolean }>()
const shown = ref<string[]>(props.open ? ['it'] : [])
watch(
  () => props.open,
  (open) => {
    if (open) shown.value = ['it']
  },
)
</script>

<template>
  <ElCollapse v-model="shown" class="fold">
    <ElCollapseItem name="it" :title="title">
      <div class="stack"><slot v-if="shown.length > 0" /></div>
    </ElCollapseItem>
  </ElCollapse>
</template>
