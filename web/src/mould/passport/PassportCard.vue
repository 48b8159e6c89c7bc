<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { ElButton } from 'element-plus'
import { FileDown, Printer } from 'lucide-vue-next'
import { type Vec3 } from '@mivro/core/form/mesh'
import { kindLife, mouldKinds, template } from '@mivro/core/mould'
import { mouldKindWords, sayLives, wearStateWords } from '@mivro/words/mouldKind'
import { wearOf } from '@mivro/core/work/pull'
import { show } from '@mivro/core/base/units'
import { checkLineWords } from '@mivro/words/template'
import { heldWords } from '@mivro/words/held'
import { useLives } from '../../project/livesStore.ts'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { showDay } from '../../ui/dates.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import BedExport from '../parting/BedExport.vue'
import CutExport from '../parting/CutExport.vue'
import { useMaking } from '../parting/useMaking.ts'
import { askShell } from '../../work/pool.ts'
import { download, fileName } from '../../ui/download.ts'
import { templatePdf } from '../../ui/templatePdf.ts'
import BeforePull from './BeforePull.vue'
import WearMarks from './WearMarks.vue'
import { usePullsOf } from './usePulls.ts'

const project = useProject()
const studio = useStudio()
const { busy, problems, making } = useMaking()
const { pulls, lastWords } = usePullsOf(() => project.mould)

const document = computed(() => project.mould!)
const facts = computed(() => mouldKinds[document.value.kind])
const name = computed(() => fileName(document.value.name))
const lives = useLives()
onMounted(() => void lives.read())
/** Of its kind, and for this piece where its undercuts are known. */
const expected = computed(() => {
  const { kind } = document.value
  const known = kindLife(kind, document.value, lives.lives)
  const pulls = project.compiledMould?.advice.find((one) => one.kind === kind)?.pulls
  return { ...known, life: pulls ?? known.life }
})
const wear = computed(() =>
  wearOf(
    document.value,
    project.mouldSession?.id ?? '',
    pulls.value.map((pull) => pull.document),
    expected.value,
  ),
)
const count = (what: 'gate' | 'vent') =>
  document.value.openings.filter((opening) => opening.what === what).length
/** Which, and how much of it. */
const silicone = computed(() => {
  if (facts.value.poured === 'none') return 'bought ready'
  const { need } = project.compiledMould ?? {}
  const mass = need && show(need.mass, 'mass', studio.units, { step: 1e-3 })
  return [project.silicone?.name ?? 'not chosen', mass].filter(Boolean).join(', ')
})
const rows = computed(() => [
  ['Kind', mouldKindWords[document.value.kind].label],
  ['Silicone', silicone.value],
  ['Gates and vents', `${count('gate')} and ${count('vent')}`],
  ['Prefills', String(document.value.prefills.length)],
  ...(project.into?.held ? [['Poured', heldWords(project.into.held)]] : []),
  ...(facts.value.poured === 'none' ? [] : [['Bands', String(document.value.liking.bands)]]),
  ['Release, dust', `${document.value.liking.release}, ${document.value.liking.dust}`],
  [
    'Warmth',
    project.into?.warmth === undefined
      ? 'room'
      : `${show(project.into.warmth, 'temperature', studio.units)}${project.into.warmthBy === 'plan' ? ', as this pour has it' : ''}`,
  ],
  ['Keys', document.value.liking.keys || 'none noted'],
  ['Casts so far', String(wear.value.casts)],
  ['Pulls of each mould', `${wear.value.pulls} of about ${wear.value.life}`],
  ['Such moulds give', sayLives(wear.value.band)],
])
const box = computed(() =>
  facts.value.poured === 'block' ? project.compiledMould?.box : undefined,
)
const svg = computed(() =>
  box.value
    ? template(document.value, { ...project.compiledMould!, box: box.value }, checkLineWords)
    : undefined,
)
const asPdf = (drawing: string, what: string) =>
  making('Setting the page', async () => {
    const page = await templatePdf([drawing], `${document.value.name}, ${what}`)
    download(`${name.value}-${what}.pdf`, page, 'application/pdf')
  })
const asSvg = (drawing: string, what: string) =>
  download(`${name.value}-${what}.svg`, drawing, 'image/svg+xml')

