import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Material, Shelf } from '@mivro/core/matter/material'
import { api, newId, type Stored } from '../api/client.ts'
import { newestOf } from '../api/sessions.ts'

/** The materials of the studio. */
export const useShelf = defineStore('shelf', () => {
  const stored = shallowRef<Stored<Material>[]>([])
  const loaded = ref(false)
  const materials = computed<Shelf>(
    () => new Map(stored.value.map((entry) => [entry.id, entry.document])),
  )

  const load = async () => take(await api.list('materials'))

  /** The list as it was read just now. */
  function take(read: Stored<Material>[]): void {
    stored.value = newestOf('materials', read)
    loaded.value = true
  }

  async function add(material: Material): Promise<string> {
    const made = await api.add('materials', newId(), material)
    stored.value = [...stored.value, made]
    return made.id
  }

  /** Typical materials of the trade, for a shelf that is empty. */
  async function addTypical(): Promise<void> {
    const { typicalMaterials } = await import('./startingMaterials.ts')
    for (const material of typicalMaterials) await add(material)
  }

  /** An open sheet was edited: what plans see follows at once. */
  function follow(id: string, document: Material): void {
    stored.value = stored.value.map((entry) => (entry.id === id ? { ...entry, document } : entry))
  }

  async function remove(id: string): Promise<void> {
    await api.remove('materials', id)
    stored.value = stored.value.filter((entry) => entry.id !== id)
  }

  async function restore(id: string): Promise<void> {
    await api.restore('materials', id)
    await load()
  }

  return { stored, loaded, materials, load, take, add, addTypical, follow, remove, restore }
})
