import { parse } from 'bowser'

/** What a device is called in the list of those that are let in: by what its browser says of itself. */
export function deviceName(userAgent: string | undefined): string {
  // A browser's own is a few hundred letters; a longer one is nobody's and is not read.
  if (!userAgent || userAgent.length > 500) return 'A device'
  const { browser, os, platform } = parse(userAgent)
  const kind = { tablet: 'Tablet', mobile: 'Phone', desktop: 'Computer' }[platform.type ?? '']
  const told = [browser.name, os.name].filter((part) => part !== undefined).join(' on ')
  return [kind ?? 'Device', told]
    .filter((part) => part !== '')
    .join(', ')
    .slice(0, 60)
}
