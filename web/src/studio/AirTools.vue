<script setup lang="ts">
import { ElButton } from 'element-plus'
import { usualAirPot, usualVessel } from '@mivro/core/air'
import { safetyFor } from '@mivro/core/caution'
import type { Problem } from '@mivro/core/problem'
import type { Studio } from '@mivro/core/studio'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SafetyLines from '../ui/SafetyLines.vue'

/** What the studio has against bubbles, as its plates say. */
const props = defineProps<{
  studio: Studio
  take: (values: Partial<Studio>) => Problem | undefined
}>()
const pot = (values: Partial<NonNullable<Studio['pot']>>) =>
  props.take({ pot: { ...props.studio.pot!, ...values } })
const vessel = (values: Partial<NonNullable<Studio['vessel']>>) =>
  props.take({ vessel: { ...props.studio.vessel!, ...values } })
</script>

<template>
  <section class="panel box" aria-label="Against bubbles">
    <h2>Against bubbles</h2>
    <div class="pair">
      <div class="tool">
        <template v-if="studio.pot">
          <div class="row">
            <h3>Pressure pot</h3>
            <RemoveButton label="Delete pressure pot" @click="take({ pot: undefined })" />
          </div>
          <QuantityField
            label="Marked working pressure"
            kind="pressure"
            :value="studio.pot.marked"
            :take="(marked) => pot({ marked: marked ?? 0 })"
          />
          <QuantityField
            label="Casts are cured at"
            kind="pressure"
            :value="studio.pot.gauge"
            :take="(gauge) => pot({ gauge: gauge ?? 0 })"
          />
          <QuantityField
            label="From the last pour to full pressure"
            kind="duration"
            :value="studio.pot.closes"
            :take="(closes) => pot({ closes: closes ?? 0 })"
          />
          <SafetyLines
            before="Before you use it"
            :lines="safetyFor('pressure', ['pressure vessel'])"
            with-deferring
          />
        </template>
        <ElButton v-else class="add" @click="take({ pot: { ...usualAirPot } })">
          Add a pressure pot
        </ElButton>
      </div>
      <div class="tool">
        <template v-if="studio.vessel">
          <div class="row">
            <h3>Vacuum vessel</h3>
            <RemoveButton label="Delete vacuum vessel" @click="take({ vessel: undefined })" />
          </div>
          <QuantityField
            label="Reaches, below the air around"
            kind="pressure"
            :value="studio.vessel.gauge"
            :take="(gauge) => vessel({ gauge: gauge ?? 0 })"
          />
          <QuantityField
            label="Volume"
            kind="volume"
            :value="studio.vessel.volume"
            :take="(volume) => vessel({ volume: volume ?? 0 })"
          />
          <QuantityField
            label="Pumping down, holding, letting in"
            kind="duration"
            :value="studio.vessel.takes"
            :take="(takes) => vessel({ takes: takes ?? 0 })"
          />
          <SafetyLines
            before="Before you use it"
            :lines="safetyFor('vacuum', ['vacuum vessel'])"
            with-deferring
          />
        </template>
        <ElButton v-else class="add" @click="take({ vessel: { ...usualVessel } })">
          Add a vacuum vessel
        </ElButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.box {
  grid-column: 1 / 3;
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 18px 20px;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px 40px;
}

.tool {
  display: flex;
  flex-direction: column;
  gap: 12px;
}

@media (max-width: 900px) {
  .box {
    grid-column: 1;
  }

  .pair {
    grid-template-columns: minmax(0, 1fr);
  }
}

h3 {
  font-size: var(--size-lead);
}

.add {
  align-self: flex-start;
}
</style>
