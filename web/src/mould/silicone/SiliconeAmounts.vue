<script setup lang="ts">
import { computed } from 'vue'
import { mouldKinds, type CompiledMould, type MouldKind } from '@mivro/core/mould'
import { show, showArea, showMoney } from '@mivro/core/base/units'
import { useStudio } from '../../project/studioStore.ts'

/** What else goes into a mould, and what it comes to. */
const props = defineProps<{ compiled: CompiledMould; kind: MouldKind }>()
const studio = useStudio()
const facts = computed(() => mouldKinds[props.kind])
const mass = (kg: number) => show(kg, 'mass', studio.units, { step: 1e-3 })
const thickener = computed(() =>
  props.compiled.thickener.map((kg) => show(kg, 'mass', studio.units, { step: 1e-4 })).join(' + '),
)
</script>

<template>
  <dl v-if="compiled.need" class="amounts">
    <div class="row">
      <dt>In the mould</dt>
      <dd class="num">{{ mass(compiled.need.inMould) }}</dd>
    </div>
    <div class="row">
      <dt>To open</dt>
      <dd class="num">
        {{ mass(compiled.need.opened)
        }}{{
          compiled.need.kits
            ? `, ${compiled.need.kits} ${compiled.need.kits === 1 ? 'kit' : 'kits'}`
            : ''
        }}
      </dd>
    </div>
    <div v-if="compiled.need.price !== undefined" class="row">
      <dt>Cost</dt>
      <dd class="num">{{ showMoney(compiled.need.price, studio.studio.currency) }}</dd>
    </div>
    <div v-if="facts.parts === 2 && compiled.room.clay > 0" class="row">
      <dt>Clay for the bed</dt>
      <dd class="num">{{ show(compiled.room.clay, 'volume', studio.units) }}</dd>
    </div>
    <div v-if="compiled.thickener.length > 0" class="row">
      <dt>Thickener, less in the first coat</dt>
      <dd class="num">{{ thickener }}</dd>
    </div>
    <div v-if="compiled.bandage > 0" class="row">
      <dt>Bandage for the shell, four layers</dt>
      <dd class="num">{{ showArea(compiled.bandage, studio.units) }}</dd>
    </div>
  </dl>
</template>

<style scoped>
.amounts {
  display: grid;
  gap: 6px;
}

dt {
  color: var(--ink-2);
}
</style>
