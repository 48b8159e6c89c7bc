<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElProgress, ElSlider } from 'element-plus'
import { Pause, Play, Plus } from 'lucide-vue-next'
import type { Caution } from '@mivro/core/base/caution'
import { whereBeside } from '@mivro/core/form/filling'
import { type Vec3 } from '@mivro/core/form/mesh'
import { show, showTiny, showAngle } from '@mivro/core/base/units'
import { sayWhere } from '@mivro/words/air'
import { heldWords } from '@mivro/words/held'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import CautionNote from '../../ui/CautionNote.vue'
import CautionNotes from '../../ui/CautionNotes.vue'
import Origin from '../../ui/Origin.vue'
import ProblemNote from '../../ui/ProblemNote.vue'
import SegmentField from '../../ui/SegmentField.vue'
import OpeningRow from './OpeningRow.vue'
import type { Fix } from '../../ui/fix.ts'
import { useMouldFixes } from '../useMouldFixes.ts'
import { useAir } from './useAir.ts'

const project = useProject()
const air = useAir()
const studio = useStudio()

const resin = computed(() => project.poured === 'resin')
/** A master that was only measured has no shape to follow air in. */
const guess = computed(() => project.survey?.cautions.find(({ code }) => code === 'shape-measured'))
const pockets = computed(() => project.air?.pockets ?? [])
const staying = computed(() => project.airLeft.reduce((sum, { volume }) => sum + volume, 0))
const tall = computed(() => project.survey?.section.height ?? 0)
const holding = computed(() => project.into?.held)
/** Where a pocket's top lies, as one stands before the cut. */
const whereabouts = (at: Vec3) => sayWhere(whereBeside(project.survey!.section, at))

const held = computed(() => project.into?.gate ?? 0)
const level = computed({
  get: () => Math.round((air.level ?? 1) * 100),
  set: (percent) => air.stand(percent >= 100 ? undefined : percent / 100),
})
const about = computed(() =>
  project.judged
    .map(({ caution }) => caution)
    .filter(({ code }) =>
      [
        'no-gate',
        'vent-below-gate',
        'opening-through-piece',
        'opening-over-edge',
        'gate-narrow',
        'inclusion-over-gate',
        'ceiling-level',
        'air-never-filled',
      ].includes(code),
    ),
)
/** Nothing gets in yet: what would fill is not known. */
const shut = computed(() => about.value.some(({ code }) => code === 'no-gate'))
const mouldFixes = useMouldFixes()
/** What one click can do; an opening that lies below is carried up to where the top is now. */
function fixesOf(caution: Caution): Fix[] {
  const { highest } = project.air ?? {}
  if (caution.code !== 'opening-through-piece' || !highest) return mouldFixes(caution)
  const id = caution.place.field!.replace('openings.', '')
  return [
    { words: 'Move it to the top', take: () => air.move(id, highest) },
    { words: 'Delete it', take: () => air.takeOut(id) },
  ]
}
const slant = computed(() => project.compiled?.cautions.find(({ code }) => code === 'layers-slant'))
/** Parts finer than the grid were not seen, and their air neither. */
const unseen = computed(() => project.air && Math.abs(project.air.seen - 1) > 0.08)

const origin = [
  'Filled slowly from the gate, air leaves by gate and vents only. As the resin rises, air above it is let out until its last way closes: what lies above that height stays.',
  'Found in cells of 1/128 of the longest side, 26 neighbours; volumes are then computed from the surface itself.',
  'Pockets lower than one and a half cells or under 0.5 mm³ are noise and left out. Surface tension, thick resin and stuck films are not in it.',
]
</script>

