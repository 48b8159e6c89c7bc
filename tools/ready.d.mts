export function fits(major: number, minor: number): boolean
export function ready(): Promise<void>
export function built(): Promise<number>
export function bundled(): Promise<number>
