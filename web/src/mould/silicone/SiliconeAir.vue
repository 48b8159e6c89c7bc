<script setup lang="ts">
import { computed } from 'vue'
import { usualVessel } from '@mivro/core/matter/air'
import { mixDensity } from '@mivro/core/matter/mix'
import { saySiliconeAir } from '@mivro/words/air'
import { useLatest } from '../../project/useLatest.ts'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { askSiliconeAir } from '../../work/pool.ts'

/** The air that stays in the silicone of this mould, by what is done against it. */
const project = useProject()
const studio = useStudio()
let asked = ''
const question = computed<Parameters<typeof askSiliconeAir>[0] | undefined>((before) => {
  const { mould, silicone, compiledMould: compiled, survey } = project
  if (!mould || !silicone || !compiled?.box || !survey) return undefined
  const { viscosity, potLife, demould, ratio } = silicone
  const vessel = studio.studio.vessel ?? usualVessel
  const next = {
    poured: {
      viscosity,
      potLife,
      demould,
      density: mixDensity(ratio, silicone),
      volume: compiled.room.net,
      depth: compiled.box.height,
      copied: survey.measures.area * mould.cavities,
    },
    done: {
      vacuum: mould.vessel === undefined ? undefined : vessel.gauge,
      pressure: mould.pressure,
    },
  }
  const key = JSON.stringify(next)
  if (key === asked) return before
  asked = key
  return next
})
const { answer } = useLatest(() => question.value, askSiliconeAir)
</script>

<template>
  <p v-if="answer && question" class="small quiet" data-air="silicone">
    {{ saySiliconeAir(answer, question.done) }}
  </p>
</template>
