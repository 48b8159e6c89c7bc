<script setup lang="ts">
import { computed } from 'vue'
import { ElSlider } from 'element-plus'
import { cautionsAt } from '@mivro/core/base/caution'
import {
  bodyMatter,
  bodyOf,
  doseAt,
  highestRead,
  lowestSeen,
  placeOf,
  sliderEnd,
  wetMatter,
} from '@mivro/core/matter/colour'
import { resinIn } from '@mivro/core/matter/mix'
import {
  seenAgainstLight,
  seenOn,
  seenOver,
  thickestOf,
  withLayer,
  type CompiledLayer,
  type TintShare,
} from '@mivro/core/work/plan'
import { show } from '@mivro/core/base/units'
import { sayFloating } from '@mivro/words/colour'
import { useLatest } from '../../project/useLatest.ts'
import { useProject } from '../../project/projectStore.ts'
import { useShelf } from '../../project/shelfStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import CautionNotes from '../../ui/CautionNotes.vue'
import { askFloating } from '../../work/pool.ts'
import TintList from '../TintList.vue'
import { useFixes } from '../useFixes.ts'
import KeptRecipes from './KeptRecipes.vue'
import WishedColour from './WishedColour.vue'

/** The tints of one layer by eye: doses dragged, the chip beside them, and doses for a wish. */
const props = defineProps<{ layer: CompiledLayer; count: number }>()
const project = useProject()
const shelf = useShelf()
const studio = useStudio()
const fixes = useFixes()

const source = computed(() => project.plan!.layers[props.layer.index])
const resin = computed(() => {
  const found = shelf.materials.get(source.value.resin ?? '')
  return found?.kind === 'resin' ? found : undefined
})
const body = computed(() => resin.value && bodyMatter(resin.value))
/** Doses of dyes are small: a tenth of a hundredth of a percent is seen. */
const share = (fraction: number) => show(fraction, 'fraction', studio.units)

const chips = computed(() => {
  const { matter, depth } = props.layer
  if (!matter) return []
  return [
    { ground: 'over white', colour: seenOver(matter, depth, 1) },
    { ground: 'over black', colour: seenOver(matter, depth, 0) },
  ]
})
/** A cup stands about so deep with the tinted part, m. */
const cupDepth = 0.02
/** The tinted part before the second goes in, to compare while stirring. */
const wet = computed(() =>
  resin.value && doses.value.length > 0
    ? seenOver(wetMatter(resin.value, doses.value), cupDepth, 1)
    : undefined,
)
/** Mica without a base, held against the light, and on an opaque base of its own colour. */
const mica = computed(() => {
  const { matter, depth } = props.layer
  const unbacked = cautions.value.some(({ code }) => code === 'mica-unbacked')
  const pearl = dosed.value.find(({ tint }) => tint.form === 'mica')
  if (!unbacked || !matter || !pearl) return undefined
  return [
    { says: 'nothing behind it', colour: seenAgainstLight(matter, depth) },
    { says: 'on an opaque base', colour: seenOn(matter, depth, pearl.tint.colour) },
  ]
})
const dosed = computed(() =>
  source.value.tints.flatMap(({ material, fraction }, i) => {
    const tint = shelf.materials.get(material)
    if (tint?.kind !== 'tint') return []
    const readsTo =
      body.value && highestRead(tint, body.value, thickestOf(props.layer, project.survey!.curve))
    const seenFrom = body.value && lowestSeen(tint, body.value, props.layer.depth)
    return [{ i, tint, fraction, place: placeOf(fraction, tint.limit), seenFrom, readsTo }]
  }),
)

/** How flakes move until the gel, in the order of the tints on the shelf. */
const floatingQuestion = computed(() => {
  const { clock, batch } = props.layer
  if (!batch || !clock || dosed.value.length === 0) return undefined
  return {
    batch,
    gel: clock.gelAt - clock.mixAt,
    placed: clock.pourAt - clock.mixAt,
    tints: dosed.value.map(({ tint: { form, flake, density } }) => ({ form, flake, density })),
  }
})
const { answer: flakes } = useLatest(() => floatingQuestion.value, askFloating)

