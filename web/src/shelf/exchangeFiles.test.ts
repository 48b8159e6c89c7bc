import { describe, expect, it } from 'vitest'
import { firmPlatinum, slowEpoxy, violet } from '../../../core/src/matter/material/samples.ts'
import { readArrivals, toCsv, toJson } from './exchangeFiles.ts'

const file = (text: string, name = 'shelf.csv') => new File([text], name)
const states = async (text: string) =>
  (await readArrivals(file(text), [slowEpoxy])).map(({ state }) => state)

describe('materials in files', () => {
  it('a table goes out and comes back, against what is on the shelf', async () => {
    const text = await toCsv([slowEpoxy, firmPlatinum, violet])
    expect(await states(text)).toEqual(['same', 'new', 'new'])
  })

  it('names with commas, quotes and line breaks survive the table', async () => {
    const odd = { ...violet, name: 'Violet, "deep"', note: 'first line\nsecond line' }
    const [arrival] = await readArrivals(file(await toCsv([odd])), [])
    expect(arrival).toMatchObject({ state: 'new', material: { name: odd.name, note: odd.note } })
  })

  it('JSON is known by its content, not its name', async () => {
    expect(await states(toJson([slowEpoxy, violet]))).toEqual(['same', 'new'])
  })

  it('columns may stand in any order, in any case, with semicolons', async () => {
    const text = 'Name;Kind;Form;Limit_percent\nBlue;tint;dye;0.4\n'
    const [arrival] = await readArrivals(file(text), [])
    expect(arrival).toMatchObject({ state: 'new', material: { name: 'Blue', limit: 0.004 } })
  })

  it.each([
    ['', 'file-empty'],
    ['   \n ', 'file-empty'],
    ['a,b\n1,2', 'file-broken'],
    ['{"materials": 3}', 'file-broken'],
  ])('%j is refused', async (text, code) => {
    await expect(readArrivals(file(text), [])).rejects.toMatchObject({ code })
  })

  it('a file larger than any shelf is refused before it is read', async () => {
    const large = { size: 9e6, text: () => Promise.reject(new Error('read')) } as unknown as File
    await expect(readArrivals(large, [])).rejects.toMatchObject({ code: 'file-too-large' })
  })

  it('one line that can’t be read does not keep the others out', async () => {
    const text = `${await toCsv([violet])}\r\nglue,Strange`
    const found = await readArrivals(file(text), [])
    expect(found.map(({ state }) => state)).toEqual(['new', 'broken'])
  })

  it('a table of 150,000 rows is refused at once, not read', async () => {
    const rows = `kind,name\n${'tint,Blue\n'.repeat(150_000)}`
    const file = { size: rows.length, name: 'a.csv', text: async () => rows } as File
    await expect(readArrivals(file, [])).rejects.toMatchObject({
      code: 'table-too-long',
      amounts: { limit: 500 },
    })
  })
})
