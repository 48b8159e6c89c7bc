import { describe, expect, it } from 'vitest'
import { usualWalls } from '../cure/index.ts'
import { sampleMould } from './samples.ts'
import { wallsOf } from './walls.ts'

const box = { ...sampleMould().box, side: 0.02, over: 0.012, under: 0.008 }

describe('how thick a mould stands around a cast', () => {
  it('a block lies as its box leaves it; only a closed one covers the cast', () => {
    const mould = sampleMould({ kind: 'two-part', box })
    expect(wallsOf(mould, 'closed')).toEqual({ floor: 0.008, wall: 0.02, cover: 0.012 })
    expect(wallsOf(mould, 'open')).toEqual({ floor: 0.008, wall: 0.02 })
  })

  it('an open block is turned over: what lay over the master is now its floor', () => {
    expect(wallsOf(sampleMould({ kind: 'open block', box }), 'open').floor).toBe(0.012)
  })

  it('a sock and a printed shell are as thick as their layer', () => {
    const sock = sampleMould({ kind: 'brushed sock', layer: 0.006, box })
    expect(wallsOf(sock, 'closed')).toEqual({ floor: 0.006, wall: 0.006, cover: 0.006 })
  })

  it('a master on the bare floor still has a skin under it, and no mould is a usual one', () => {
    expect(wallsOf(sampleMould({ box: { ...box, under: 0 } }), 'open').floor).toBeGreaterThan(0)
    expect(wallsOf(undefined, 'open')).toEqual(usualWalls)
    expect(wallsOf(undefined, 'closed').cover).toBe(usualWalls.wall)
  })
})
