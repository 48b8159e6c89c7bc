<script setup lang="ts">
import { ElAlert, ElButton } from 'element-plus'
import { type Caution } from '@mivro/core/base/caution'
import { sayCaution } from '@mivro/words/caution'
import type { Fix } from './fix.ts'
import { useStudio } from '../project/studioStore.ts'

defineProps<{ caution: Caution; fixes?: readonly Fix[] }>()
const studio = useStudio()
const labels = { stop: 'Stop.', todo: '', warn: 'Careful.', note: '' }
const types = { stop: 'error', todo: 'info', warn: 'warning', note: 'info' } as const
</script>

<template>
  <ElAlert
    class="caution"
    :class="`is-${caution.severity}`"
    :type="types[caution.severity]"
    :closable="false"
    role="note"
    :data-code="caution.code"
  >
    <b v-if="labels[caution.severity]">{{ labels[caution.severity] }}</b>
    {{ sayCaution(caution, studio.units) }}
    <span v-if="fixes && fixes.length > 0" class="fixes">
      <ElButton v-for="fix in fixes" :key="fix.words" size="small" @click="fix.take()">
        {{ fix.words }}
      </ElButton>
    </span>
  </ElAlert>
</template>

<style scoped>
.fixes {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 7px;
}
</style>
