<script setup lang="ts">
import { computed } from 'vue'
import { safetyFor } from '@mivro/core/caution'
import {
  boxShapes,
  mouldKinds,
  rankSilicones,
  siliconeAsks,
  thickenerShare,
  type Box,
} from '@mivro/core/mould'
import { show, showArea, showDuration } from '@mivro/core/units'
import { useMouldFixes } from '../useMouldFixes.ts'
import { useProject } from '../../project/projectStore.ts'
import { useShelf } from '../../project/shelfStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import CautionNote from '../../ui/CautionNote.vue'
import CountField from '../../ui/CountField.vue'
import PlainSelect from '../../ui/PlainSelect.vue'
import ProblemNote from '../../ui/ProblemNote.vue'
import QuantityField from '../../ui/QuantityField.vue'
import SafetyLines from '../../ui/SafetyLines.vue'
import ShelfSelect from '../../ui/ShelfSelect.vue'
import WeighSilicone from './WeighSilicone.vue'

const project = useProject()
const shelf = useShelf()
const studio = useStudio()

const document = computed(() => project.mould!)
const box = computed(() => document.value.box)
const facts = computed(() => mouldKinds[document.value.kind])
const compiled = computed(() => project.compiledMould)
const changeBox = (values: Partial<Box>) =>
  project.changeMould({ box: { ...box.value, ...values } })
const mass = (kg: number) => show(kg, 'mass', studio.units, { step: 1e-3 })

