import { computed } from 'vue'
import { contactsOf, mouldKinds, prepare, type Contact, type Surface } from '@mivro/core/mould'
import { useMould } from '../mouldStore.ts'

/** What the mould's silicone and casts meet, and what its master goes through before. */
export function useContact() {
  const mould = useMould()
  const contact = computed(() => mould.document!.contact)
  const parts = computed(() =>
    mouldKinds[mould.document!.kind].parts === 2 ? 'two parts' : 'one part',
  )
  const results = computed(() => contactsOf(contact.value, mould.silicone, parts.value))
  const preparing = computed(() => prepare(contact.value.master, mould.silicone))
  const change = (values: Partial<Contact>) =>
    mould.change({ contact: { ...contact.value, ...values } })
  const changeMaster = (values: Partial<Surface>) =>
    change({ master: { ...contact.value.master, ...values } })
  return { contact, results, preparing, change, changeMaster }
}
