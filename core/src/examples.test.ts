import { readdirSync, readFileSync } from 'node:fs'
import { beforeAll, describe, expect, it } from 'vitest'
import { exampleScope } from './examples.ts'

const places = ['core/src', 'words/src']

/** The examples in comments: `@example expression // value`, words after the value in brackets. */
const examples = places
  .flatMap((place) =>
    readdirSync(place, { recursive: true, encoding: 'utf8' }).map((file) => `${place}/${file}`),
  )
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .sort()
  .flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/@example (.*?)(?: \*\/)?$/gm)].map(([, line]) => {
      const at = line.lastIndexOf(' // ')
      return { file, line, call: line.slice(0, at), value: at < 0 ? '' : line.slice(at + 4) }
    }),
  )

const rooms = readdirSync('core/src', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('/index.ts'))
  .map((file) => `core/src/${file}`)

/** What examples are run with: everything that core exports, and a few things to begin with. */
let scope: Record<string, unknown>
beforeAll(async () => {
  const modules = await Promise.all(
    [...new Set([...rooms, ...examples.map(({ file }) => file)])].map(
      (file) => import(/* @vite-ignore */ `../../${file}`) as Promise<Record<string, unknown>>,
    ),
  )
  scope = Object.assign({}, ...modules, await exampleScope())
})

const evaluate = (code: string): unknown =>
  // The text is our own: it stands in the source beside this test.

  (new Function(...Object.keys(scope), `return (${code})`) as (...all: unknown[]) => unknown)(
    ...Object.values(scope),
  )

/** TypeScript's marks that plain JavaScript has not. */
const plain = (call: string) => call.replace(/([\w\])])!(?=[.,)\]])/g, '$1')

/** Numbers to half a percent, of objects what the example names. */
function agree(found: unknown, value: unknown): void {
  if (typeof value === 'number') {
    expect(typeof found).toBe('number')
    expect(Math.abs((found as number) - value)).toBeLessThanOrEqual(0.005 * Math.abs(value) + 1e-12)
  } else if (Array.isArray(value)) {
    expect(found).toHaveLength(value.length)
    value.forEach((one, i) => agree((found as unknown[])[i], one))
  } else if (typeof value === 'object' && value !== null) {
    for (const [key, one] of Object.entries(value))
      agree((found as Record<string, unknown>)[key], one)
  } else expect(found).toEqual(value)
}

describe('examples in comments', () => {
  it('there are many, and each names a value', () => {
    expect(examples.length).toBeGreaterThan(120)
    expect(examples.filter(({ value }) => value === '')).toEqual([])
  })

  it.each(examples)('$file: $line', ({ call, value }) => {
    agree(evaluate(plain(call)), evaluate(value.replace(/ \([^()]*\)$/, '')))
  })
})
