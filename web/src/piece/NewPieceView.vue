<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { Upload } from 'lucide-vue-next'
import { readDocument } from '@mivro/core/document'
import { formSchema, pieceSchema, type Form } from '@mivro/core/piece'
import { newPlan } from '@mivro/core/plan'
import { Problem, problemsOf } from '@mivro/core/problem'
import { compile } from '@mivro/core/plan'
import { fileUnits, largestFile, solidSchema, type FileUnit, type Solid } from '@mivro/core/shape'
import { show } from '@mivro/core/units'
import { api, newId } from '../api/client.ts'
import Cutaway from '../cutaway/Cutaway.vue'
import { useStudio } from '../studio/studioStore.ts'
import Says from '../ui/Says.vue'
import SegmentField from '../ui/SegmentField.vue'
import { askSurvey, cancelWork, inspectFile } from '../work/pool.ts'
import { pendingMesh, type Survey, type SurveyStep } from '../work/survey.ts'
import type { FileReport } from '../work/worker.ts'
import ShapeFacts from './ShapeFacts.vue'
import SolidFields from './SolidFields.vue'
import { startingSolid } from './startingSolids.ts'

const router = useRouter()
const studio = useStudio()

const from = ref<Form['from']>('file')
const name = ref('')
const solid = shallowRef<Solid>(startingSolid('slab'))
const file = shallowRef<File>()
const report = shallowRef<FileReport>()
const unit = ref<FileUnit>()

const survey = shallowRef<Survey>()
const step = ref<SurveyStep | 'Reading triangles' | 'Keeping the file'>()
const problem = shallowRef<Problem>()
const nameProblem = shallowRef<Problem>()
const over = ref(false)

const form = computed<Form | undefined>(() => {
  if (from.value === 'sizes') return { from: 'sizes', solid: solid.value }
  if (!file.value || !report.value || !unit.value) return undefined
  return { from: 'file', mesh: pendingMesh, fileName: file.value.name, unit: unit.value }
})

watch(
  form,
  async (asked) => {
    survey.value = undefined
    if (!asked) return
    try {
      problem.value = undefined
      const found = await askSurvey(
        { form: asked, up: [0, 0, 1], turn: 0 },
        { onStep: (now) => (step.value = now) },
      )
      if (form.value === asked) survey.value = found
    } catch (error) {
      problem.value = problemsOf(error)[0]
    } finally {
      step.value = undefined
    }
  },
  { immediate: true },
)

const preview = computed(() => {
  if (!survey.value) return undefined
  const plan = newPlan('preview')
  return { plan, compiled: compile(plan, survey.value.curve, new Map()) }
})

async function choose(chosen: File | undefined): Promise<void> {
  if (!chosen) return
  file.value = chosen
  report.value = unit.value = problem.value = undefined
  if (name.value === '') name.value = chosen.name.replace(/\.stl$/i, '').replace(/[-_]+/g, ' ')
  try {
    if (chosen.size > largestFile) {
      throw new Problem('file-too-large', { bytes: chosen.size, limit: largestFile })
    }
    step.value = 'Reading triangles'
    const found = await inspectFile(chosen)
    if (file.value !== chosen) return
    report.value = found
    // Only a size that leaves no doubt is taken; otherwise the person says it.
    unit.value = found.suggestion.doubtful ? undefined : found.suggestion.unit
  } catch (error) {
    problem.value = problemsOf(error)[0]
  } finally {
    step.value = undefined
  }
}

function stop(): void {
  cancelWork()
  step.value = undefined
  file.value = undefined
}

const units = computed(() => {
  const longest = report.value?.suggestion.longest ?? 0
  return (['mm', 'cm', 'in', 'm'] as const).map((value) => ({
    value,
    label: value,
    hint: `${show(longest * fileUnits[value], 'length', studio.units)} long`,
  }))
})

function takeSolid(next: Solid): Problem | undefined {
  try {
    solid.value = readDocument(solidSchema, next)
    return undefined
  } catch (error) {
    return problemsOf(error)[0]
  }
}

/** What has to be said before the piece can be made. */
const missing = computed(() => {
  if (problem.value || step.value) return ''
  if (!file.value) return 'Choose a file to make the piece from.'
  return unit.value ? '' : 'Say which unit the file means, then the piece can be made.'
})

