<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton } from 'element-plus'
import type { RouteLocationRaw } from 'vue-router'
import { Printer } from 'lucide-vue-next'
import { blocks, type Caution } from '@mivro/core/base/caution'
import type { Problem } from '@mivro/core/base/problem'
import { sayCaution } from '@mivro/words/caution'
import { sayProblem } from '@mivro/words/problem'
import { deferring } from '@mivro/words/safety'
import { useStudio } from '../../project/studioStore.ts'
import './paper.css'
import { usePaperFit } from './usePaperFit.ts'

/** A sheet as it is printed, with the way back, what stops the work, and whom it defers to. */
const props = defineProps<{
  back: RouteLocationRaw
  backSays: string
  /** All of it is there: printed before, it would lack something. */
  ready: boolean
  problem?: Problem
  cautions?: readonly Caution[]
  /** Made smaller until it stands on one page, but no smaller than this. */
  smallest?: number
  /** What changes how long it is. */
  content?: unknown
}>()
const studio = useStudio()
/** What changes what the hand does is printed; notes on what is usual stay on the screen. */
const printed = computed(() => props.cautions?.filter(({ severity }) => severity !== 'note') ?? [])
const page = ref<HTMLElement>()
const zoom = usePaperFit(page, [() => props.content, () => studio.units], props.smallest ?? 1)
const print = () => window.print()
</script>

<template>
  <div class="paper-desk">
    <div class="tools">
      <ElButton tag="router-link" :to="back">{{ backSays }}</ElButton>
      <span class="gap" />
      <slot name="tools" />
      <ElButton type="primary" :disabled="!ready" @click="print">
        <Printer :size="15" aria-hidden="true" />Print
      </ElButton>
    </div>
    <main v-if="problem" class="paper">
      <p>{{ sayProblem(problem) }}</p>
    </main>
    <main v-else-if="ready || ($slots.head && !$slots.waiting)" class="paper">
      <div ref="page" :style="{ zoom }">
        <slot name="head" />
        <p
          v-for="caution in printed"
          :key="caution.code + caution.place.layer + caution.place.field"
          :class="blocks(caution) ? 'stop' : caution.severity"
        >
          <b>{{ blocks(caution) ? 'Stop.' : 'Careful.' }}</b>
          {{ sayCaution(caution, studio.units) }}
        </p>
        <slot />
        <footer>{{ deferring }}</footer>
        <slot name="after" />
      </div>
    </main>
    <main v-else class="paper">
      <slot name="waiting"><p role="status">Reading what stands on the sheet …</p></slot>
    </main>
  </div>
</template>
