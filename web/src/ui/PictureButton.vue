<script setup lang="ts">
import { ref, shallowRef } from 'vue'
import { ElButton, ElUpload } from 'element-plus'
import { Camera } from 'lucide-vue-next'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { keepPicture } from '../api/pictures.ts'
import ProblemNote from './ProblemNote.vue'

/** Chooses a picture, or takes one where the device has a camera, and keeps it. */
defineProps<{ label: string; large?: boolean }>()
const emit = defineEmits<{ added: [picture: { id: string; name: string }] }>()
const problems = shallowRef<readonly Problem[]>([])
const busy = ref(false)

async function take(file: File): Promise<void> {
  busy.value = true
  try {
    const id = await keepPicture(file)
    problems.value = []
    emit('added', { id, name: file.name.slice(0, 120) })
  } catch (error) {
    problems.value = problemsOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="picture">
    <ElUpload
      accept="image/png,image/jpeg,image/webp"
      :show-file-list="false"
      :auto-upload="false"
      :on-change="(file) => file.raw && take(file.raw)"
    >
      <ElButton tag="span" :size="large ? 'large' : 'default'" :class="{ large }" :loading="busy">
        <Camera :size="16" aria-hidden="true" />{{ label }}
      </ElButton>
    </ElUpload>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
  </div>
</template>

<style scoped>
.large.el-button {
  min-height: 64px;
}
</style>
