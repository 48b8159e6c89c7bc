<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton } from 'element-plus'
import { Box, Scissors } from 'lucide-vue-next'
import type { Form } from '@mivro/core/form/piece'
import type { Vec3 } from '@mivro/core/form/mesh'
import type { Solid } from '@mivro/core/form/shape'
import { stepWords } from '@mivro/words/steps'
import Cutaway from '../cutaway/Cutaway.vue'
import SolidView from '../solid/SolidView.vue'
import SegmentField from '../ui/SegmentField.vue'
import TextField from '../ui/TextField.vue'
import ToolButton from '../ui/ToolButton.vue'
import DirectionFields from './DirectionFields.vue'
import MeasuredFields from './MeasuredFields.vue'
import OutlineFields from './OutlineFields.vue'
import { useProject } from '../project/projectStore.ts'
import ShapeFacts from './ShapeFacts.vue'
import SolidFields from './SolidFields.vue'

const project = useProject()
/** Whether it is shown in 3D; until somebody chose, it is where it has holes to be found. */
const chosen = ref<boolean>()
const solid = computed(() => chosen.value ?? project.survey?.closed === false)
const document = computed(() => project.piece!.document)
const changeForm = (form: Form) => project.changePiece({ ...document.value, form })
const changeUp = (up: Vec3) => project.changePlan({ ...project.plan!, up: [...up] })

/** What can be done about holes: closing them, or taking that back. */
const holes = computed(() => {
  const { form } = document.value
  if (form.from !== 'file') return undefined
  if (form.holes === 'closed') return 'left'
  return project.survey && !project.survey.closed ? 'closed' : undefined
})

const units = [
  { value: 'mm', label: 'mm' },
  { value: 'cm', label: 'cm' },
  { value: 'in', label: 'in' },
  { value: 'm', label: 'm' },
]
</script>

<template>
  <div v-if="project.piece && project.pour" class="split">
    <section class="backlit" aria-label="The shape, cut open">
      <SolidView v-if="solid && document.form.from !== 'measured'" :form="document.form" />
      <Cutaway
        v-else-if="project.survey && project.compiled"
        still
        :section="project.survey.section"
        :curve="project.survey.curve"
        :plan="project.plan!"
        :compiled="project.compiled"
      />
      <div v-if="document.form.from !== 'measured'" class="tools">
        <ToolButton
          :label="solid ? 'Section' : '3D'"
          :tip="solid ? 'Show it cut open' : 'Show it in 3D'"
          :aria-pressed="solid"
          @click="chosen = !solid"
        >
          <component :is="solid ? Scissors : Box" :size="15" aria-hidden="true" />
        </ToolButton>
      </div>
      <p v-if="project.shapeStep" class="step" role="status">
        {{ stepWords[project.shapeStep] }} …
      </p>
    </section>
    <aside class="panel beside" aria-label="The shape">
      <TextField
        bare
        heading
        label="Name of the piece"
        :value="document.name"
        :take="(name) => project.changePiece({ ...document, name })"
      />
      <template v-if="document.form.from === 'sizes'">
        <SolidFields
          :solid="document.form.solid"
          :take="(solid: Solid) => changeForm({ from: 'sizes', solid })"
        />
      </template>
      <MeasuredFields
        v-else-if="document.form.from === 'measured'"
        :form="document.form"
        :take="changeForm"
      />
      <template v-else-if="document.form.from === 'outline'">
        <p class="row">
          <span class="quiet small">From the drawing</span><b>{{ document.form.fileName }}</b>
        </p>
        <OutlineFields
          :outline="document.form.outline"
          :take="(outline) => changeForm({ ...document.form, outline } as Form)"
        />
      </template>
      <template v-else>
        <p class="row">
          <span class="quiet small">From the file</span><b>{{ document.form.fileName }}</b>
        </p>
        <SegmentField
          label="One unit in the file is"
          :options="units"
          :value="document.form.unit"
          @choose="changeForm({ ...document.form, unit: $event } as Form)"
        />
        <ElButton v-if="holes" @click="changeForm({ ...document.form, holes } as Form)">
          {{ holes === 'closed' ? 'Close the holes with a skin' : 'Leave the holes open again' }}
        </ElButton>
      </template>
      <DirectionFields :up="project.plan!.up" :take="changeUp" />
      <ShapeFacts v-if="project.survey" :survey="project.survey" />
      <TextField
        label="Notes"
        :lines="3"
        :value="document.note"
        placeholder="What it is for, how it should look"
        :take="(note) => project.changePiece({ ...document, note })"
      />
    </aside>
  </div>
</template>

<style scoped>
.backlit > .solid {
  height: 100%;
}

.tools {
  position: absolute;
  right: 14px;
  top: 12px;
}

.step {
  position: absolute;
  left: 16px;
  top: 14px;
  color: var(--ink-2);
}
</style>
