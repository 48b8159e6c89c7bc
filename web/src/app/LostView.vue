<script setup lang="ts">
import { ElButton } from 'element-plus'
import EmptyPlace from '../ui/EmptyPlace.vue'
</script>

<template>
  <EmptyPlace title="Nothing is at this address">
    It may have been typed wrong, or the piece was deleted.
    <template #next
      ><ElButton tag="router-link" type="primary" to="/pieces">Go to the pieces</ElButton></template
    >
  </EmptyPlace>
</template>
