<script setup lang="ts">
import { faultNames, type Pin } from '@mivro/core/work/pull'
import { pictureAddress } from '../api/pictures.ts'
import PictureButton from '../ui/PictureButton.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SelectField from '../ui/SelectField.vue'
import CountField from '../ui/CountField.vue'

/** What is pinned: which fault, how wide, of which copy, with a picture. */
defineProps<{
  pins: readonly Pin[]
  selected?: string
  copies: number
  change: (id: string, values: Partial<Pin>) => void
  picture: (id: string, picture: { id: string; name: string }) => void
}>()
defineEmits<{ select: [id: string]; remove: [id: string] }>()
const faults = faultNames
</script>

<template>
  <ol class="rows stack-8">
    <li
      v-for="(pin, i) in pins"
      :key="pin.id"
      :class="{ on: pin.id === selected }"
      @focusin="$emit('select', pin.id)"
      @click="$emit('select', pin.id)"
    >
      <b class="num">{{ i + 1 }}</b>
      <div class="fields">
        <SelectField
          :label="`Fault ${i + 1}`"
          :options="faults"
          :value="pin.fault"
          @choose="change(pin.id, { fault: $event })"
        />
        <QuantityField
          label="As wide as"
          kind="length"
          :value="pin.size"
          :take="(size) => change(pin.id, { size })"
        />
        <CountField
          v-if="copies > 1"
          label="Copy"
          :value="pin.copy ?? 1"
          :take="(copy) => change(pin.id, { copy })"
        />
        <div class="row">
          <a
            v-if="pin.picture"
            :href="pictureAddress(pin.picture, 'whole')"
            target="_blank"
            rel="noopener"
          >
            <img :src="pictureAddress(pin.picture, 'small')" :alt="`Picture of pin ${i + 1}`" />
          </a>
          <PictureButton
            :label="pin.picture ? 'Another picture' : 'Add a picture'"
            @added="picture(pin.id, $event)"
          />
          <RemoveButton :label="`Delete pin ${i + 1}`" @click.stop="$emit('remove', pin.id)" />
        </div>
      </div>
    </li>
  </ol>
</template>

<style scoped>
li {
  display: flex;
  gap: 10px;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: var(--r);
}

li.on {
  border-color: var(--teal);
  background: var(--hover);
}

.fields {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 6px;
  min-width: 0;
}

img {
  display: block;
  width: 72px;
  height: 54px;
  border-radius: var(--r-small);
  object-fit: cover;
}
</style>
