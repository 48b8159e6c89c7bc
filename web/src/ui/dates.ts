import dayjs from 'dayjs'

/** `Tue 10 Nov`, with the year when it is not this one. */
export function showDay(iso: string): string {
  const day = dayjs(iso)
  return day.format(day.year() === dayjs().year() ? 'ddd D MMM' : 'ddd D MMM YYYY')
}

/** `Tue 10 Nov, 18:40` */
export const showMoment = (iso: string): string => `${showDay(iso)}, ${dayjs(iso).format('HH:mm')}`

/** For a field of the browser. */
export const toLocalField = (iso: string): string => dayjs(iso).format('YYYY-MM-DDTHH:mm')

/** With this machine's offset; undefined while it is not a whole date. */
export function fromLocalField(value: string): string | undefined {
  const day = dayjs(value)
  return value !== '' && day.isValid() ? day.format('YYYY-MM-DDTHH:mm:ssZ') : undefined
}

export const now = (): string => dayjs().format('YYYY-MM-DDTHH:mm:ssZ')
