<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { byHand, type Arranged, type ThingPlace } from '@mivro/core/matter/inclusion'
import type { Vec3 } from '@mivro/core/form/mesh'
import type { Form } from '@mivro/core/form/piece'
import type { ThingScene } from '../../solid/thingScene.ts'
import { askSurface } from '../../work/pool.ts'
import { useJob } from '../../work/useJob.ts'
import type { ChosenThing } from './useSetThings.ts'

/** Everything that is set in, in 3D: the piece is turned by dragging it, things by dragging them. */
const props = defineProps<{
  form: Form
  up: Vec3
  things: readonly (Arranged & { colour: string })[]
  chosen?: ChosenThing
}>()
const emit = defineEmits<{
  choose: [thing: ChosenThing, layer: string]
  move: [layer: string, id: string, places: ThingPlace[]]
  moved: []
}>()
const box = ref<HTMLElement>()
const scene = shallowRef<ThingScene>()
const failed = ref(false)

/** What is dragged, and where all of its kind lay when it was taken. */
let held: { thing: Arranged; i: number } | undefined
const { run } = useJob()
onMounted(async () => {
  try {
    const { openThings } = await import('../../solid/thingScene.ts')
    if (!box.value) return
    scene.value = openThings(box.value, {
      onChoose(id, i) {
        const thing = props.things.find((one) => one.id === id)!
        held = { thing, i }
        emit('choose', { id, i }, thing.layer)
      },
      onDrag(dx, dy) {
        const { thing, i } = held!
        const place = thing.places[i]
        const places = thing.places.with(i, { ...place, x: place.x + dx, y: place.y + dy })
        emit('move', thing.layer, thing.id, byHand(places))
      },
      onDrop: () => emit('moved'),
    })
  } catch {
    // No WebGL on this machine: the view from above and the section tell the same.
    failed.value = true
  }
})
onBeforeUnmount(() => scene.value?.close())
const lay = () =>
  scene.value?.setThings(props.things, (id, i) => id === props.chosen?.id && i === props.chosen.i)
watch(
  [scene, () => JSON.stringify([props.form, props.up])],
  async () => {
    const mesh = scene.value && (await run((heard) => askSurface(props.form, heard)))
    if (!mesh) return
    scene.value!.setPiece(mesh, props.up)
    lay()
  },
  { immediate: true },
)
watch([() => props.things, () => props.chosen], lay)
</script>

<template>
  <div
    ref="box"
    class="round drawn-in"
    role="img"
    aria-label="What is set in, in 3D; drag the piece to turn it, a thing to move it"
  >
    <p v-if="failed" class="quiet small">
      3D needs WebGL, which this browser has not. The view from above shows the same.
    </p>
  </div>
</template>

<style scoped>
.round :deep(canvas) {
  position: absolute;
  inset: 0;
  cursor: grab;
}
</style>
