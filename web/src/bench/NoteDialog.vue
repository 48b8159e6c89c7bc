<script setup lang="ts">
import { ref } from 'vue'
import { ElButton, ElDialog, ElInput } from 'element-plus'
import PictureButton from '../ui/PictureButton.vue'

/** A word or a picture for the log. While the time to pour runs nothing is typed. */
defineProps<{ busy: boolean }>()
const shown = defineModel<boolean>({ required: true })
const emit = defineEmits<{ note: [note: { text: string; picture?: string }] }>()
const text = ref('')
const quick = [
  'It froths',
  'It runs thick',
  'A drop is lost',
  'A mould leaks',
  'Streaks in the cup',
]

function keep(words: string, picture?: string): void {
  shown.value = false
  text.value = ''
  emit('note', { text: words, picture })
}
</script>

<template>
  <ElDialog v-model="shown" title="Note or photo" width="min(680px, 94vw)">
    <div class="stack">
      <div class="quick">
        <ElButton v-for="words in quick" :key="words" size="large" @click="keep(words)">{{
          words
        }}</ElButton>
      </div>
      <PictureButton label="Add a photo" large @added="keep('Photo', $event.id)" />
      <template v-if="!busy">
        <ElInput v-model="text" type="textarea" :rows="3" aria-label="Note" placeholder="A note" />
        <ElButton type="primary" size="large" :disabled="!text.trim()" @click="keep(text)"
          >Keep the note</ElButton
        >
      </template>
      <p v-else class="quiet">Nothing is typed while the time to pour runs.</p>
    </div>
  </ElDialog>
</template>

<style scoped>
.quick {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

.quick .el-button,
.stack > .el-button {
  min-height: 64px;
}
</style>