const withTints = (tints: TintShare[]) => withLayer(project.plan!, props.layer.index, { tints })
const take = (tints: TintShare[]) => project.changePlan(withTints(tints))
const redosed = (i: number, place: number, limit: number) =>
  source.value.tints.with(i, { ...source.value.tints[i], fraction: doseAt(place, limit) })
/** While it is dragged a dose is only shown; let go, it is kept. */
const drag = (i: number, place: number, limit: number) =>
  project.preview(withTints(redosed(i, place, limit)))
const drop = (i: number, place: number, limit: number) => take(redosed(i, place, limit))

const cautions = computed(() =>
  cautionsAt(project.compiled!.cautions, { layer: props.layer.id, field: 'tint' }),
)

const doses = computed(() =>
  dosed.value.map(({ i, tint, fraction }) => ({
    material: tint,
    id: source.value.tints[i].material,
    fraction,
  })),
)
</script>

<template>
  <div class="row">
    <h2>{{ source.name }}</h2>
    <span class="quiet small">{{ layer.index + 1 }} of {{ count }}</span>
  </div>

  <div v-if="chips.length > 0" class="chips halves">
    <figure v-for="chip in chips" :key="chip.ground">
      <i :style="{ background: chip.colour }" />
      <figcaption class="small quiet">
        {{ show(layer.depth, 'length', studio.units) }} deep, {{ chip.ground }}
      </figcaption>
    </figure>
  </div>
  <p v-else class="quiet">Choose a resin for this layer, and its colour shows here.</p>
  <p v-if="wet && resin" class="wet small quiet">
    <i :style="{ background: wet }" />
    Before the second part goes in, {{ show(cupDepth, 'length', studio.units) }} deep in the
    cup<template v-if="bodyOf(resin) === 'white'">: not white yet</template>.
  </p>

  <TintList
    :key="`${layer.id}-tints`"
    :tints="source.tints"
    :resin="layer.weighing && resinIn(layer.weighing)"
    :take="take"
  />
  <div v-for="(one, k) in dosed" :key="one.tint.name" class="dose">
    <ElSlider
      :model-value="one.place"
      :max="sliderEnd"
      :show-tooltip="false"
      :aria-label="`Dose of ${one.tint.name}`"
      :format-value-text="() => share(one.fraction)"
      @input="drag(one.i, Number($event), one.tint.limit)"
      @change="drop(one.i, Number($event), one.tint.limit)"
    />
    <p class="small quiet">
      <template v-if="one.seenFrom !== undefined">
        {{ one.tint.name }} shows from {{ share(one.seenFrom) }} here;
      </template>
      <template v-else>{{ one.tint.name }} hardly shows so thin;</template>
      most {{ share(one.tint.limit) }}.
      <template v-if="one.readsTo !== undefined">
        Above {{ share(one.readsTo) }} it reads as black where it is thickest.
      </template>
      <template v-if="!one.tint.swatches?.length">Estimated until a chip is cast.</template>
      <template v-if="flakes?.[k] && layer.clock">
        {{ ' ' }}{{ sayFloating(flakes[k]!, layer.clock, studio.units) }}
      </template>
    </p>
  </div>
  <CautionNotes :of="cautions" :fixes="fixes" />
  <div v-if="mica" class="chips halves">
    <figure v-for="one in mica" :key="one.says">
      <i :style="{ background: one.colour }" />
      <figcaption class="small quiet">{{ one.says }}</figcaption>
    </figure>
  </div>

  <KeptRecipes
    v-if="resin && chips.length > 0"
    :layer="layer"
    :resin="resin"
    :colour="chips[0].colour"
    :doses="doses"
    :take="take"
  />
  <WishedColour v-if="resin" :layer="layer" :resin="resin" :share="share" :take="take" />
</template>

<style scoped>
.chips figure {
  margin: 0;
}

.chips i {
  display: block;
  height: 62px;
  border: 1px solid var(--shade);
  border-radius: var(--r-field);
}

.wet {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  align-items: center;
  gap: 10px;
}

.wet i {
  height: 34px;
  border: 1px solid var(--shade);
  border-radius: 0 0 var(--r-field) var(--r-field);
}

.dose {
  padding: 0 8px;
}
</style>
