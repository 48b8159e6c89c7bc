<script setup lang="ts">
import { shallowRef } from 'vue'
import { ElButton, ElDialog, ElProgress, ElUpload } from 'element-plus'
import type { UploadFile } from 'element-plus'
import { Download, Upload } from 'lucide-vue-next'
import { sayBackupJob } from '@mivro/words/studio'
import ProblemNote from '../ui/ProblemNote.vue'
import { useBackup } from './useBackup.ts'

const backup = useBackup()
const { problems, said, job, working, canLeaveOut } = backup
const chosen = shallowRef<File>()

function restore(): void {
  const file = chosen.value!
  chosen.value = undefined
  void backup.restore(file)
}
</script>

<template>
  <section class="panel box" aria-label="Backup">
    <h2>Backup</h2>
    <p class="quiet">
      One file holds everything: pieces with their shapes, moulds, materials, pours, runs, benches,
      pulls with their pictures, and every earlier version of them.
    </p>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <div v-if="working" class="job" role="status">
      <p>{{ job ? sayBackupJob(job) : 'Asking for it …' }}</p>
      <div class="row">
        <ElProgress
          class="bar"
          :percentage="Math.round(100 * (job?.done ?? 0))"
          aria-label="Progress of the backup"
        />
        <ElButton @click="backup.cancel">Cancel</ElButton>
      </div>
    </div>
    <div v-else class="acts">
      <ElButton v-if="canLeaveOut" type="primary" @click="backup.save(true)"
        ><Download :size="15" aria-hidden="true" />Save a backup without it</ElButton
      >
      <ElButton v-else type="primary" @click="backup.save()"
        ><Download :size="15" aria-hidden="true" />Save a backup</ElButton
      >
      <ElUpload
        accept=".zip"
        :auto-upload="false"
        :show-file-list="false"
        :on-change="({ raw }: UploadFile) => (chosen = raw)"
      >
        <ElButton tag="span"><Upload :size="15" aria-hidden="true" />Restore backup</ElButton>
      </ElUpload>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
    <ElDialog
      :model-value="chosen !== undefined"
      title="Restore this backup?"
      width="460"
      @close="chosen = undefined"
    >
      <p>
        {{ chosen?.name }} replaces all that is here now. What is here is kept first, as a backup of
        its own beside the store.
      </p>
      <div class="acts end">
        <ElButton @click="chosen = undefined"> Cancel </ElButton>
        <ElButton type="primary" @click="restore">Restore backup</ElButton>
      </div>
    </ElDialog>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
  margin-top: 4px;
}

.acts.end {
  justify-content: flex-end;
  margin-top: 20px;
}

.bar {
  flex: 1;
}
</style>
