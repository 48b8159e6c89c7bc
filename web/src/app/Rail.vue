<script setup lang="ts">
import { useRoute } from 'vue-router'
import {
  Box,
  FlaskConical,
  Gauge,
  Gem,
  ListOrdered,
  NotebookPen,
  Scale,
  Settings,
} from 'lucide-vue-next'

const route = useRoute()
const places = [
  { to: '/pieces', label: 'Pieces', icon: Gem },
  { to: '/moulds', label: 'Moulds', icon: Box },
  { to: '/runs', label: 'Runs', icon: ListOrdered },
  { to: '/log', label: 'Log', icon: NotebookPen },
  { to: '/desk', label: 'Mixing', icon: Scale },
  { to: '/shelf', label: 'Materials', icon: FlaskConical },
  { to: '/equipment', label: 'Equipment', icon: Gauge },
  { to: '/studio', label: 'Settings', icon: Settings },
]
</script>

<template>
  <nav class="rail" aria-label="Places">
    <RouterLink
      v-for="place in places"
      :key="place.to"
      :to="place.to"
      :class="{ on: route.path.startsWith(place.to) }"
    >
      <component :is="place.icon" :size="20" :stroke-width="1.6" aria-hidden="true" />
      {{ place.label }}
    </RouterLink>
  </nav>
</template>

<style scoped>
.rail {
  background: var(--rail);
  border-right: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding-top: 8px;
}

.rail a {
  position: relative;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 3px;
  padding: 9px 0;
  color: var(--ink-2);
  font-size: var(--size-small);
  text-decoration: none;
}

.rail a:hover {
  color: var(--ink);
}

.rail a.on {
  color: var(--ink);
  font-weight: 650;
}

.rail a.on::before {
  content: '';
  position: absolute;
  left: 0;
  top: 10px;
  bottom: 10px;
  width: 4px;
  border-radius: 0 var(--r-small) var(--r-small) 0;
  background: var(--honey);
}
</style>
