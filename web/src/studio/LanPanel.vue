<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { ElButton } from 'element-plus'
import { api } from '../api/client.ts'
import { showMoment } from '../ui/dates.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QrCode from '../ui/QrCode.vue'

/** A tablet at the bench: the address that other devices of the local network reach this under. */
const lan = shallowRef<Awaited<ReturnType<typeof api.lan>>>()
const addresses = computed(() => lan.value?.addresses ?? [])
const { problems, trying } = useProblems()
const look = () => trying(async () => void (lan.value = await api.lan()))
onMounted(look)
/** Signed out, this device is asked for the passphrase when it is loaded anew. */
const signOut = (which: 'here' | 'all') =>
  trying(async () => {
    await api.signOut(which)
    if (lan.value?.itself) await look()
    else location.reload()
  })
const signOutDevice = (id: string) =>
  trying(async () => {
    await api.signOutDevice(id)
    await look()
  })
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
        <ul v-if="lan!.devices.length > 0" class="lined" aria-label="Devices that are signed in">
          <li v-for="device in lan!.devices" :key="device.id" class="row">
            <span
              ><b>{{ device.name || 'A device' }}{{ device.here ? ', this one' : '' }}</b>
              <span class="quiet small">last used {{ showMoment(device.used) }}</span></span
            >
            <ElButton v-if="!device.here" link type="primary" @click="signOutDevice(device.id)"
              >Sign out</ElButton
            >
          </li>
        </ul>
        <p class="quiet">
          {{ lan!.devices.length === 0 ? 'No device is signed in.' : '' }} One that is not used for
          30 days is signed out by itself.
        </p>
        <div class="buttons">
          <ElButton v-if="addresses.length > 1" @click="at++">Another address</ElButton>
          <ElButton v-if="!lan!.itself" @click="signOut('here')">Sign out here</ElButton>
          <ElButton v-if="lan!.devices.length > 1" @click="signOut('all')"
            >Sign out all devices</ElButton
          >
        </div>
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

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

ul {
  width: 100%;
}

code {
  font: 600 var(--size) / 1.4 var(--num);
}
</style>
