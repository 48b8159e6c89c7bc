<script setup lang="ts">
import { computed } from 'vue'
import { sideStep } from '@mivro/core/mould'
import { show } from '@mivro/core/base/units'
import { saySeam, sideWords } from '@mivro/words/seam'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import Origin from '../../ui/Origin.vue'
import ProblemNote from '../../ui/ProblemNote.vue'
import SelectField from '../../ui/SelectField.vue'
import CutExport from './CutExport.vue'
import { useSeam } from './seamStore.ts'

/** Where a block is cut: which side is its face, how long the cut is, and whether the piece comes out. */
const project = useProject()
const studio = useStudio()
const seam = useSeam()

const faces = computed(() => {
  const turn = Math.round((project.mould!.faces ?? 0) / sideStep)
  return String((turn + sideWords.length) % sideWords.length)
})
const sides = sideWords.map((label, i) => ({ value: String(i), label }))
const look = (side: string) => project.changeMould({ faces: Number(side) * sideStep })
const length = (x: number) => show(x, 'length', studio.units)
const said = computed(() => {
  const { found, side, hardness, needed } = seam
  if (!found || side === undefined) return ''
  const gated = project.mould!.openings.some(({ what }) => what === 'gate')
  return saySeam({ side, length: found.length, hardness, needed, gated }, studio.units)
})
/** The same in softer and in harder silicone, beside the one that is chosen. */
const others = computed(() =>
  [15, 30, 40]
    .filter((shore) => shore !== seam.hardness)
    .map((shore) => ({ shore, needed: seam.neededAt(shore) })),
)
const origin = [
  'The cheapest line over the skin from gate to foot: its length counts up to nine times where it is seen from the front, and less along a crease.',
  'A slit lets a girth pass that is twice as long as it, stretched: by half at 30A, a quarter at 40A, as long again at 15A (common practice, no source).',
]
</script>

<template>
  <h3 class="row">The cut <Origin of="the cut" :lines="origin" /></h3>
  <SelectField label="Its face looks to the" :options="sides" :value="faces" @choose="look" />
  <ProblemNote v-for="problem in seam.problems" :key="problem.code" :problem="problem" />
  <p v-if="seam.none" class="note">
    No line leads over the skin from the gate to the foot: the piece lies in several parts. Cut each
    of them free by itself, or make two halves.
  </p>
  <p v-else-if="!seam.found && seam.problems.length === 0" class="quiet small" role="status">
    Looking for a hidden line …
  </p>
  <template v-else-if="seam.found">
    <p :class="seam.needed === undefined ? 'note' : ''" data-seam>{{ said }}</p>
    <dl>
      <div v-for="{ shore, needed } in others" :key="shore">
        <dt>In silicone of {{ shore }}A</dt>
        <dd class="num">{{ needed === undefined ? 'not at all' : length(needed) }}</dd>
      </div>
    </dl>
    <p class="quiet small">
      Wave outside, straight and square to the skin for the last 3 to 5 mm. Stop where the red line
      stops; try whether it comes; then lengthen it. A flag of tape along it is
      {{ length(seam.needed ?? seam.found.length) }} long.
    </p>
    <CutExport />
  </template>
</template>

<style scoped>
h3 {
  gap: 6px;
  justify-content: flex-start;
}

.note {
  padding: 8px 12px;
  border-left: 3px solid var(--honey);
  background: var(--amber-soft);
  color: var(--amber-ink);
}

dl div {
  display: flex;
  justify-content: space-between;
  padding: 2px 0;
}

dt {
  color: var(--ink-2);
}
</style>
