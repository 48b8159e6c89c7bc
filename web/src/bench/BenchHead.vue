<script setup lang="ts">
import { ElButton } from 'element-plus'
import { CircleHelp, LogOut, Volume2, VolumeX, Wrench } from 'lucide-vue-next'

/** Which run it is, how its instruments are, and the way out. */
defineProps<{
  name: string
  context: string
  lamps: readonly { name: string; ill: boolean; said: string }[]
}>()
defineEmits<{ world: []; help: []; leave: [] }>()
const speaks = defineModel<boolean>('speaks', { required: true })
</script>

<template>
  <header>
    <b class="mark">mivro</b>
    <h1>{{ name }}</h1>
    <span class="quiet">{{ context }}</span>
    <span class="gap grow" />
    <span v-for="lamp in lamps" :key="lamp.name" class="lamp" :class="{ ill: lamp.ill }">
      <i /> {{ lamp.said }}
    </span>
    <ElButton :aria-label="speaks ? 'Voice off' : 'Voice on'" @click="speaks = !speaks">
      <component :is="speaks ? Volume2 : VolumeX" :size="20" aria-hidden="true" />
    </ElButton>
    <ElButton aria-label="The simulated world" @click="$emit('world')">
      <Wrench :size="20" aria-hidden="true" />
    </ElButton>
    <ElButton aria-label="Shortcuts" @click="$emit('help')">
      <CircleHelp :size="20" aria-hidden="true" />
    </ElButton>
    <ElButton aria-label="Leave the bench" @click="$emit('leave')">
      <LogOut :size="20" aria-hidden="true" />
    </ElButton>
  </header>
</template>

<style scoped>
header {
  grid-column: 1 / 4;
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 0 18px 0 22px;
  border-bottom: 1px solid var(--line);
}

.mark {
  font: 700 var(--bench-lead) / 1 var(--num);
  color: var(--honey);
}

h1 {
  font-size: var(--bench-lead);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}

h1:focus-visible {
  outline: 0;
}

header .quiet {
  white-space: nowrap;
}

.lamp {
  display: flex;
  align-items: center;
  gap: 8px;
  color: var(--ink-2);
  font-size: var(--size);
  white-space: nowrap;
}

.lamp i {
  width: 10px;
  height: 10px;
  border-radius: var(--r-round);
  background: var(--ok);
}

.lamp.ill i {
  border-radius: var(--r-tiny);
  background: var(--warn);
}

header .el-button {
  width: 48px;
  height: 48px;
  padding: 0;
  background: transparent;
  border-color: var(--line);
}

@media (max-width: 1180px) {
  .lamp:not(.ill) {
    display: none;
  }
}

@media (max-width: 900px) {
  header .quiet {
    display: none;
  }
}
</style>
