<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { PouredLook } from '@mivro/core/work/plan'
import { lookOfPour, standsAs, thingsToSee, upsideDown, usualLift } from '@mivro/core/work/plan'
import LookView from '../../light/LookView.vue'
import { useProject } from '../../project/projectStore.ts'
import { useArrangement } from '../../project/useArrangement.ts'
import ColourSection from './ColourSection.vue'

/** Colours from the side, and the finished piece beside them. */
defineProps<{ selected?: string }>()
const emit = defineEmits<{ select: [id: string] }>()
const project = useProject()
const form = computed(() => project.piece!.document.form)

const seen = ref({ turn: 0.4, lift: usualLift(project.compiled!) })

/** Turned over by the person. */
const turned = ref(false)
const stands = computed(() => {
  const usual = standsAs(form.value, project.plan!, project.compiled!.into.mould)
  return turned.value ? upsideDown(usual) : usual
})

/** What is set in, as soon as it is known where. */
const { arrangement } = useArrangement(() => ({
  form: form.value,
  plan: project.plan!,
  compiled: project.compiled!,
}))
const things = computed(() =>
  arrangement.value ? thingsToSee(project.plan!, arrangement.value) : [],
)

/** What changes nothing that is seen asks for no new picture. */
const poured = shallowRef<PouredLook>()
let shown = ''
watch(
  () => lookOfPour(project.plan!, project.compiled!, stands.value, things.value),
  (look) => {
    const key = JSON.stringify(look)
    if (key === shown) return
    shown = key
    poured.value = look
  },
  { immediate: true },
)
</script>

<template>
  <div class="colours">
    <ColourSection
      :section="project.survey!.section"
      :curve="project.survey!.curve"
      :compiled="project.compiled!"
      :selected="selected"
      @select="emit('select', $event)"
    />
    <LookView
      v-if="poured"
      v-model:seen="seen"
      :form="form"
      :poured="poured"
      :name="project.piece!.document.name"
      :moving="project.previewing"
      label="The finished piece; drag it or press arrows to turn it"
      @turn-over="turned = !turned"
    />
  </div>
</template>

<style scoped>
.colours {
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 14px;
  padding: 10px 14px 12px;
}

@media (max-width: 640px) {
  .colours {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 200px minmax(280px, 1fr);
  }
}
</style>