<template>
  <div class="row">
    <h2>
      {{ resin ? 'Where air stays' : 'Air under the silicone' }}
      <Origin of="this" :lines="origin" />
    </h2>
    <b class="num" :class="staying > 0 ? 'bad' : 'good'">{{
      staying > 0 ? showTiny(staying, studio.units) : project.air && !guess ? 'none' : ''
    }}</b>
  </div>
  <SegmentField
    label="What is poured"
    :options="{ resin: 'Resin in it', silicone: 'Silicone over it' }"
    :value="project.poured"
    @choose="project.pourIn($event)"
  />
  <ProblemNote
    v-if="project.airProblem && !project.airProblem.path"
    :problem="project.airProblem"
  />

  <CautionNote v-if="guess" :caution="guess" />
  <ul v-if="pockets.length > 0" class="pockets" data-list="pockets">
    <li v-for="(pocket, i) in pockets" :key="i" :class="{ done: pocket.prefilled }">
      <div>
        <span>
          <b class="num">{{ showTiny(pocket.volume, studio.units) }}</b>
          {{ whereabouts(pocket.top) }}
        </span>
        <span class="quiet small">
          {{
            pocket.neverFilled
              ? 'no way in at all'
              : `shut in when it stands at ${show(pocket.saddle, 'length', studio.units)}`
          }}
        </span>
      </div>
      <span v-if="pocket.prefilled" class="quiet small">prefilled</span>
      <span v-else-if="resin" class="ways">
        <ElButton link type="primary" @click="air.add('vent', pocket.top)"> Vent it </ElButton>
        <ElButton link type="primary" @click="air.prefill(pocket.top)">Prefill</ElButton>
      </span>
      <span v-else class="quiet small">brush it in first</span>
    </li>
  </ul>
  <p v-else-if="project.air && !guess && !shut" class="quiet">
    {{
      resin ? 'All of it fills: every way up ends in an opening.' : 'Silicone gets under all of it.'
    }}
  </p>
  <p v-if="unseen" class="small quiet">
    Some parts are finer than {{ show(project.air!.cell, 'length', studio.units) }}, and air in them
    can't be seen here.
  </p>

  <template v-if="resin">
    <div class="row">
      <h3>Gates and vents</h3>
      <span>
        <ElButton
          link
          type="primary"
          :disabled="!project.air"
          @click="air.add('gate', project.air!.highest)"
        >
          <Plus :size="14" aria-hidden="true" />Gate
        </ElButton>
        <ElButton
          link
          type="primary"
          :disabled="!project.air"
          @click="air.add('vent', project.airLeft[0]?.top ?? project.air!.highest)"
        >
          <Plus :size="14" aria-hidden="true" />Vent
        </ElButton>
      </span>
    </div>
    <OpeningRow v-for="opening in air.openings" :key="opening.id" :opening="opening" />
    <p v-if="held > 0 && project.into?.gateBy === 'mould'" class="row small">
      <span class="quiet"
        >Together they keep {{ showTiny(held, studio.units) }} of resin in each copy; the pour
        counts it.</span
      >
    </p>
    <p v-if="(project.mould?.prefills.length ?? 0) > 0" class="row small">
      <span class="quiet">{{ project.mould!.prefills.length }} marked for a prefill</span>
      <ElButton link type="primary" @click="project.changeMould({ prefills: [] })">
        Clear the marks
      </ElButton>
    </p>
    <CautionNotes :of="about" :fixes="fixesOf" />
    <CautionNote v-if="slant" :caution="slant" />

    <h3>Orientation</h3>
    <p v-if="holding" class="quiet small">It is poured {{ heldWords(holding) }}.</p>
    <p v-if="air.progress !== undefined" class="search" role="status">
      <ElProgress :percentage="Math.round(100 * air.progress)" aria-label="Search for a tilt" />
      <span class="small quiet">Trying 260 ways to hold it …</span>
      <ElButton link type="primary" @click="air.stop">Stop</ElButton>
    </p>
    <ElButton v-else @click="air.findTilts"> Find the best tilt with two vents or fewer </ElButton>
    <ProblemNote v-if="air.searchProblem" :problem="air.searchProblem" />
    <ul v-if="air.tilts" class="tilts" data-list="tilts">
      <li v-for="(tilt, i) in air.tilts.slice(0, 3)" :key="i">
        <span>
          <b class="num">{{ showAngle(tilt.angle) }}</b>
          {{
            tilt.vents.length === 0
              ? 'no vent'
              : `${tilt.vents.length} ${tilt.vents.length === 1 ? 'vent' : 'vents'}`
          }}, {{ tilt.left > 0 ? `${showTiny(tilt.left, studio.units)} stays` : 'nothing stays'
          }}{{ tilt.gate ? ', turned over, filled from its new top' : '' }}
        </span>
        <ElButton link type="primary" @click="air.take(tilt)">Apply</ElButton>
      </li>
    </ul>

    <div class="row">
      <h3>Filling</h3>
      <ElButton
        link
        type="primary"
        @click="air.level === undefined ? air.play() : air.stand(undefined)"
      >
        <component :is="air.level === undefined ? Play : Pause" :size="14" aria-hidden="true" />{{
          air.level === undefined ? 'Watch it fill' : 'Full'
        }}
      </ElButton>
    </div>
    <div class="fill">
      <ElSlider v-model="level" :show-tooltip="false" aria-label="How high the resin stands" />
      <span class="num">{{ show((air.level ?? 1) * tall, 'length', studio.units) }}</span>
    </div>
  </template>
</template>

<style scoped>
h2 {
  display: flex;
  align-items: center;
  gap: 6px;
}

.bad {
  color: var(--warn);
}

.good {
  color: var(--ok);
}

ul {
  display: flex;
  flex-direction: column;
}

li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  min-height: 40px;
  border-bottom: 1px solid var(--line-2);
}

.pockets li div {
  display: flex;
  flex-direction: column;
}

.ways {
  white-space: nowrap;
}

.done {
  opacity: 0.75;
}

.search {
  display: grid;
  grid-template-columns: 110px 1fr auto;
  align-items: center;
  gap: 10px;
}

.fill {
  display: grid;
  grid-template-columns: 1fr 70px;
  gap: 10px;
  align-items: center;
  text-align: right;
}
</style>
