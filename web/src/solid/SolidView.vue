<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Form } from '@mivro/core/piece'
import { askSurface } from '../work/pool.ts'
import type { openSolid } from './solidScene.ts'

/** A shape in 3D, turned by dragging. It only shows; the facts stand beside it in words. */
const props = defineProps<{ form: Form }>()
const box = ref<HTMLElement>()
const failed = ref(false)
let scene: ReturnType<typeof openSolid> | undefined
let asking = new AbortController()

onMounted(async () => {
  try {
    const { openSolid } = await import('./solidScene.ts')
    if (box.value) scene = openSolid(box.value, getComputedStyle(box.value).color)
    await show()
  } catch {
    // No WebGL on this machine: the section beside it tells the same.
    failed.value = true
  }
})
onBeforeUnmount(() => {
  asking.abort()
  scene?.close()
})
watch(() => JSON.stringify(props.form), show)

async function show(): Promise<void> {
  asking.abort()
  const { signal } = (asking = new AbortController())
  if (!scene) return
  try {
    scene.setMesh(await askSurface(props.form, { signal }))
  } catch {
    // What is wrong with the shape is said where it is surveyed.
  }
}
</script>

<template>
  <figure class="solid">
    <div ref="box" class="box" role="img" aria-label="The shape in 3D" />
    <figcaption class="quiet small">
      {{ failed ? '3D needs WebGL, which this browser has not.' : '3D, drag to turn' }}
    </figcaption>
  </figure>
</template>

<style scoped>
.solid {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  margin: 0;
}

.box {
  flex: 1;
  min-height: 0;
  overflow: hidden;
  color: var(--honey);
  cursor: grab;
}

.box:active {
  cursor: grabbing;
}

figcaption {
  padding: 6px;
  text-align: center;
}
</style>
