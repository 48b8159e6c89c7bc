import { describe, expect, it } from 'vitest'
import { newRun } from '../work/run/index.ts'
import { documentTypeNames, documentTypes, filesOf } from './documents.ts'
import { newStudio } from './studio.ts'

const hash = (letter: string) => letter.repeat(64)

describe('types of documents', () => {
  it('each has an address of its own, and belongs to a type that is there', () => {
    const paths = documentTypeNames.map((name) => documentTypes[name].path)
    expect(new Set(paths).size).toBe(paths.length)
    for (const name of documentTypeNames) {
      const { parent } = documentTypes[name]
      if (parent !== undefined) expect(documentTypeNames).toContain(parent)
    }
  })

  it('a piece from a file names its mesh, a pull the pictures of its pins and its own, each once', () => {
    const form = { from: 'file', mesh: hash('a'), fileName: 'a.stl', unit: 'mm' }
    expect(filesOf('piece', { name: 'Piece', form, note: '' }).meshes).toEqual([hash('a')])
    const sizes = { from: 'sizes', solid: { solid: 'ball', diameter: 0.02 } }
    expect(filesOf('piece', { name: 'Piece', form: sizes, note: '' }).meshes).toEqual([])
    const pull = {
      pictures: [{ id: hash('b'), name: 'rim' }],
      pins: [{ fault: 'void', picture: hash('c') }, { fault: 'void' }, { picture: hash('b') }],
    }
    expect(filesOf('pull', pull).pictures).toEqual([hash('b'), hash('c')])
  })

  it('a bench names what was photographed at it; what has no files names none', () => {
    const events = [
      { what: 'noted', at: 1, text: '', picture: hash('d') },
      { what: 'noted', at: 2, text: 'It froths' },
      { what: 'read', at: 3, task: hash('e') },
    ]
    expect(filesOf('bench', { events }).pictures).toEqual([hash('d')])
    expect(filesOf('run', newRun('Run'))).toEqual({ meshes: [], pictures: [] })
    expect(filesOf('studio', newStudio)).toEqual({ meshes: [], pictures: [] })
  })
})
