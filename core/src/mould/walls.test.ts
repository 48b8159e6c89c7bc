import { describe, expect, it } from 'vitest'
import { usualWalls } from '../matter/cure/index.ts'
import { sampleMould } from './samples.ts'
import { withKind } from './mould.ts'
import { overOf, wallsOf } from './walls.ts'

const box = { ...sampleMould().box, side: 0.02, over: 0.012, under: 0.008 }

const up = [0, 0, 1] as const

describe('how thick a mould stands around a cast', () => {
  it('a block lies as its box leaves it; only a closed one covers the cast', () => {
    const mould = sampleMould({ kind: 'two-part', box })
    expect(wallsOf(mould, up, 0.06, 'closed')).toEqual({ floor: 0.008, wall: 0.02, cover: 0.012 })
    expect(wallsOf(mould, up, 0.06, 'open')).toEqual({ floor: 0.008, wall: 0.02 })
  })

  it('an open block is turned over: what lay over the master is now its floor', () => {
    const block = withKind(sampleMould({ box }), 'open block')
    expect(block.masterUp).toEqual([-0, -0, -1])
    expect(wallsOf(block, up, 0.06, 'open').floor).toBe(0.012)
  })

  it('a mould turned over for the pour has its floor above, and one on its side its sides', () => {
    const mould = sampleMould({ kind: 'two-part', box })
    expect(wallsOf(mould, [0, 0, -1], 0.06, 'closed')).toEqual({
      floor: 0.012,
      wall: 0.02,
      cover: 0.008,
    })
    expect(wallsOf(mould, [1, 0, 0], 0.06, 'open')).toEqual({ floor: 0.02, wall: 0.02 })
  })

  // A box of 100 mm: 8 mm under, 60 mm of piece, so 32 mm over.
  it('a box that is there already says itself what is left over the piece', () => {
    const own = { width: 0.1, depth: 0.1, height: 0.1 }
    expect(overOf({ ...box, own }, 0.06)).toBeCloseTo(0.032, 12)
  })

  it('a sock and a printed shell are as thick as their layer', () => {
    const sock = sampleMould({ kind: 'brushed sock', layer: 0.006, box })
    expect(wallsOf(sock, up, 0.06, 'closed')).toEqual({ floor: 0.006, wall: 0.006, cover: 0.006 })
  })

  it('a master on the bare floor still has a skin under it, and no mould is a usual one', () => {
    const bare = sampleMould({ box: { ...box, under: 0 } })
    expect(wallsOf(bare, up, 0.06, 'open').floor).toBeGreaterThan(0)
    expect(wallsOf(undefined, up, 0.06, 'open')).toEqual(usualWalls)
    expect(wallsOf(undefined, up, 0.06, 'closed').cover).toBe(usualWalls.wall)
  })
})
