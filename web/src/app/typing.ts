import { onScopeDispose, ref, type Ref } from 'vue'

/** Whether a field is typed into; choices, also those that are searched, and sliders hand on at once. */
export const isTyped = (field: Element): boolean =>
  field instanceof HTMLTextAreaElement ||
  (field instanceof HTMLInputElement &&
    ['text', 'number', 'search'].includes(field.type) &&
    field.getAttribute('role') !== 'combobox')

/** Whether a field of the page holds typing that it has not handed on yet. */
export function useTyping(target: Document = document): Ref<boolean> {
  const typing = ref(false)
  const begin = ({ target: field }: Event) => {
    typing.value = field instanceof Element && isTyped(field)
  }
  const end = () => (typing.value = false)
  const onEnter = ({ key }: KeyboardEvent) => key === 'Enter' && end()
  target.addEventListener('input', begin)
  target.addEventListener('focusout', end)
  target.addEventListener('keydown', onEnter)
  onScopeDispose(() => {
    target.removeEventListener('input', begin)
    target.removeEventListener('focusout', end)
    target.removeEventListener('keydown', onEnter)
  })
  return typing
}
