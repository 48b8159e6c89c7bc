import { computed, ref } from 'vue'
import type { Vec3 } from '@mivro/core/form/mesh'
import type { Fault, Pin, Pull } from '@mivro/core/work/pull'
import type { Problem } from '@mivro/core/base/problem'
import { newId } from '../api/client.ts'

/** As wide as most faults are, m. */
const usualSize = 0.002

/** Faults that are pinned, the one that is chosen, and their pictures. */
export function usePins(pull: () => Pull, change: (values: Partial<Pull>) => Problem | undefined) {
  const pins = computed(() => pull().pins ?? [])
  const selected = ref(pins.value[0]?.id)

  function add(at: Vec3): void {
    const pin: Pin = {
      id: newId(),
      fault: pull().faults.at(-1) ?? 'void at a tip',
      at: [...at],
      size: usualSize,
      note: '',
    }
    change({ pins: [...pins.value, pin] })
    selected.value = pin.id
  }
  const edit = (id: string, values: Partial<Pin>) =>
    change({
      pins: pins.value.map((pin) => (pin.id === id ? { ...pin, ...values } : pin)),
      // A fault that was pinned as another is no longer one of the cast.
      faults: values.fault ? remaining(id) : pull().faults,
    })
  const remove = (id: string) =>
    change({ pins: pins.value.filter((pin) => pin.id !== id), faults: remaining(id) })

  /** Faults without the one that only this pin stands for. */
  function remaining(id: string): Fault[] {
    const gone = pins.value.find((pin) => pin.id === id)?.fault
    const others = pins.value.some((pin) => pin.id !== id && pin.fault === gone)
    return pull().faults.filter((fault) => others || fault !== gone)
  }

  const withPicture = (picture: { id: string; name: string }) => [
    ...(pull().pictures ?? []).filter(({ id }) => id !== picture.id),
    picture,
  ]
  const addPicture = (picture: { id: string; name: string }) =>
    change({ pictures: withPicture(picture) })
  const pictureOf = (id: string, picture: { id: string; name: string }) =>
    void change({
      pictures: withPicture(picture),
      pins: pins.value.map((pin) => (pin.id === id ? { ...pin, picture: picture.id } : pin)),
    })

  return { pins, selected, add, edit, remove, addPicture, pictureOf }
}
