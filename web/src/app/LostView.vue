<script setup lang="ts">
import EmptyPlace from '../ui/EmptyPlace.vue'
</script>

<template>
  <EmptyPlace title="Nothing is at this address">
    It may have been typed wrong, or the piece was taken off.
    <template #next><RouterLink class="btn" to="/pieces">Go to the pieces</RouterLink></template>
  </EmptyPlace>
</template>
