<script setup lang="ts">
import { ElButton } from 'element-plus'
import { Trash2 } from 'lucide-vue-next'
import Tip from './Tip.vue'

defineProps<{ label: string }>()
defineOptions({ inheritAttrs: false })
</script>

<template>
  <Tip :says="label">
    <ElButton text circle class="remove" :aria-label="label" v-bind="$attrs">
      <Trash2 :size="14" aria-hidden="true" />
    </ElButton>
  </Tip>
</template>
