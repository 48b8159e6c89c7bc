<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElDialog } from 'element-plus'
import { compareLines } from '@mivro/core/base/document'
import { type Plan } from '@mivro/core/work/plan'
import { describePlan } from '@mivro/words/plan'
import { openSessions } from '../api/sessions.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import VersionSides from '../ui/VersionSides.vue'

const studio = useStudio()
const shelf = useShelf()

const stale = computed(() =>
  [...openSessions.values()].find((session) => session.state === 'conflict'),
)

/** A version in words: a plan line by line, anything else field by field. */
function lines(document: unknown): string[] {
  if (
    typeof document === 'object' &&
    document !== null &&
    'layers' in document &&
    'up' in document
  ) {
    return describePlan(document as Plan, shelf.materials, studio.units)
  }
  return Object.entries(document as object).map(
    ([key, value]) => `${key}: ${typeof value === 'object' ? JSON.stringify(value) : value}`,
  )
}

const sides = computed(() => {
  const session = stale.value
  if (!session?.theirs) return []
  const { own, other } = compareLines(lines(session.document), lines(session.theirs.document))
  return [
    { title: 'Yours', lines: own, choice: 'mine' as const, action: 'Keep yours' },
    {
      title: 'The other',
      lines: other,
      choice: 'theirs' as const,
      action: 'Take the other',
    },
  ]
})
</script>

<template>
  <ElDialog
    :model-value="stale !== undefined"
    title="This was changed elsewhere meanwhile"
    width="760"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
  >
    <p class="quiet">
      Nothing was overwritten. Whichever you choose, the other stays in the history; what differs is
      marked.
    </p>
    <VersionSides class="both" :sides="sides">
      <template #default="{ index }">
        <ElButton
          type="primary"
          :class="{ ghost: sides[index].choice === 'theirs' }"
          @click="stale?.settle(sides[index].choice)"
        >
          {{ sides[index].action }}
        </ElButton>
      </template>
    </VersionSides>
  </ElDialog>
</template>

<style scoped>
.both {
  margin-top: 16px;
}
</style>
