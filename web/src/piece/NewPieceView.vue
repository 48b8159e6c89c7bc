<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { ElAlert, ElButton, ElInput, ElUpload } from 'element-plus'
import type { UploadFile } from 'element-plus'
import { useRouter } from 'vue-router'
import { Upload } from 'lucide-vue-next'
import { readDocument } from '@mivro/core/base/document'
import { formSchema, pieceSchema } from '@mivro/core/form/piece'
import { compile, newPlan } from '@mivro/core/work/plan'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { fileUnits, type FileUnit } from '@mivro/core/form/mesh'
import { show } from '@mivro/core/base/units'
import { sayInRed } from '@mivro/words/problem'
import { sayLikelyUnits } from '@mivro/words/fileFaults'
import { stepWords } from '@mivro/words/steps'
import { api, newId } from '../api/client.ts'
import Cutaway from '../cutaway/Cutaway.vue'
import SolidView from '../solid/SolidView.vue'
import FieldRow from '../ui/FieldRow.vue'
import FirstSteps from '../project/FirstSteps.vue'
import { useStudio } from '../project/studioStore.ts'
import { provideRefusals } from '../ui/refusals.ts'
import Says from '../ui/Says.vue'
import type { Choice } from '../ui/choices.ts'
import SegmentField from '../ui/SegmentField.vue'
import MeasuredFields from './MeasuredFields.vue'
import OutlineFields from './OutlineFields.vue'
import ShapeFacts from './ShapeFacts.vue'
import OutlineAbove from './OutlineAbove.vue'
import SolidFields from './SolidFields.vue'
import { clearDraft, useNewPieceDraft } from './newPieceDraft.ts'
import { useNewForm } from './useNewForm.ts'

const router = useRouter()
const studio = useStudio()
const draft = useNewPieceDraft()
const name = computed({
  get: () => draft.value.name,
  set: (value) => void (draft.value = { ...draft.value, name: value }),
})
const nameProblem = shallowRef<Problem>()
const made = reactive(useNewForm(draft))

const preview = computed(() => {
  if (!made.survey) return undefined
  const plan = newPlan('preview')
  return { plan, compiled: compile(plan, made.survey.curve, new Map()) }
})

const units = computed((): Choice<FileUnit>[] => {
  const longest = made.report?.suggestion.longest ?? 0
  return (['mm', 'cm', 'in', 'm'] as const).map((value) => ({
    value,
    label: value,
    hint: `${show(longest * fileUnits[value], 'length', studio.units)} long`,
  }))
})

/** What has to be said before the piece can be made. */
const missing = computed(() => {
  if (made.problem || made.step) return ''
  if (!made.file) return 'Choose a file to make the piece from.'
  return made.unit || made.outline
    ? ''
    : 'Say which unit the file means, then the piece can be made.'
})

/** Asked twice, the same piece is made once; one that was changed meanwhile is another. */
let ids = { of: '', piece: '', plan: '' }
function idsFor(piece: object): typeof ids {
  const of = JSON.stringify(piece)
  if (ids.of !== of) ids = { of, piece: newId(), plan: newId() }
  return ids
}
const making = ref(false)
const refusals = provideRefusals()
/** Fields in red whose last good value nobody meant. */
const refused = ref<string[]>([])
watch(refusals, () => (refused.value = []))

async function make(): Promise<void> {
  if (making.value) return
  refused.value = [...refusals.keys()]
  if (refused.value.length > 0) return
  making.value = true
  try {
    nameProblem.value = undefined
    let shape = readDocument(formSchema, made.form)
    const piece = { name: name.value, form: shape, note: '' }
    readDocument(pieceSchema, piece)
    if (shape.from === 'file') {
      made.step = 'keep'
      const { id } = await api.uploadMesh(made.file!)
      shape = { ...shape, mesh: id }
    }
    const whole = { ...piece, form: shape }
    const own = idsFor(whole)
    const kept = await api.add('pieces', own.piece, whole)
    const plan = { ...newPlan('First pour'), scaleStep: studio.studio.scaleStep }
    await api.add('plans', own.plan, plan, kept.id)
    clearDraft(draft)
    await router.push(`/pieces/${kept.id}/pour`)
  } catch (error) {
    const [first] = problemsOf(error)
    if (first.path === 'name') nameProblem.value = first
    else made.refuse(first)
  } finally {
    made.step = undefined
    making.value = false
  }
}
</script>

