<script setup lang="ts">
import { useId } from 'vue'
import { ElFormItem } from 'element-plus'
import type { Problem } from '@mivro/core/base/problem'
import Says from './Says.vue'

/** A field with its label, and what is wrong with it under it. */
defineProps<{
  label: string
  problem?: Problem
  /** No visible label: it stands elsewhere. */
  bare?: boolean
  /** Label above instead of beside. */
  above?: boolean
}>()
const says = `${useId()}-says`
</script>

<template>
  <ElFormItem
    class="field-row"
    :class="{ bare, above, wrong: problem }"
    :label="label"
    :label-position="above ? 'top' : 'left'"
    :show-message="false"
  >
    <slot
      :said="{
        'aria-invalid': problem ? ('true' as const) : undefined,
        'aria-describedby': problem ? says : undefined,
      }"
    />
    <slot name="after" />
    <Says :id="says" :problem="problem" />
  </ElFormItem>
</template>
