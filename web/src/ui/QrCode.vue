<script setup lang="ts">
import { computed } from 'vue'
import qrcode from 'qrcode-generator'

/** An address that a camera reads. */
const props = defineProps<{ text: string }>()
/** Clear around it, in its cells (ISO/IEC 18004 asks for four). */
const quiet = 4
const code = computed(() => {
  const made = qrcode(0, 'M')
  made.addData(props.text)
  made.make()
  const count = made.getModuleCount()
  const cells: string[] = []
  for (let y = 0; y < count; y++) {
    for (let x = 0; x < count; x++) {
      if (made.isDark(y, x)) cells.push(`M${x + quiet} ${y + quiet}h1v1h-1z`)
    }
  }
  return { size: count + 2 * quiet, path: cells.join('') }
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${code.size} ${code.size}`"
    role="img"
    :aria-label="`QR code of ${text}`"
    shape-rendering="crispEdges"
  >
    <rect :width="code.size" :height="code.size" class="ground" />
    <path :d="code.path" />
  </svg>
</template>

<style scoped>
.ground {
  fill: var(--light);
}

path {
  fill: var(--bar);
}
</style>
