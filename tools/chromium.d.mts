export function findChromium(): Promise<string | undefined>
export const chromiumArgs: string[]
export const missingChromium: string
