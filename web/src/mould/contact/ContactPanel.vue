<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { finishes, masterAims, substances, type ContactRole, type Surface } from '@mivro/core/mould'
import { aimWords } from '@mivro/words/prepare'
import { fieldsOf } from '../../ui/fields.ts'
import SelectField from '../../ui/SelectField.vue'
import QuantityField from '../../ui/QuantityField.vue'
import RemoveButton from '../../ui/RemoveButton.vue'
import SegmentField from '../../ui/SegmentField.vue'
import ShelfSelect from '../../ui/ShelfSelect.vue'
import { useProject } from '../../project/projectStore.ts'
import { useContact } from './useContact.ts'

const project = useProject()
const { contact, touched, made, change, changeMaster, changeRole } = useContact()

const roles: Record<ContactRole, string> = {
  walls: 'Walls of the box',
  clay: 'Clay of the bed',
  glue: 'Glue under the master',
  fillers: 'Chunks of old moulds',
  rods: 'Rods for gates and vents',
}
const aims = masterAims.map((value) => ({ value, ...aimWords[value] }))
const cast = computed(() => [...new Set(project.castResins)].join(' and '))

const plain: Surface = {
  substance: 'sulphur-free clay',
  finish: 'none',
  release: 'none',
  damp: 'dry',
}

const changeOther = (index: number, values: Partial<Surface>) =>
  change({
    others: contact.value.others.map((other, i) => (i === index ? { ...other, ...values } : other)),
  })
const isPrint = (surface: Surface) => surface.substance === 'resin print'
const { choice } = fieldsOf(() => project.mould!, project.changeMould)
const { field: masterField, choice: masterChoice } = fieldsOf(
  () => contact.value.master,
  changeMaster,
)
const { choice: contactChoice } = fieldsOf(() => contact.value, change)
</script>

<template>
  <h2>Compatibility</h2>
  <ShelfSelect label="Silicone" kind="silicone" v-bind="choice('silicone')" />
  <template v-if="made">
    <SelectField label="Master material" :options="substances" v-bind="masterChoice('substance')" />
    <SelectField
      label="Its casts show"
      :options="aims"
      :value="contact.aim ?? 'smooth'"
      @choose="change({ aim: $event })"
    />
    <QuantityField
      label="Age in weeks"
      kind="duration"
      bare-unit="weeks"
      optional
      placeholder="not known"
      v-bind="masterField('age')"
    />
    <SegmentField
      v-if="isPrint(contact.master)"
      label="State of the print"
      :options="{ 'as printed': 'as printed', baked: 'baked' }"
      :value="contact.master.cured ?? 'as printed'"
      @choose="changeMaster({ cured: $event })"
    />
    <SelectField label="Finish" :options="finishes" v-bind="masterChoice('finish')" />
    <SegmentField
      label="Release"
      :options="{ none: 'none', spray: 'spray', wax: 'wax' }"
      v-bind="masterChoice('release')"
    />
    <SegmentField
      label="Dampness"
      :options="{ dry: 'dry', damp: 'damp' }"
      v-bind="masterChoice('damp')"
    />
  </template>
  <p v-if="cast" class="row">
    <span class="field-label">Resin cast in it</span>
    <span>{{ cast }}, as the pour has it</span>
  </p>
  <SegmentField
    v-else
    above
    label="Cast in it will be"
    :options="['epoxy', 'urethane', 'polyester']"
    v-bind="contactChoice('resin')"
  />

  <template v-if="touched.length > 0">
    <h3>Inside the box</h3>
    <div v-for="{ role, surface } in touched" :key="role" class="role">
      <SelectField
        :label="roles[role]"
        :options="substances"
        :value="surface.substance"
        @choose="changeRole(role, { ...surface, substance: $event })"
      />
      <SelectField
        :label="`Finish, ${roles[role].toLowerCase()}`"
        :options="finishes"
        :value="surface.finish"
        @choose="changeRole(role, { ...surface, finish: $event })"
      />
    </div>
  </template>
  <div v-if="made" class="row">
    <h3>Also in the box</h3>
    <ElButton link type="primary" @click="change({ others: [...contact.others, plain] })">
      <Plus :size="14" aria-hidden="true" />Add
    </ElButton>
  </div>
  <div v-for="(other, i) in contact.others" :key="i" class="other">
    <SelectField
      :label="`Spacer, tape, other ${i + 1}`"
      :options="substances"
      :value="other.substance"
      @choose="changeOther(i, { substance: $event })"
    />
    <RemoveButton
      :label="`Delete ${other.substance}`"
      @click="change({ others: contact.others.filter((_, k) => k !== i) })"
    />
  </div>
  <template v-if="contact.tests.length > 0">
    <h3>Patch tests</h3>
    <p v-for="test in contact.tests" :key="test.id" class="row small">
      <span>{{ test.poured }} on {{ test.substance }}, {{ test.day }}</span>
      <span class="kept">
        <b>{{ test.result }}</b>
        <RemoveButton
          :label="`Delete the test of ${test.day}`"
          @click="change({ tests: contact.tests.filter(({ id }) => id !== test.id) })"
        />
      </span>
    </p>
  </template>
</template>

<style scoped>
.other {
  display: grid;
  grid-template-columns: 1fr 28px;
  align-items: center;
  gap: 8px;
}

.kept {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
</style>
