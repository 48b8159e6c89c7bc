<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { Timer } from 'lucide-vue-next'
import { safetyFor } from '@mivro/core/base/caution'
import {
  boxShapes,
  mouldKinds,
  rankSilicones,
  siliconeAsks,
  type Box,
  type Candidate,
} from '@mivro/core/mould'
import { saySiliconeAsks, saySiliconeReason } from '@mivro/words/silicone'
import { show, showDuration } from '@mivro/core/base/units'
import { boxWords } from '@mivro/words/box'
import { useMouldBench } from '../useMouldBench.ts'
import { useMouldFixes } from '../useMouldFixes.ts'
import { useProject } from '../../project/projectStore.ts'
import { useShelf } from '../../project/shelfStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import CautionNotes from '../../ui/CautionNotes.vue'
import CountField from '../../ui/CountField.vue'
import { fieldsOf } from '../../ui/fields.ts'
import Fold from '../../ui/Fold.vue'
import SelectField from '../../ui/SelectField.vue'
import ProblemNote from '../../ui/ProblemNote.vue'
import QuantityField from '../../ui/QuantityField.vue'
import SafetyLines from '../../ui/SafetyLines.vue'
import ShelfSelect from '../../ui/ShelfSelect.vue'
import SiliconeAir from './SiliconeAir.vue'
import SiliconeAmounts from './SiliconeAmounts.vue'
import WeighSilicone from './WeighSilicone.vue'

const project = useProject()
const bench = useMouldBench()
const shelf = useShelf()
const studio = useStudio()

const document = computed(() => project.mould!)
const box = computed(() => document.value.box)
const facts = computed(() => mouldKinds[document.value.kind])
const compiled = computed(() => project.compiledMould)
const changeBox = (values: Partial<Box>) =>
  project.changeMould({ box: { ...box.value, ...values } })
const mass = (kg: number) => show(kg, 'mass', studio.units, { step: 1e-3 })

const shapeOptions = boxShapes.map((value) => ({ value, label: boxWords[value] }))
const walls = ['card', 'foam board', 'board', 'acrylic', 'bricks', 'print'] as const

/** A cup is known by its own sizes only; those of another box stay. */
function takeShape(shape: Box['shape']): void {
  const { own, shape: before } = box.value
  const built = compiled.value?.box
  const cup = {
    width: (built?.width ?? 0.08) * 1.2,
    depth: built?.width ?? 0.08,
    height: built?.height ?? 0.08,
  }
  changeBox({ shape, own: shape === 'cup' ? cup : before === 'cup' ? undefined : own })
}
const changeOwn = (values: Partial<NonNullable<Box['own']>>) => {
  const built = compiled.value?.box
  const own = box.value.own ?? {
    width: built?.width ?? 0.1,
    depth: built?.depth ?? 0.1,
    height: built?.height ?? 0.1,
  }
  return changeBox({ own: { ...own, ...values } })
}

