import { even, linearOf, spectrumOf, type Matter } from '../colour/index.ts'
import { middleOf, thingsMesh, type LaidPlace, type ThingSize } from '../inclusion/index.ts'
import { axesFor, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { innerFace } from '../../form/wall/index.ts'
import type { Optics } from './traceRay.ts'
import { strata, type Medium, type Stratum } from './media.ts'
import { lightTable, traceLamp, type LampLight } from './onTable.ts'
import type { Paths } from './paths.ts'
import { mountShare, towardLamp, type Setting } from './setting.ts'
import { shade, toPixels } from './shade.ts'
import { standOnTable, type Standing } from './standing.ts'
import { traceView, type View } from './view.ts'

/** Things of one kind set into the piece, and their colour as `#rrggbb`. */
export interface SetThings {
  size: ThingSize
  /** Of their undersides above the lowest point, m. */
  floor: number
  places: readonly LaidPlace[]
  colour: string
  /** Refractive index of what is clear. */
  index?: number
}

/** Everything that decides a picture of a finished piece. */
export interface Look {
  /** Against gravity when it was poured, in the piece's own axes. */
  up: Vec3
  /** Upwards as it stands on the table, in the piece's own axes. */
  stands: Vec3
  /** From the bottom up; none is a piece of clear resin. */
  layers: readonly (Stratum & { matter: Matter })[]
  things: readonly SetThings[]
  /** A hollow cast: how thick its wall is, and up to where it is solid, m. */
  hollow?: { wall: number; bottom: number }
  /** Metal on all of its walls, as `#rrggbb`. */
  skin?: string
  setting: Setting
  view: View
  /** Rows of the picture that are wanted, from the top; all unless said. */
  rows?: readonly [first: number, last: number]
}

/** Refractive index of cured resin: epoxies and urethanes lie between 1.50 and 1.57 (from memory). */
export const resinIndex = 1.53

/** Refractive index of what is in a hollow cast. */
const air = 1

/** Paths from the lamp along each side of its square, for a picture this wide, px. */
const lampPaths = (width: number) => (width < 150 ? 64 : 160)

/** A piece without layers is clear all through. */
const clear: Matter = { k: even(0), s: even(0) }

/** Traces that are kept of one piece. */
const mostKept = 3

/**
 * Pictures of one piece. What was traced is kept: another dose, another table or another lamp's
 * colour asks for no new trace, a turned view for no new tree.
 */
export class LookMaker {
  private piece: { key: string; standing: Standing } | undefined
  /** A coarse picture, a finer one and the finest. */
  private readonly seen = new Map<string, Paths>()
  private cut: { key: string; levels: Float64Array; media: Medium[] } | undefined
  private lit: { key: string; light: LampLight } | undefined

  constructor(private readonly mesh: Mesh) {}

  /**
   * Pixels of the rows that are wanted, four bytes each.
   *
   * @example new LookMaker(ballOf10mm).pixels({ ...lookOfBall, rows: [0, 1] }).length // 160
   */
  pixels(look: Look): Uint8ClampedArray<ArrayBuffer> {
    return toPixels(this.linear(look))
  }

  /** The same as linear light, three numbers a pixel. */
  linear(look: Look): Float32Array {
    const { view, setting, layers, things } = look
    const rows = look.rows ?? [0, view.height]
    const { piece, key } = this.standing(look)
    const { levels, media } = this.strata(layers)
    const mounted = setting.mount !== undefined && setting.mount !== 'none'
    const optics: Optics = {
      piece,
      levels,
      index: resinIndex,
      things: [...things.map(({ index }) => index), ...(look.hollow ? [air] : [])],
      mount: mounted ? mountShare * piece.height : 0,
    }
    const cut = `${key} ${levels.join()} ${mounted} ${optics.things!.join()}`
    const paths = this.paths(`${cut} ${JSON.stringify([view, rows])}`, () =>
      traceView(optics, view, ...rows),
    )
    const lamp = towardLamp(setting.lamp, view.turn)
    const side = lampPaths(view.width)
    const light = this.lamp(`${cut} ${lamp.join()} ${side}`, () => traceLamp(optics, lamp, side))
    const matters = layers.length > 0 ? layers.map(({ matter }) => matter) : [clear]
    const reach = 2 * piece.radius
    return shade(paths, {
      skin: look.skin === undefined ? undefined : spectrumOf(linearOf(look.skin)),
      media,
      layers: matters,
      things: things.map(({ colour }) => spectrumOf(linearOf(colour))),
      setting,
      lamp,
      table: lightTable(light, media, matters, reach),
      reach,
    })
  }

  private standing({ up, stands, things, skin, hollow }: Look): { piece: Standing; key: string } {
    const laid = things.map(({ size, floor, places }) => ({ size, floor, places }))
    const skinned = skin !== undefined
    const key = `${up.join()} ${stands.join()} ${skinned} ${JSON.stringify([hollow, laid])}`
    if (this.piece?.key !== key) {
      const [axes, middle] = [axesFor(up), middleOf(this.mesh, up)]
      const meshes = laid.map(({ size, floor, places }) =>
        thingsMesh(size, places, axes, middle, floor),
      )
      if (hollow) {
        const { wall, bottom } = hollow
        meshes.push(innerFace(this.mesh, wall, { up, bottom }))
      }
      this.piece = {
        key,
        standing: standOnTable(this.mesh, stands, { poured: up, things: meshes, skin: skinned }),
      }
    }
    return { piece: this.piece.standing, key }
  }

  /** The same media for the same layers, so that what was reckoned along the paths is kept. */
  private strata(layers: readonly Stratum[]): { levels: Float64Array; media: Medium[] } {
    const key = JSON.stringify(layers.map(({ top, join }) => [top, join]))
    if (this.cut?.key !== key) this.cut = { key, ...strata(layers) }
    return this.cut
  }

  private paths(key: string, trace: () => Paths): Paths {
    const known = this.seen.get(key)
    const paths = known ?? trace()
    this.seen.delete(key)
    this.seen.set(key, paths)
    if (this.seen.size > mostKept) this.seen.delete(this.seen.keys().next().value!)
    return paths
  }

  private lamp(key: string, trace: () => LampLight): LampLight {
    if (this.lit?.key !== key) this.lit = { key, light: trace() }
    return this.lit.light
  }
}
