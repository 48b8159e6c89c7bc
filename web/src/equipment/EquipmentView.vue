<script setup lang="ts">
import { onMounted } from 'vue'
import { ElButton } from 'element-plus'
import { usualAirPot, usualVessel } from '@mivro/core/matter/air'
import { readDocument } from '@mivro/core/base/document'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { showDuration } from '@mivro/core/base/units'
import { usualHands, type Hands } from '@mivro/core/work/run'
import { studioSchema, type Studio } from '@mivro/core/studio'
import { handWords } from '@mivro/words/equipment'
import { useStudio } from '../project/studioStore.ts'
import QuantityField from '../ui/QuantityField.vue'
import { useUndoOf } from '../ui/undo.ts'
import LearnedHands from './LearnedHands.vue'
import OtherTools from './OtherTools.vue'
import PotPanel from './PotPanel.vue'
import { useMouldSizes } from './useMouldSizes.ts'
import VesselPanel from './VesselPanel.vue'

/** What stands on the bench against bubbles, and the hands: sizes, marks, times. */
const studio = useStudio()
useUndoOf(() => [studio.session])
function change(values: Partial<Studio>): Problem | undefined {
  try {
    readDocument(studioSchema, { ...studio.studio, ...values })
    studio.change(values)
    return undefined
  } catch (error) {
    return problemsOf(error)[0]
  }
}
const { sizes, problems, load } = useMouldSizes()
onMounted(load)
const hands = Object.keys(usualHands) as (keyof Hands)[]
/** What a person typed; nothing where it is what is usual. */
const own = (of: keyof Hands) => {
  const value = studio.studio.hands?.[of]
  return value === usualHands[of] ? undefined : value
}
const hand = (of: keyof Hands, value: number | undefined) =>
  change({ hands: { ...(studio.studio.hands ?? usualHands), [of]: value ?? usualHands[of] } })
</script>

<template>
  <div class="equipment">
    <h1>Equipment</h1>
    <div class="boxes">
      <PotPanel
        v-if="studio.studio.pot"
        :pot="studio.studio.pot"
        :sizes="sizes"
        :problems="problems"
        :take="change"
      />
      <section v-else class="panel box none">
        <h2>Pressure pot</h2>
        <p class="quiet">
          Casts that cure under pressure keep their bubbles too small to be seen. Only a vessel that
          is marked for it.
        </p>
        <ElButton @click="change({ pot: { ...usualAirPot } })">Add a pressure pot</ElButton>
      </section>
      <VesselPanel v-if="studio.studio.vessel" :vessel="studio.studio.vessel" :take="change" />
      <section v-else class="panel box none">
        <h2>Vacuum vessel</h2>
        <p class="quiet">A mix or silicone that is freed of its air before it is poured.</p>
        <ElButton @click="change({ vessel: { ...usualVessel } })">Add a vacuum vessel</ElButton>
      </section>
      <section class="panel box wide" aria-label="The hands">
        <h2>
          The hands
          <span class="quiet small">how long they take</span>
        </h2>
        <div class="hands">
          <QuantityField
            v-for="of in hands"
            :key="of"
            :label="handWords[of]"
            kind="duration"
            bare-unit="s"
            optional
            :placeholder="`${showDuration(usualHands[of])}, usual`"
            :value="own(of)"
            :take="(value) => hand(of, value)"
          />
        </div>
        <LearnedHands
          :hands="studio.studio.hands ?? usualHands"
          :take="(hands) => void change({ hands })"
        />
      </section>
      <OtherTools :studio="studio.studio" :sizes="sizes" :take="change" />
    </div>
  </div>
</template>

<style scoped>
h1 {
  display: flex;
  align-items: center;
  height: 58px;
}

.none {
  align-items: flex-start;
}

.hands {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px 40px;
}

@media (max-width: 900px) {
  .hands {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
