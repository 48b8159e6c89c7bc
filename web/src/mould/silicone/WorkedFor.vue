<script setup lang="ts">
import type { Silicone } from '@mivro/core/matter/material'
import { show, showDuration } from '@mivro/core/base/units'
import { useStudio } from '../../project/studioStore.ts'

/** How long a silicone can be worked in this room, beside what its sheet says. */
defineProps<{ here: Silicone; sheet: Silicone }>()
const studio = useStudio()
</script>

<template>
  <p class="small quiet">
    Can be worked for <b class="num">{{ showDuration(here.potLife) }}</b> at
    {{ show(here.sheetTemperature, 'temperature', studio.units) }}; its sheet says
    {{ showDuration(sheet.potLife) }} at
    {{ show(sheet.sheetTemperature, 'temperature', studio.units) }}.
  </p>
</template>
