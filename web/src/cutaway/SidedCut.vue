<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Section } from '@mivro/core/form/filling'
import type { CompiledPlan } from '@mivro/core/work/plan'
import Bands from './Bands.vue'
import { frameForCard, outlinePath } from './frame.ts'

/**
 * The cut alone with its layers, and which side is up; what is drawn in it, or instead of its
 * bands, comes by its slots. The drawing takes the room that its box has and never makes it.
 */
const props = defineProps<{
  section: Section
  compiled: CompiledPlan
  selected?: string
  /** What it shows, for whoever does not see it. */
  label?: string
}>()
const emit = defineEmits<{ select: [id: string] }>()
const box = ref<HTMLElement>()
const { width, height } = useElementSize(box, { width: 280, height: 400 })
/** Above and below the piece stands which side is up, px. */
const above = 20
const frame = computed(() => frameForCard(props.section, width.value, height.value - 2 * above))
const path = computed(() => outlinePath(props.section, frame.value))
const sides = computed(() =>
  props.compiled.into.mould === 'open'
    ? { top: 'Back, poured last', bottom: 'Face, poured first' }
    : { top: 'Up', bottom: 'Lowest, poured first' },
)
</script>

<template>
  <div ref="box" class="side drawn-in">
    <svg
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      :role="label ? 'img' : undefined"
      :aria-label="label"
    >
      <g :transform="`translate(0 ${above})`">
        <path :d="path" fill="var(--panel)" fill-rule="evenodd" />
        <slot name="layers" :frame="frame" :path="path">
          <Bands
            :layers="compiled.layers"
            :frame="frame"
            :path="path"
            :selected="selected"
            @select="emit('select', $event)"
          >
            <slot name="within" :frame="frame" :width="width" />
          </Bands>
        </slot>
        <path :d="path" class="cut-outline" />
        <slot :frame="frame" />
      </g>
      <text class="cut-side" :x="width / 2" y="14">{{ sides.top }}</text>
      <text class="cut-side" :x="width / 2" :y="height - 6">{{ sides.bottom }}</text>
    </svg>
  </div>
</template>

<style scoped>
svg {
  position: absolute;
  inset: 0;
}
</style>
