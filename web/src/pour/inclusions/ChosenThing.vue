<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import type { Arranged, LaidPlace, ThingPlace } from '@mivro/core/matter/inclusion'
import { Problem } from '@mivro/core/base/problem'
import CountField from '../../ui/CountField.vue'
import { fieldsOf } from '../../ui/fields.ts'
import QuantityField from '../../ui/QuantityField.vue'
import RemoveButton from '../../ui/RemoveButton.vue'

/** The one thing that was touched last: where it lies, turned, tilted and raised. */
const props = defineProps<{
  thing: Arranged & { name: string }
  place: LaidPlace
  /** Which of its kind. */
  at: number
  take: (to: Partial<ThingPlace>) => Problem | undefined
}>()
const emit = defineEmits<{ remove: [] }>()

const perDegree = Math.PI / 180
const degrees = (radians = 0) => Number((radians / perDegree).toFixed(1))
/** Any turn is one within half a turn to either side. */
const turnTo = (angle: number) => {
  const turn = angle * perDegree
  return props.take({ turn: Math.atan2(Math.sin(turn), Math.cos(turn)) })
}
const most = 90
function tiltTo(angle: number): Problem | undefined {
  if (!(Math.abs(angle) <= most)) {
    return new Problem('angle-out-of-range', { value: angle, most })
  }
  return props.take({ tilt: angle === 0 ? undefined : angle * perDegree })
}
const lying = computed(() => !props.place.up && !props.place.tilt)
const { field } = fieldsOf(() => props.place, props.take)
</script>

<template>
  <section class="chosen" aria-label="The chosen thing">
    <div class="row">
      <h3>{{ thing.name }}, {{ at + 1 }} of {{ thing.places.length }}</h3>
      <RemoveButton :label="`Take out ${thing.name} ${at + 1}`" @click="emit('remove')" />
    </div>
    <QuantityField label="Right of the middle" kind="length" v-bind="field('x')" />
    <QuantityField label="Behind the middle" kind="length" v-bind="field('y')" />
    <QuantityField
      label="Above the others"
      kind="length"
      optional
      placeholder="on the floor"
      :value="place.up"
      :take="(up) => take({ up: up || undefined })"
    />
    <CountField label="Turned" unit="°" :value="degrees(place.turn)" :take="turnTo" />
    <CountField label="Tilted" unit="°" :value="degrees(place.tilt)" :take="tiltTo" />
    <ElButton
      v-if="!lying"
      size="small"
      class="start"
      @click="take({ tilt: undefined, up: undefined })"
    >
      Lay flat on the floor
    </ElButton>
  </section>
</template>

<style scoped>
.chosen {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 8px 10px;
  border: 1px solid var(--teal);
  border-radius: var(--r-field);
}

h3 {
  font-size: var(--size-lead);
}
</style>
