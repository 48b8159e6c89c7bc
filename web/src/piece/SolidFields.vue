<script setup lang="ts">
import { computed } from 'vue'
import { solidNames } from '@mivro/words/solid'
import type { Solid } from '@mivro/core/form/shape'
import type { Problem } from '@mivro/core/base/problem'
import CountField from '../ui/CountField.vue'
import SelectField from '../ui/SelectField.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import ProfileFields from './ProfileFields.vue'
import { startingSolid } from './startingSolids.ts'

const props = defineProps<{ solid: Solid; take: (solid: Solid) => Problem | undefined }>()

const labels: Record<string, string> = {
  diameter: 'Diameter',
  thickness: 'Thickness',
  bevel: 'Bevel of the face',
  width: 'Width',
  depth: 'Depth',
  height: 'Height',
  wall: 'Wall',
  taper: 'Face narrower, each side',
  foot: 'Diameter of the foot',
}
/** What a length is called where the common name would mislead. */
const own: Record<string, Record<string, string>> = {
  hexagon: { width: 'Between opposite sides' },
  cup: { diameter: 'Diameter of the rim' },
}
const labelOf = (key: string) => own[props.solid.solid]?.[key] ?? labels[key]
const units = ['1', '1.25', '1.5', '1.75', '2', '2.25']
const lengths = computed(
  () => Object.entries(props.solid).filter(([key]) => key in labels) as [string, number][],
)
const change = (key: string, value: number | undefined) =>
  props.take({ ...props.solid, [key]: value ?? 0 } as Solid)
</script>

<template>
  <SelectField
    label="Shape"
    :options="solidNames"
    :value="solid.solid"
    @choose="take(startingSolid($event))"
  />
  <SegmentField
    v-if="solid.solid === 'keycap'"
    above
    label="Units wide"
    :options="units"
    :value="String(solid.units)"
    @choose="take({ ...solid, units: Number($event) } as Solid)"
  />
  <QuantityField
    v-for="[key, value] in lengths"
    :key="`${solid.solid}-${key}`"
    :label="labelOf(key)"
    kind="length"
    :value="value"
    :take="(length) => change(key, length)"
  />
  <CountField
    v-if="solid.solid === 'drop'"
    label="Facets around"
    :value="solid.facets"
    :take="(facets) => take({ ...solid, facets } as Solid)"
  />
  <ProfileFields
    v-if="solid.solid === 'lathe'"
    :profile="solid.profile"
    :take="(profile) => take({ solid: 'lathe', profile })"
  />
</template>
