import dayjs from 'dayjs'

/** `Tue 10 Nov`, with the year when it is not this one. */
export function showDay(iso: string): string {
  const day = dayjs(iso)
  return day.format(day.year() === dayjs().year() ? 'ddd D MMM' : 'ddd D MMM YYYY')
}

/** `Tue 10 Nov, 18:40` */
export const showMoment = (iso: string): string => `${showDay(iso)}, ${dayjs(iso).format('HH:mm')}`

/** How a day and a moment stand in a field, and how a document keeps them: with this machine's offset. */
export const dayFormat = 'ddd D MMM YYYY'
export const momentFormat = 'ddd D MMM YYYY, HH:mm'
export const isoFormat = 'YYYY-MM-DDTHH:mm:ssZ'

export const now = (): string => dayjs().format(isoFormat)
