import { hostname, networkInterfaces } from 'node:os'

/** Addresses of this machine in its network, and names it goes by; IPv4 first, for a QR code. */
export function namesOfMachine(given: readonly string[] = []): string[] {
  const addresses = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80'))
    .toSorted((a, b) => a.family.localeCompare(b.family))
    .map(({ address }) => address)
  const own = hostname()
  return [...new Set([...given, ...addresses, own, `${own}.local`])]
}

/** A host header's name without its port. @example hostOf('[fd00::2]:5317') // 'fd00::2' */
export const hostOf = (header: string): string =>
  header
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase()