const shapes: Record<Box['shape'], string> = {
  square: 'Square walls',
  round: 'Round tube',
  hexagon: 'Six walls',
  outline: 'Hugging the outline',
  bricks: 'Toy bricks, 8 mm',
  cup: 'A cup',
}
const shapeOptions = boxShapes.map((value) => ({ value, label: shapes[value] }))
const walls = ['card', 'foam board', 'board', 'acrylic', 'bricks', 'print'].map((value) => ({
  value,
  label: value,
}))

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
function reasons({ pros, cons }: { pros: string[]; cons: string[] }): string {
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
</script>

<template>
  <h2>Silicone</h2>
  <ShelfSelect
    label="Poured around it"
    kind="silicone"
    :value="document.silicone"
    @choose="project.changeMould({ silicone: $event })"
  />
  <p v-if="own" class="small quiet">{{ reasons(own) }}</p>
  <details v-if="asks">
    <summary>What this mould asks for, and what else is on the shelf</summary>
    <p v-for="line in asks.lines" :key="line" class="small">{{ line }}</p>
    <ul>
      <li v-for="candidate in other" :key="candidate.id">
        <button
          type="button"
          class="btn plain"
          @click="project.changeMould({ silicone: candidate.id })"
        >
          {{ candidate.silicone.name }}
        </button>
        <span class="small quiet">{{ reasons(candidate) }}</span>
      </li>
    </ul>
  </details>

  <template v-if="facts.poured === 'block'">
    <h3>Box</h3>
    <PlainSelect
      label="Walls"
      :options="shapeOptions"
      :value="box.shape"
      @choose="takeShape($event as Box['shape'])"
    />
    <QuantityField
      label="Beside the piece"
      kind="length"
      :value="box.side"
      :take="(side) => changeBox({ side: side ?? 0 })"
    />
    <QuantityField
      label="Over it"
      kind="length"
      :value="box.over"
      :take="(over) => changeBox({ over: over ?? 0 })"
    />
    <QuantityField
      v-if="document.kind !== 'open block'"
      label="Under it"
      kind="length"
      :value="box.under"
      :take="(under) => changeBox({ under: under ?? 0 })"
    />
    <details :open="box.own !== undefined">
      <summary>A box that is there already</summary>
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
          :value="box.own.depth"
          :take="(depth) => changeOwn({ depth: depth ?? 0 })"
        />
        <QuantityField
          label="Filled up to"
          kind="length"
          :value="box.own.height"
          :take="(height) => changeOwn({ height: height ?? 0 })"
        />
      </template>
    </details>
    <ProblemNote v-if="compiled?.boxProblem" :problem="compiled.boxProblem" />
    <QuantityField
      label="Chunks of old moulds, by the cup"
      kind="volume"
      :value="document.filler"
      :take="(filler) => project.changeMould({ filler: filler ?? 0 })"
    />
    <QuantityField
      label="Room found by water or beads"
      kind="volume"
      optional
      placeholder="not measured"
      :value="document.measuredRoom"
      :take="(measuredRoom) => project.changeMould({ measuredRoom })"
    />
  </template>
  <CountField
    v-if="facts.poured === 'coats'"
    label="Coats"
    :value="document.coats"
    :take="(coats) => project.changeMould({ coats })"
  />
  <template v-if="facts.poured === 'shell'">
    <QuantityField
      label="Silicone around the master"
      kind="length"
      :value="document.layer"
      :take="(layer) => project.changeMould({ layer: layer ?? 0 })"
    />
    <QuantityField
      label="Wall of the shell"
      kind="length"
      :value="document.shellWall"
      :take="(shellWall) => project.changeMould({ shellWall: shellWall ?? 0 })"
    />
  </template>

  <template v-if="facts.poured !== 'none'">
    <h3>Amounts</h3>
    <QuantityField
      label="Stays on tools"
      kind="fraction"
      :value="document.loss"
      :take="(loss) => project.changeMould({ loss: loss ?? 0 })"
    />
    <QuantityField
      label="Stays in its tub"
      kind="fraction"
      :value="document.tub"
      :take="(tub) => project.changeMould({ tub: tub ?? 0 })"
    />
    <template v-if="compiled?.need">
      <p class="row">
        <span class="quiet">In the mould</span><b class="num">{{ mass(compiled.need.inMould) }}</b>
      </p>
      <p class="row">
        <span class="quiet">Mixed, with what stays on tools</span
        ><b class="num" data-amount="mixed">{{ mass(compiled.need.mass) }}</b>
      </p>
      <p class="row">
        <span class="quiet">Taken from the tubs</span>
        <b class="num"
          >{{ mass(compiled.need.opened)
          }}{{
            compiled.need.kits
              ? `, ${compiled.need.kits} ${compiled.need.kits === 1 ? 'kit' : 'kits'}`
              : ''
          }}</b
        >
      </p>
      <p v-if="compiled.need.price !== undefined" class="row">
        <span class="quiet">Costs</span><b class="num">{{ compiled.need.price.toFixed(2) }}</b>
      </p>
      <p v-if="facts.parts === 2 && compiled.room.clay > 0" class="row">
        <span class="quiet">Clay for the bed</span
        ><b class="num">{{ show(compiled.room.clay, 'volume', studio.units) }}</b>
      </p>
      <p v-if="facts.poured === 'coats'" class="row">
        <span class="quiet">Thickener, from the second coat on</span
        ><b class="num">{{
          show(
            (compiled.need.mass * thickenerShare * (document.coats - 1)) / document.coats,
            'mass',
            studio.units,
            { step: 1e-4 },
          )
        }}</b>
      </p>
      <p v-if="compiled.bandage > 0" class="row">
        <span class="quiet">Bandage for the shell, four layers</span
        ><b class="num">{{ showArea(compiled.bandage, studio.units) }}</b>
      </p>
      <QuantityField
        label="Mixed, or on hand"
        kind="mass"
        :step="1e-3"
        optional
        placeholder="enough"
        :value="document.onHand"
        :take="(onHand) => project.changeMould({ onHand })"
      />
    </template>
    <CautionNote
      v-for="caution in compiled?.cautions ?? []"
      :key="caution.code"
      :caution="caution"
      :fixes="fixes(caution)"
    />

    <SafetyLines before="Before you mix silicone" :lines="safety" with-deferring />
    <WeighSilicone
      v-if="compiled"
      :id="document.silicone"
      :compiled="compiled"
      :here="project.silicone"
      :sheet="silicone"
      :step="step"
      :room="project.plan?.room ?? 294.15"
    />
    <QuantityField
      label="Vacuum vessel holds"
      kind="volume"
      optional
      placeholder="no vacuum"
      :value="document.vessel"
      :take="(vessel) => project.changeMould({ vessel })"
    />
    <QuantityField
      label="Cured under pressure"
      kind="pressure"
      optional
      placeholder="no pressure"
      :value="document.pressure"
      :take="(pressure) => project.changeMould({ pressure })"
    />
    <QuantityField
      label="Largest cup"
      kind="volume"
      :value="document.cup"
      :take="(cup) => project.changeMould({ cup: cup ?? 0 })"
    />
    <p v-for="{ half, batches } in compiled?.pours ?? []" :key="half" class="small quiet">
      {{ half === 'whole' ? '' : half === 'first' ? 'First half: ' : 'Second half: '
      }}{{
        batches.count === 1
          ? 'one batch'
          : `${batches.count} batches of ${show(batches.volume, 'volume', studio.units)}`
      }}, about {{ showDuration(batches.time) }} each with mixing and pouring.
    </p>
    <template v-if="facts.poured === 'block'">
      <h3>Master and walls</h3>
      <QuantityField
        label="The master weighs"
        kind="mass"
        optional
        placeholder="not weighed"
        :value="document.masterMass"
        :take="(masterMass) => project.changeMould({ masterMass })"
      />
      <PlainSelect
        label="Walls are of"
        :options="walls"
        :value="box.wall"
        @choose="changeBox({ wall: $event as Box['wall'] })"
      />
      <QuantityField
        label="Thick"
        kind="length"
        :value="box.wallThickness"
        :take="(wallThickness) => changeBox({ wallThickness: wallThickness ?? 0 })"
      />
      <p v-if="compiled" class="small quiet">
        At the foot they feel {{ show(compiled.pressure, 'pressure', studio.units)
        }}<template v-if="compiled.bulge > 0">
          and give {{ show(compiled.bulge, 'length', studio.units) }}</template
        >. Put the board level both ways.
      </p>
    </template>
  </template>
  <p v-else class="quiet">Nothing to mix: the mould is there.</p>
</template>

<style scoped>
summary {
  color: var(--teal);
  font-weight: 600;
  cursor: pointer;
}

details {
  display: flex;
  flex-direction: column;
  gap: 8px;
}

details > * + * {
  margin-top: 6px;
}

li {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
}
</style>