<template>
  <div class="page">
    <h1>New piece</h1>
    <div class="split">
      <section class="backlit" aria-label="The shape">
        <div v-if="made.survey && preview && made.form" class="views">
          <div class="flat">
            <OutlineAbove
              v-if="made.form.from === 'outline'"
              :loops="made.form.outline.loops"
              class="drawn"
            />
            <div class="view">
              <Cutaway
                still
                :section="made.survey.section"
                :curve="made.survey.curve"
                :plan="preview.plan"
                :compiled="preview.compiled"
              />
            </div>
          </div>
          <SolidView v-if="made.form.from !== 'measured'" :form="made.form" />
        </div>
        <ElUpload
          v-else-if="made.from === 'file'"
          drag
          class="drop"
          :auto-upload="false"
          :show-file-list="false"
          :on-change="({ raw }: UploadFile) => made.choose(raw)"
        >
          <Upload :size="26" :stroke-width="1.5" aria-hidden="true" />
          <b>{{ made.file ? 'Drop another file here' : 'Choose a file, or drop it here' }}</b>
          <span class="quiet"
            >STL, OBJ, PLY or 3MF up to 200 MB, or an outline as SVG. It stays on this
            machine.</span
          >
        </ElUpload>
        <p v-if="made.step" class="step" role="status">
          {{ stepWords[made.step] }} …
          <ElButton link type="primary" @click="made.stop">Stop</ElButton>
        </p>
      </section>
      <aside class="panel beside" aria-label="The new piece">
        <FirstSteps :done="0" />
        <SegmentField
          above
          label="Source of the shape"
          :options="{ file: 'A file', sizes: 'Dimensions', measured: 'Measured' }"
          :value="made.from"
          @choose="made.from = $event"
        />
        <FieldRow v-slot="{ said }" above label="Name" :problem="nameProblem">
          <ElInput
            v-model="name"
            placeholder="Such as Comet drop, small"
            autocomplete="off"
            v-bind="said"
          />
        </FieldRow>
        <SolidFields v-if="made.from === 'sizes'" :solid="made.solid" :take="made.takeSolid" />
        <MeasuredFields
          v-else-if="made.from === 'measured'"
          :form="made.measured"
          :take="made.takeMeasured"
        />
        <template v-else-if="made.outline">
          <p class="row">
            <span class="quiet small">Drawing</span><b>{{ made.file?.name }}</b>
          </p>
          <OutlineFields :outline="made.outline" :take="made.takeOutline" />
        </template>
        <template v-else-if="made.report">
          <p class="row">
            <span class="quiet small">File</span><b>{{ made.file?.name }}</b>
          </p>
          <p v-if="made.report.named" class="small quiet">
            The file itself says that it is in {{ made.report.named }}.
          </p>
          <template v-else>
            <SegmentField
              above
              label="One unit in the file is"
              :options="units"
              :value="made.unit ?? ''"
              @choose="made.unit = $event"
            />
            <p class="small quiet">
              <template v-if="made.report.suggestion.doubtful && !made.unit">
                {{ made.report.kind.toUpperCase() }} names no unit, and in millimetres this would be
                {{ show(made.report.suggestion.longest * fileUnits.mm, 'length', studio.units) }}
                long. {{ sayLikelyUnits(made.report.suggestion.likely) }}
              </template>
              <template v-else>
                {{ made.report.kind.toUpperCase() }} names no unit. Taken as {{ made.unit }}, it is
                as long as the size below says: change it if that is wrong.
              </template>
            </p>
          </template>
        </template>
        <Says :problem="made.problem" />
        <ShapeFacts v-if="made.survey" :survey="made.survey" />
        <ElButton v-if="made.from === 'file' && made.file && !made.step" @click="made.clear">
          Choose another file
        </ElButton>
        <div v-if="made.survey" class="foot">
          <ElAlert v-if="refused.length > 0" type="error" :closable="false">
            {{ sayInRed(refused) }}
          </ElAlert>
          <ElButton type="primary" @click="make">Create piece</ElButton>
        </div>
        <p v-else-if="missing" class="quiet">{{ missing }}</p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.flat {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.drawn {
  position: relative;
  flex: 1;
  min-height: 0;
}

.drop {
  position: absolute;
  inset: 20px;
}

.drop :deep(.el-upload),
.drop :deep(.el-upload-dragger) {
  width: 100%;
  height: 100%;
}

.drop :deep(.el-upload-dragger) {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 8px;
  border-radius: var(--r-large);
  background: transparent;
  font-size: var(--size-lead);
}

/* In reach however long the panel is. */
.foot {
  position: sticky;
  bottom: -14px;
  display: grid;
  gap: 10px;
  margin: 0 -16px -14px;
  padding: 10px 16px 14px;
  border-top: 1px solid var(--line-2);
  background: var(--panel);
}

.step {
  position: absolute;
  inset: auto 0 24px;
  text-align: center;
  color: var(--ink-2);
}
</style>
