export function findChromium(): Promise<string | undefined>
export const missingChromium: string