const silicone = computed(() => {
  const found = shelf.materials.get(document.value.silicone ?? '')
  return found?.kind === 'silicone' ? found : undefined
})
const silicones = computed(() =>
  [...shelf.materials].flatMap(([id, material]) =>
    material.kind === 'silicone' ? [{ id, silicone: material }] : [],
  ),
)
const asks = computed(() => project.geometry && siliconeAsks(document.value, project.geometry))
const ranked = computed(() =>
  project.geometry
    ? rankSilicones(
        silicones.value,
        document.value,
        project.geometry,
        compiled.value?.room.net ?? 0,
      )
    : [],
)
const other = computed(() =>
  ranked.value.filter(({ id }) => id !== document.value.silicone).slice(0, 2),
)
const own = computed(() => ranked.value.find(({ id }) => id === document.value.silicone))
/** What speaks for it, then what speaks against it. */
function reasons(candidate: Candidate): string {
  const pros = candidate.pros.map(saySiliconeReason)
  const cons = candidate.cons.map(saySiliconeReason)
  const sentence = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`
  const good = pros.length > 0 ? sentence(pros.join(', ')) : ''
  return cons.length > 0 ? `${good} Against it: ${cons.join(', ')}.` : good
}
const safety = computed(() => [
  ...safetyFor(
    'silicone',
    project.silicone?.chemistry === 'tin' ? ['any silicone', 'tin silicone'] : ['any silicone'],
  ),
  ...(document.value.vessel === undefined ? [] : safetyFor('vacuum', ['vacuum vessel'])),
  ...(document.value.pressure === undefined ? [] : safetyFor('pressure', ['pressure vessel'])),
])
const fixes = useMouldFixes()
const step = computed(() => project.scaleStep)
const { field, choice } = fieldsOf(() => document.value, project.changeMould)
const { field: boxField, choice: boxChoice } = fieldsOf(() => box.value, changeBox)
const { field: ownField } = fieldsOf(() => box.value.own!, changeOwn)
</script>

<template>
  <div class="row">
    <h2>Silicone</h2>
    <b v-if="compiled?.need" class="num" data-amount="mixed">Mix {{ mass(compiled.need.mass) }}</b>
  </div>
  <ShelfSelect label="Silicone" kind="silicone" v-bind="choice('silicone')" />
  <p v-if="own" class="small quiet">{{ reasons(own) }}</p>

  <template v-if="facts.poured !== 'none'">
    <SafetyLines before="Before you mix silicone" :lines="safety" with-deferring />
    <ElButton :disabled="!bench.possible.value" @click="bench.begin">
      <Timer :size="15" aria-hidden="true" />Make it at the bench
    </ElButton>
    <ProblemNote v-for="problem in bench.problems.value" :key="problem.code" :problem="problem" />
    <WeighSilicone
      v-if="compiled"
      :id="document.silicone"
      :compiled="compiled"
      :here="project.silicone"
      :sheet="silicone"
      :step="step"
      :room="project.plan?.room ?? 294.15"
    />
    <p v-for="{ half, batches } in compiled?.pours ?? []" :key="half" class="small quiet">
      {{ half === 'whole' ? '' : half === 'first' ? 'First half: ' : 'Second half: '
      }}{{
        batches.count === 1
          ? `${half === 'whole' ? 'One' : 'one'} batch`
          : `${batches.count} batches of ${show(batches.volume, 'volume', studio.units)}`
      }}, about {{ showDuration(batches.time) }} each with mixing and pouring.
    </p>
    <CautionNotes :of="compiled?.cautions ?? []" :fixes="fixes" />
    <SiliconeAir />
    <SiliconeAmounts v-if="compiled" :compiled="compiled" :kind="document.kind" />
  </template>
  <p v-else class="quiet">Nothing to mix: the mould is there.</p>

  <template v-if="facts.poured === 'block'">
    <h3>Box</h3>
    <SelectField
      label="Walls"
      :options="shapeOptions"
      :value="box.shape"
      @choose="takeShape($event)"
    />
    <QuantityField label="Side clearance" kind="length" v-bind="boxField('side')" />
    <QuantityField label="Top clearance" kind="length" v-bind="boxField('over')" />
    <QuantityField
      v-if="document.kind !== 'open block'"
      label="Bottom clearance"
      kind="length"
      v-bind="boxField('under')"
    />
    <ProblemNote v-if="compiled?.boxProblem" :problem="compiled.boxProblem" />
    <Fold title="Existing box" :open="box.own !== undefined">
      <QuantityField
        :label="box.shape === 'cup' ? 'Rim, inside' : 'Inner width'"
        kind="length"
        :value="box.own?.width"
        optional
        placeholder="none"
        :take="
          (width) => (width === undefined ? changeBox({ own: undefined }) : changeOwn({ width }))
        "
      />
      <template v-if="box.own">
        <QuantityField
          :label="box.shape === 'cup' ? 'Foot, inside' : 'Inner depth'"
          kind="length"
          v-bind="ownField('depth')"
        />
        <QuantityField label="Filled up to" kind="length" v-bind="ownField('height')" />
      </template>
    </Fold>
    <Fold title="Master and walls" :open="document.masterMass !== undefined">
      <QuantityField
        label="The master weighs"
        kind="mass"
        optional
        placeholder="not weighed"
        v-bind="field('masterMass')"
      />
      <SelectField label="Walls are of" :options="walls" v-bind="boxChoice('wall')" />
      <QuantityField label="Wall thickness" kind="length" v-bind="boxField('wallThickness')" />
      <p v-if="compiled" class="small quiet">
        At the foot they feel {{ show(compiled.pressure, 'pressure', studio.units)
        }}<template v-if="compiled.bulge > 0">
          and give {{ show(compiled.bulge, 'length', studio.units) }}</template
        >. Put the board level both ways.
      </p>
    </Fold>
  </template>
  <CountField v-if="facts.poured === 'coats'" label="Coats" v-bind="field('coats')" />
  <template v-if="facts.poured === 'shell'">
    <QuantityField label="Silicone around the master" kind="length" v-bind="field('layer')" />
    <QuantityField label="Wall of the shell" kind="length" v-bind="field('shellWall')" />
  </template>

  <template v-if="facts.poured !== 'none'">
    <Fold
      title="Losses, filler and what is on hand"
      :open="document.onHand !== undefined || document.filler > 0"
    >
      <QuantityField label="Mixing loss" kind="fraction" v-bind="field('loss')" />
      <QuantityField label="Container loss" kind="fraction" v-bind="field('tub')" />
      <QuantityField
        label="On hand"
        kind="mass"
        :step="1e-3"
        optional
        placeholder="enough"
        v-bind="field('onHand')"
      />
      <template v-if="facts.poured === 'block'">
        <QuantityField
          label="Filler: chunks of old moulds"
          kind="volume"
          v-bind="field('filler')"
        />
        <QuantityField
          label="Measured volume, by water or beads"
          kind="volume"
          optional
          placeholder="not measured"
          v-bind="field('measuredRoom')"
        />
      </template>
    </Fold>
    <Fold
      title="Cup, vacuum and pressure"
      :open="document.vessel !== undefined || document.pressure !== undefined"
    >
      <QuantityField label="Largest cup" kind="volume" v-bind="field('cup')" />
      <QuantityField
        label="Vacuum vessel holds"
        kind="volume"
        optional
        placeholder="no vacuum"
        v-bind="field('vessel')"
      />
      <QuantityField
        label="Cured under pressure"
        kind="pressure"
        optional
        placeholder="no pressure"
        v-bind="field('pressure')"
      />
    </Fold>
  </template>
  <Fold v-if="asks" title="What this mould asks for, and other silicones">
    <p v-for="line in saySiliconeAsks(asks)" :key="line" class="small">{{ line }}</p>
    <ul>
      <li v-for="candidate in other" :key="candidate.id">
        <ElButton link type="primary" @click="project.changeMould({ silicone: candidate.id })">
          {{ candidate.silicone.name }}
        </ElButton>
        <span class="small quiet">{{ reasons(candidate) }}</span>
      </li>
    </ul>
  </Fold>
</template>

<style scoped>
li {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
}
</style>
