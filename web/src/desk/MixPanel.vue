<script setup lang="ts">
import { computed } from 'vue'
import { volumeRatio, weightRatio, type Wish } from '@mivro/core/matter/mix'
import { Plus } from 'lucide-vue-next'
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { show, showRatio } from '@mivro/core/base/units'
import { useShelf } from '../project/shelfStore.ts'
import RatioField from '../ui/RatioField.vue'
import { useStudio } from '../project/studioStore.ts'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SegmentField from '../ui/SegmentField.vue'
import TextField from '../ui/TextField.vue'
import { useDesk, type ExtraKind } from '../weigh/deskStore.ts'

/** What is mixed, what is stirred in, and how much is wanted. */
const desk = useDesk()
const shelf = useShelf()
const studio = useStudio()

const own = '-'
const mixed = computed(() =>
  shelf.stored.filter(({ document: { kind } }) => kind === 'resin' || kind === 'silicone'),
)
const converted = computed(() => {
  const { ratio } = desk.twoPart
  const [other, found] =
    ratio.by === 'weight'
      ? ['volume', volumeRatio(ratio, desk.twoPart)]
      : ['weight', weightRatio(ratio, desk.twoPart)]
  return `${showRatio(ratio)} by ${ratio.by} is ${found.toFixed(2)}:1 by ${other}`
})
const extraKinds: { kind: ExtraKind; label: string }[] = [
  { kind: 'tint', label: 'Tint' },
  { kind: 'thickener', label: 'Thickener' },
  { kind: 'accelerator', label: 'Accelerator' },
  { kind: 'powder', label: 'Metal powder' },
]
const bases = { both: 'A and B', A: 'A', B: 'B' }
const wishes = { mass: 'Weight', volume: 'Volume', A: 'From A', B: 'From B' }
const wishKind = computed(() => (desk.wish.by === 'part' ? desk.wish.part : desk.wish.by))
/** Another way to say how much keeps the amount that is shown. */
function wishBy(value: string): void {
  const { mass, volume, portions } = desk.portions
  const part = (what: 'A' | 'B'): Wish => ({
    by: 'part',
    part: what,
    mass: portions.find((p) => p.what === what)!.mass,
  })
  desk.wish =
    value === 'mass'
      ? { by: 'mass', mass }
      : value === 'volume'
        ? { by: 'volume', volume }
        : part(value as 'A' | 'B')
}
</script>

<template>
  <section class="panel mix" aria-label="What is mixed">
    <h2>What is mixed</h2>
    <div class="row">
      <span class="field-label">Material</span>
      <ElSelect
        :persistent="false"
        class="select"
        aria-label="What is mixed"
        :model-value="desk.materialId ?? own"
        @update:model-value="desk.choose($event === own ? undefined : $event)"
      >
        <ElOption :value="own" label="Custom ratio" />
        <ElOption
          v-for="entry in mixed"
          :key="entry.id"
          :value="entry.id"
          :label="entry.document.name"
        />
      </ElSelect>
    </div>
    <template v-if="desk.materialId === undefined">
      <RatioField
        :ratio="desk.own.ratio"
        :take="(ratio) => void (desk.own = { ...desk.own, ratio })"
      />
      <QuantityField
        label="Density of part A"
        kind="density"
        :value="desk.own.densityA"
        :take="
          (densityA) => void (desk.own = { ...desk.own, densityA: densityA || desk.own.densityA })
        "
      />
      <QuantityField
        label="Density of part B"
        kind="density"
        :value="desk.own.densityB"
        :take="
          (densityB) => void (desk.own = { ...desk.own, densityB: densityB || desk.own.densityB })
        "
      />
    </template>
    <p class="quiet small">{{ converted }}.</p>

    <h3>How much</h3>
    <SegmentField above label="Known amount" :options="wishes" :value="wishKind" @choose="wishBy" />
    <QuantityField
      v-if="desk.wish.by === 'volume'"
      label="All together"
      kind="volume"
      :value="desk.wish.volume"
      :take="(volume) => desk.wishOf({ by: 'volume', volume })"
    />
    <QuantityField
      v-else-if="desk.wish.by === 'mass'"
      label="All together"
      kind="mass"
      :step="desk.step"
      :value="desk.wish.mass"
      :take="(mass) => desk.wishOf({ by: 'mass', mass })"
    />
    <QuantityField
      v-else
      :label="`In the cup of ${desk.wish.part === 'A' ? desk.mix.nameA : desk.mix.nameB}`"
      kind="mass"
      :step="desk.step"
      :value="desk.wish.mass"
      :take="(mass) => desk.wishOf({ by: 'part', part: wishKind as 'A' | 'B', mass })"
    />

    <h3>Additives</h3>
    <div v-for="extra in desk.extras" :key="extra.id" class="extra">
      <div class="row">
        <TextField
          bare
          label="What is stirred in"
          :value="extra.name"
          :take="(name) => void desk.changeExtra(extra.id, { name: name.trim() || extra.name })"
        />
        <RemoveButton :label="`Delete ${extra.name}`" @click="desk.removeExtra(extra.id)" />
      </div>
      <QuantityField
        label="Its share"
        kind="fraction"
        :value="extra.share"
        :take="(share) => desk.shareOf(extra.id, share)"
      />
      <SegmentField
        label="of the weight of"
        :options="bases"
        :value="extra.of"
        @choose="desk.changeExtra(extra.id, { of: $event })"
      />
      <QuantityField
        label="Density"
        kind="density"
        :value="extra.density"
        :take="(density) => void desk.changeExtra(extra.id, { density: density || extra.density })"
      />
    </div>
    <div class="wrap">
      <ElButton
        v-for="one in extraKinds"
        :key="one.kind"
        class="small"
        @click="desk.addExtra(one.kind)"
      >
        <Plus :size="13" aria-hidden="true" />{{ one.label }}
      </ElButton>
    </div>
    <p v-if="desk.extras.length > 0" class="quiet small">
      {{ show(desk.portions.density, 'density', studio.units) }} as it is mixed.
    </p>
  </section>
</template>

<style scoped>
.mix {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 14px 16px;
  overflow: hidden auto;
}

.mix > * {
  flex: none;
}

.select {
  width: 178px;
}

.row {
  align-items: center;
}

h3 {
  margin-top: 4px;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--line);
  font: 650 var(--size-lead) var(--num);
}

.extra {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--table);
}
</style>
