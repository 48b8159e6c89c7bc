import { PathBook, type Paths } from './paths.ts'
import { traceRay, type Optics } from './traceRay.ts'

/** From where a piece is looked at. */
export interface View {
  /** About the upright, radians. */
  turn: number
  /** Above the table, radians; π/2 looks straight down. */
  lift: number
  /** Of the picture, px. */
  width: number
  height: number
  /** 1 shows the piece and its shadow, 2 twice as large. */
  zoom?: number
}

/** Of the whole picture, radians. */
const angle = (26 * Math.PI) / 180
/** Around the ball that holds the piece, as a share of it. */
const room = 1.3

/** The camera of a view: where it stands, and its axes. */
export function cameraOf({ turn, lift, zoom = 1 }: View, { piece }: Pick<Optics, 'piece'>) {
  const far = (room * piece.radius) / zoom / Math.sin(angle / 2)
  const [s, c] = [Math.sin(turn), Math.cos(turn)]
  const [sl, cl] = [Math.sin(lift), Math.cos(lift)]
  const [x, y, z] = piece.centre
  const from = [x + far * cl * s, y - far * cl * c, z - 0.1 * piece.radius + far * sl] as const
  return {
    from,
    right: [c, s, 0] as const,
    forward: [-cl * s, cl * c, -sl] as const,
    up: [-sl * s, sl * c, cl] as const,
  }
}

/**
 * One ray for each pixel of the rows from `first` up to `last`, from the top.
 *
 * @example traceView(opticsOfBall, { turn: 0, lift: 0.4, width: 40, height: 30 }, 0, 30).rays // 1200
 */
export function traceView(optics: Optics, view: View, first = 0, last = view.height): Paths {
  const { width, height } = view
  const { from, right, forward, up } = cameraOf(view, optics)
  const spread = (2 * Math.tan(angle / 2)) / Math.min(width, height)
  const book = new PathBook(width * (last - first))
  for (let row = first; row < last; row++) {
    const v = (height / 2 - row - 0.5) * spread
    for (let column = 0; column < width; column++) {
      const h = (column + 0.5 - width / 2) * spread
      const dx = forward[0] + h * right[0] + v * up[0]
      const dy = forward[1] + h * right[1] + v * up[1]
      const dz = forward[2] + h * right[2] + v * up[2]
      const size = Math.hypot(dx, dy, dz)
      traceRay(optics, book, from, [dx / size, dy / size, dz / size])
    }
  }
  return book.paths
}
