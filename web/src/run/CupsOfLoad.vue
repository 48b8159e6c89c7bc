<script setup lang="ts">
import { computed } from 'vue'
import { cupsSoldIn, displayStep } from '@mivro/core/matter/mix'
import { weighingOf, type TimedLoad } from '@mivro/core/work/run'
import { figure, scaleUnits, show, showCup } from '@mivro/core/base/units'
import { nameOfPoured } from '@mivro/words/run'
import { useStudio } from '../project/studioStore.ts'

/** What goes into each cup of a load, part by part. */
const props = defineProps<{ load: TimedLoad }>()
const studio = useStudio()
const cups = computed(() =>
  props.load.mixes.map((mix) => {
    const { step } = mix.moulds[0].pour
    const scale = scaleUnits(step, studio.units)
    const { steps, cupSize } = weighingOf(mix, props.load, cupsSoldIn(studio.units))
    return {
      moulds: mix.moulds.length,
      layer: nameOfPoured(mix.moulds[0].pour.layers[mix.layer]),
      cup: showCup(cupSize, studio.units),
      volume: show(mix.volume, 'volume', studio.units),
      parts: steps.map(({ key, name, mass, reading }) => ({
        key,
        name,
        mass: `${figure(mass, 'mass', scale, { step: displayStep(mass, step) })} ${scale.mass}`,
        reading: figure(reading, 'mass', scale, { step }),
      })),
    }
  }),
)
</script>

<template>
  <div>
    <h2>{{ cups.length > 1 ? 'The cups' : 'The cup' }}</h2>
    <ul>
      <li v-for="(cup, i) in cups" :key="i">
        <span class="what">
          <b>Cup {{ i + 1 }}</b>
          <span class="quiet small">
            {{ cup.layer }}, {{ cup.moulds }} {{ cup.moulds === 1 ? 'mould' : 'moulds' }},
            {{ cup.volume }} in {{ cup.cup }}
          </span>
        </span>
        <span v-for="part in cup.parts" :key="part.key" class="part">
          <span class="quiet small">{{ part.name }}</span>
          <b>{{ part.mass }}</b>
          <span class="quiet small">shows {{ part.reading }}</span>
        </span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 24px;
  padding: 7px 0;
  border-bottom: 1px solid var(--line-2);
}

.what {
  display: flex;
  flex-direction: column;
  flex: 1 0 100%;
}

.part {
  display: flex;
  align-items: baseline;
  gap: 7px;
}

.part b {
  font: 650 var(--size-lead) var(--num);
}
</style>
