<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { ElButton } from 'element-plus'
import { api } from '../api/client.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QrCode from '../ui/QrCode.vue'

/** A tablet at the bench: the address that other devices of the local network reach this under. */
const addresses = shallowRef<string[]>([])
const { problems, trying } = useProblems()
onMounted(() => trying(async () => void (addresses.value = (await api.lan()).addresses)))
const at = ref(0)
const address = computed(() => addresses.value[at.value % Math.max(1, addresses.value.length)])
const secure = computed(() => address.value?.startsWith('https:'))
</script>

<template>
  <section class="panel box wide" aria-label="A tablet at the bench">
    <h2>A tablet at the bench</h2>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <div v-if="address" class="lan">
      <QrCode class="code" :text="address" />
      <div class="stack">
        <p>
          Other devices of the local network open <b>{{ address }}</b>; they are asked for the
          passphrase once.
        </p>
        <p v-if="!secure" class="quiet">
          Over a plain address a tablet can’t keep its screen on by itself. Start with
          <code>npm start -- --host --tls</code> and accept the certificate of this machine once,
          and it can.
        </p>
        <ElButton v-if="addresses.length > 1" @click="at++">Another address</ElButton>
      </div>
    </div>
    <p v-else class="quiet">
      Now only this computer opens Mivro. To have it on a tablet too, stop it where it runs and
      start it again with <code>npm start -- --host</code>: it asks for a passphrase, says the
      address that the tablet opens, and shows it here.
    </p>
  </section>
</template>

<style scoped>
.lan {
  display: flex;
  flex-wrap: wrap;
  gap: 24px;
}

.code {
  width: 190px;
}

.stack {
  flex: 1;
  align-items: flex-start;
}

code {
  font: 600 var(--size) / 1.4 var(--num);
}
</style>
