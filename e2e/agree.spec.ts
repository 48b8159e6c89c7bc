import { imperial } from '@mivro/core/base/units'
import { expect, test, type Mivro } from './mivro.ts'
import { changeAll } from './states.ts'

/** What goes into one cup, by the name of the part, in the unit that is shown. */
type Cup = Record<string, number>

/** Of each layer on the paper of a piece: one cup, and how many of it there are. */
const onPaper = ({ page }: Mivro): Promise<{ count: number; cup: Cup }[]> =>
  page.locator('li[data-step="weigh"]').evaluateAll((items) =>
    items.map((item) => ({
      count: Number(/each of (\d+) cups/.exec(item.textContent ?? '')?.[1] ?? 1),
      cup: Object.fromEntries(
        [...item.querySelectorAll('tbody tr')].map((row) => [
          row.querySelector('th')!.textContent!.trim(),
          Number.parseFloat(row.querySelector('td')!.textContent!),
        ]),
      ),
    })),
  )

/** Of each cup on the paper of a run. */
const onRunSheet = ({ page }: Mivro): Promise<Cup[]> =>
  page.locator('p.weighed').evaluateAll((cups) =>
    cups.map((cup) =>
      Object.fromEntries(
        [...cup.querySelectorAll('span')].flatMap((part) => {
          const weight = part.querySelector('b')
          const name = part.firstChild?.textContent?.trim()
          return weight && name ? [[name, Number.parseFloat(weight.textContent!)]] : []
        }),
      ),
    ),
  )

const sums = (cups: readonly Cup[]): Cup => {
  const all: Cup = {}
  for (const [name, mass] of cups.flatMap((cup) => Object.entries(cup))) {
    all[name] = (all[name] ?? 0) + mass
  }
  return all
}

const all = [
  {
    named: 'grams and millimetres',
    units: undefined,
    pieces: ['demo-crater-keycap', 'demo-comet-drop'],
  },
  { named: 'ounces and inches', units: imperial, pieces: ['demo-coaster'] },
]
for (const { named, units, pieces } of all) {
  test(`in ${named} panel, paper, run and bench tell one weight`, async ({ mivro, page }) => {
    await mivro.open('/nowhere')
    if (units) {
      await changeAll(mivro.server.address, 'studios', (studio) => ({ ...studio, units }))
    }
    for (const piece of pieces) {
      await mivro.open(`/pieces/${piece}/pour`)
      const copies = await mivro.field('Copies in this mix').inputValue()
      await page.locator('.tag').last().click()
      await mivro.calm()
      const panel = await page.locator('aside tr[class*="part-"]').evaluateAll((rows) =>
        Object.fromEntries(
          rows.map((row) => {
            const [name, weight] = row.querySelectorAll('td')
            return [name.textContent!.trim(), Number.parseFloat(weight.textContent!)]
          }),
        ),
      )
      await mivro.open(`/pieces/${piece}/sheet`)
      await mivro.calm()
      const paper = await onPaper(mivro)
      expect(paper.map(({ cup }) => cup)).toContainEqual(panel)

      await mivro.open(`/pieces/${piece}/pour`)
      await page.getByRole('button', { name: 'Plan a run of it' }).click()
      await expect(page).toHaveURL(/\/runs\//)
      await mivro.type('Casts wanted', copies)
      await mivro.saved()
      await mivro.calm()
      const run = new URL(page.url()).pathname
      await mivro.open(`${run}/sheet`)
      await mivro.calm()
      const cups = await onRunSheet(mivro)
      const wanted = sums(paper.flatMap(({ count, cup }) => Array<Cup>(count).fill(cup)))
      const found = sums(cups)
      // Each cup is told to half a step of its scale, 0.05 g.
      const told = 0.051 * (cups.length + paper.length)
      const near = (of: Cup) =>
        Object.fromEntries(
          Object.entries(of).map(([name, mass]) => [
            name,
            expect.closeTo(mass, -Math.log10(2 * told)),
          ]),
        )
      expect(found, piece).toEqual(near(wanted))

      await mivro.open(run)
      await page.getByRole('button', { name: 'Carry out' }).click()
      await expect(page).toHaveURL(/\/bench\//)
      await mivro.calm()
      const id = new URL(page.url()).pathname.split('/').at(-1)
      const answer = await fetch(`${mivro.server.address}/api/benches/${id}`)
      const { document } = (await answer.json()) as {
        document: { tasks: { what: string; name: string; mass: number }[] }
      }
      const weighed = document.tasks.filter(({ what }) => what === 'weigh')
      expect(sums(weighed.map(({ name, mass }) => ({ [name]: 1e3 * mass }))), piece).toEqual(
        near(found),
      )
    }
  })
}