async function make(): Promise<void> {
  try {
    nameProblem.value = undefined
    let shape = readDocument(formSchema, form.value)
    const piece = { name: name.value, form: shape, note: '' }
    readDocument(pieceSchema, piece)
    if (shape.from === 'file') {
      step.value = 'Keeping the file'
      const { id } = await api.uploadMesh(file.value!)
      shape = { ...shape, mesh: id }
    }
    const made = await api.add('pieces', newId(), { ...piece, form: shape })
    const plan = { ...newPlan('First pour'), scaleStep: studio.studio.scaleStep }
    await api.add('plans', newId(), plan, made.id)
    await router.push(`/pieces/${made.id}/pour`)
  } catch (error) {
    const [first] = problemsOf(error)
    if (first.path === 'name') nameProblem.value = first
    else problem.value = first
  } finally {
    step.value = undefined
  }
}
</script>

<template>
  <div class="new">
    <h1>New piece</h1>
    <div class="columns">
      <section class="backlit" aria-label="The shape, cut open">
        <Cutaway
          v-if="survey && preview"
          still
          :section="survey.section"
          :curve="survey.curve"
          :plan="preview.plan"
          :compiled="preview.compiled"
        />
        <label
          v-else-if="from === 'file'"
          class="drop"
          :class="{ over }"
          @dragover.prevent="over = true"
          @dragleave="over = false"
          @drop.prevent="((over = false), choose($event.dataTransfer?.files[0]))"
        >
          <input
            class="visually-hidden"
            type="file"
            accept=".stl,model/stl"
            @change="choose(($event.target as HTMLInputElement).files?.[0])"
          />
          <Upload :size="26" :stroke-width="1.5" aria-hidden="true" />
          <b>{{ file ? 'Choose another STL file' : 'Choose an STL file, or drop it here' }}</b>
          <span class="quiet">Binary or text, up to 200 MB. It stays on this machine.</span>
        </label>
        <p v-if="step" class="step" role="status">
          {{ step }} … <button type="button" class="btn plain" @click="stop">Stop</button>
        </p>
      </section>
      <aside class="panel beside" aria-label="The new piece">
        <SegmentField
          above
          label="Where the shape comes from"
          :options="[
            { value: 'file', label: 'A file' },
            { value: 'sizes', label: 'Its sizes' },
          ]"
          :value="from"
          @choose="from = $event as Form['from']"
        />
        <div class="name">
          <label for="piece-name" class="quiet small">Name</label>
          <input
            id="piece-name"
            v-model="name"
            type="text"
            placeholder="Such as Comet drop, small"
            autocomplete="off"
          />
          <Says :problem="nameProblem" />
        </div>
        <SolidFields v-if="from === 'sizes'" :solid="solid" :take="takeSolid" />
        <template v-else-if="report">
          <p class="row">
            <span class="quiet small">File</span><b>{{ file?.name }}</b>
          </p>
          <SegmentField
            above
            label="One unit in the file is"
            :options="units"
            :value="unit ?? ''"
            @choose="unit = $event as FileUnit"
          />
          <p class="small quiet">
            <template v-if="report.suggestion.doubtful">
              STL names no unit, and in millimetres this would be
              {{ show(report.suggestion.longest * fileUnits.mm, 'length', studio.units) }} long. It
              looks like <b>{{ report.suggestion.unit }}</b>: please choose.
            </template>
            <template v-else>
              STL names no unit. In {{ unit }} it is as long as the size below says: change it if
              that is wrong.
            </template>
          </p>
        </template>
        <Says :problem="problem" />
        <ShapeFacts v-if="survey" :survey="survey" />
        <button
          v-if="from === 'file' && file && !step"
          type="button"
          class="btn ghost"
          @click="((file = undefined), (report = undefined))"
        >
          Choose another file
        </button>
        <button v-if="survey" type="button" class="btn" @click="make">Make the piece</button>
        <p v-else-if="missing" class="quiet">{{ missing }}</p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.new {
  height: 100%;
  display: grid;
  grid-template-rows: 58px minmax(0, 1fr);
}

h1 {
  align-self: center;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 372px;
  gap: 14px;
  min-height: 0;
}

.drop {
  position: absolute;
  inset: 0;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 8px;
  margin: 20px;
  border: 1.5px dashed var(--edge);
  border-radius: var(--r-large);
  color: var(--ink);
  font-size: 15px;
  cursor: pointer;
}

.drop:hover,
.drop.over,
.drop:focus-within {
  border-color: var(--teal);
  background: #ffffff90;
}

.step {
  position: absolute;
  inset: auto 0 24px;
  text-align: center;
  color: var(--ink-2);
}

.name {
  display: flex;
  flex-direction: column;
  gap: 4px;
}

.name input {
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 8px 10px;
}
</style>