const shell = () =>
  making('Building the shell', async () => {
    const made = await askShell({
      form: project.piece!.document.form,
      up: document.value.masterUp as Vec3,
      openings: document.value.openings.map(({ what, at, bore }) => ({ what, at, bore })),
      layer: document.value.layer,
      wall: document.value.shellWall,
      parting: facts.value.poured === 'shell' ? project.compiledMould?.room.parting : undefined,
    })
    download(`${name.value}-lower.stl`, made.lower as BlobPart, 'model/stl')
    download(`${name.value}-upper.stl`, made.upper as BlobPart, 'model/stl')
    shellSilicone.value = made.silicone
  })
const shellSilicone = ref<number>()
</script>

<template>
  <div class="passport">
    <section class="card">
      <header>
        <h2>{{ document.name }}</h2>
        <span class="quiet">Mould record</span>
      </header>
      <dl>
        <div v-for="[label, value] in rows" :key="label">
          <dt>{{ label }}</dt>
          <dd class="num">{{ value }}</dd>
        </div>
      </dl>
      <p v-if="document.nextTime" class="next"><b>Next time.</b> {{ document.nextTime }}</p>
      <p v-if="wear.state !== 'fresh'" class="next">
        <b>{{ wearStateWords[wear.state] }}</b>
        <template v-if="wear.state !== 'ended'">
          {{ wear.pulls }} pulls of each, and about {{ wear.life }} are to be expected: look at fine
          places and the rim of the cut, and make the next one in time.
        </template>
      </p>
      <p v-if="!document.nextTime && lastWords" class="next">
        <b>From the pull of {{ showDay(lastWords.document.pouredAt) }}.</b>
        {{ lastWords.document.nextTime }}
      </p>
    </section>
    <section class="out">
      <h2>Print and export</h2>
      <ElButton
        tag="router-link"
        type="primary"
        :to="{ name: 'mould-sheet', params: { id: project.piece!.id } }"
      >
        <Printer :size="15" aria-hidden="true" />Mould sheet
      </ElButton>
      <p class="small quiet">
        Every step of making it, with what to weigh, the waiting, and what to take care of.
      </p>
      <template v-if="svg">
        <h3>Template of gates and vents, true size</h3>
        <div class="pair">
          <ElButton @click="asPdf(svg, 'template')">
            <FileDown :size="14" aria-hidden="true" />PDF
          </ElButton>
          <ElButton @click="asSvg(svg, 'template')">
            <FileDown :size="14" aria-hidden="true" />SVG
          </ElButton>
        </div>
      </template>
      <CutExport />
      <BedExport />
      <h3 v-if="facts.poured !== 'none'">Shell to print, two halves</h3>
      <ElButton v-if="facts.poured !== 'none'" :disabled="busy !== ''" @click="shell">
        <FileDown :size="14" aria-hidden="true" />STL,
        {{ show(document.layer, 'length', studio.units) }} of silicone,
        {{ show(document.shellWall, 'length', studio.units) }} wall
      </ElButton>
      <p v-if="shellSilicone !== undefined" class="small quiet">
        It takes {{ show(shellSilicone, 'volume', studio.units) }} of silicone around the master.
      </p>
      <p v-if="busy" role="status" class="small quiet">{{ busy }} …</p>
      <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    </section>
    <section v-if="project.mouldSession" class="card wears">
      <WearMarks :session="project.mouldSession" :pulls="wear.pulls" />
    </section>
    <BeforePull v-if="project.mouldSession" :session="project.mouldSession" />
  </div>
</template>

<style scoped>
.passport {
  position: absolute;
  inset: 10px 0 0;
  padding: 14px 24px 24px;
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  grid-auto-rows: max-content;
  gap: 22px;
  align-items: start;
  overflow: auto;
}

.card {
  border: 1px solid var(--line);
  border-radius: var(--r-large);
  background: var(--panel);
  overflow: hidden;
}

.wears {
  grid-column: 1 / 3;
  padding: 14px 18px;
}

.card header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  padding: 14px 18px;
  background: var(--ink);
  color: var(--on-ink);
}

.card header .quiet {
  color: var(--bar-ink-2);
}

dl {
  padding: 6px 18px 10px;
}

dl div {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line-2);
}

dl div:last-child {
  border: 0;
}

dt {
  color: var(--ink-2);
}

dd {
  min-width: 0;
  text-align: right;
  white-space: normal;
}

.next {
  margin: 0 18px 16px;
  padding: 8px 12px;
  border-left: 3px solid var(--honey);
  background: var(--amber-soft);
  color: var(--amber-ink);
}

.out {
  display: flex;
  flex-direction: column;
  align-items: stretch;
  gap: 10px;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
</style>
