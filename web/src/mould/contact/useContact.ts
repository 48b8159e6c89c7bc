import { computed } from 'vue'
import {
  contactsOf,
  mouldKinds,
  prepare,
  touchedBy,
  type Contact,
  type ContactRole,
  type Surface,
} from '@mivro/core/mould'
import { useProject } from '../../project/projectStore.ts'

/** What the mould's silicone and casts meet, and what its master goes through before. */
export function useContact() {
  const project = useProject()
  const contact = computed(() => project.mould!.contact)
  const results = computed(() => contactsOf(project.mould!, project.silicone, project.castResins))
  const touched = computed(() => touchedBy(project.mould!, project.silicone))
  const made = computed(() => mouldKinds[project.mould!.kind].poured !== 'none')
  const preparing = computed(() =>
    made.value ? prepare(contact.value.master, project.silicone, contact.value.aim) : [],
  )
  const change = (values: Partial<Contact>) =>
    project.changeMould({ contact: { ...contact.value, ...values } })
  const changeMaster = (values: Partial<Surface>) =>
    change({ master: { ...contact.value.master, ...values } })
  const changeRole = (role: ContactRole, surface: Surface) =>
    change({ roles: { ...contact.value.roles, [role]: surface } })
  return { contact, results, touched, made, preparing, change, changeMaster, changeRole }
}
