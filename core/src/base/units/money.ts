/**
 * A price as it is written, in a currency by its ISO 4217 code, or a bare number without one.
 *
 * @example showMoney(3.5, 'EUR') // '€3.50'
 * @example showMoney(3.5) // '3.50'
 */
export const showMoney = (amount: number, currency?: string): string =>
  currency
    ? new Intl.NumberFormat('en', { style: 'currency', currency }).format(amount)
    : amount.toFixed(2)
