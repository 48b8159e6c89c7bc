import type { VueWrapper } from '@vue/test-utils'

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a wrapper of any component
type Shown = VueWrapper<any>

/** A button by what it says. For tests. */
export const buttonOf = (shown: Shown, words: string) =>
  shown.findAll('button').find((button) => button.text().includes(words))!

/** The cells of each row of a table, as text. For tests. */
export const rowsOf = (shown: Shown): string[][] =>
  shown.findAll('.el-table__row').map((row) => row.findAll('td').map((cell) => cell.text()))

/** Chooses of a list that opens, by its label. For tests. */
export const chooseIn = (shown: Shown, label: string, value: string) =>
  shown
    .findAllComponents({ name: 'ElSelect' })
    .find((select) => select.props('ariaLabel') === label)!
    .vm.$emit('update:modelValue', value)
