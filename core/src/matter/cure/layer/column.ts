import { cureRate, faceLoss, siliconeBody, type CureLaw } from '../kinetics/index.ts'

/** A layer between what lies under it, what is above it and the mould's wall beside it. SI units. */
export interface ColumnQuestion {
  law: CureLaw
  depth: number
  /** How it comes out of the cup. */
  start: { alpha: number; temperature: number }
  room: number
  /** Of the mould when it is poured; the room's unless said. */
  mouldTemperature?: number
  /** Thickness of mould below, beside, and above; nothing above means open to the air. */
  mould: { floor: number; wall: number; cover?: number }
  /** Four times the layer's area over its outline; without bound for a sheet. */
  width: number
  /** Cured resin that it lies on. */
  below: number
}

/** Where a layer is at one moment after it was poured: its cells from the bottom up. */
export interface ColumnState {
  time: number
  alpha: Float64Array
  /** What lies along the wall, cooled by it: the last to cure. */
  edge: Float64Array
  temperature: Float64Array
}

/** Steps aim at this change, K and degree of cure; half as far again is done over. */
const aim = { temperature: 2, alpha: 0.02 }
const tooFar = 1.8

const thinnest = 0.002
const cells = { least: 6, most: 40, mould: 4, below: 4 }

/**
 * Follows one layer as a column of cells from the bench to the air until `visit` says stop:
 * conduction upward implicit in time, reaction by Heun's rule, and beside every cell of resin a
 * ring of mould that takes heat up and passes it to the room. For a first answer: the field in
 * three dimensions is the better one.
 */
export function followColumn(question: ColumnQuestion, visit: (now: ColumnState) => boolean): void {
  const column = build(question)
  const { from, count, capacity, resinMass, rise, sides } = column
  let { temperature } = column
  let alpha = new Float64Array(count).fill(question.start.alpha)
  const ring = new Float64Array(count).fill(question.mouldTemperature ?? question.room)
  const edge = new Float64Array(count).fill(question.start.alpha)
  const { law, room } = question
  let time = 0
  let step = 0.1
  const now = () => ({ time, alpha, edge, temperature: temperature.subarray(from, from + count) })
  while (visit(now())) {
    const reacted = new Float64Array(count)
    const source = new Float64Array(capacity.length)
    let largest = 0
    for (let i = 0; i < count; i++) {
      const rate = cureRate(law.kinetics, alpha[i], temperature[from + i])
      const ahead = Math.min(1, alpha[i] + step * rate)
      const warmer = temperature[from + i] + Math.min(aim.temperature, rise * step * rate)
      const next = cureRate(law.kinetics, ahead, warmer)
      reacted[i] = Math.min(1 - alpha[i], (step * (rate + next)) / 2)
      source[from + i] = resinMass * law.thermal.heat * reacted[i]
      largest = Math.max(largest, reacted[i] / aim.alpha)
    }
    const warmed = conduct(column, temperature, source, ring, room, step)
    for (let i = 0; i < warmed.length; i++) {
      largest = Math.max(largest, Math.abs(warmed[i] - temperature[i]) / aim.temperature)
    }
    if (largest > tooFar && step > 1e-3) {
      step /= Math.SQRT2
      continue
    }
    for (let i = 0; i < count; i++) {
      ring[i] = sides.next(ring[i], warmed[from + i], step, room)
      const cooled = warmed[from + i] - sides.cooled * (warmed[from + i] - ring[i])
      edge[i] = Math.min(1, edge[i] + step * cureRate(law.kinetics, edge[i], cooled))
    }
    temperature = warmed
    alpha = alpha.map((a, i) => a + reacted[i])
    time += step
    if (largest < 1 / Math.SQRT2) step = Math.min(step * Math.SQRT2, longestStep)
    else if (largest > 1) step /= Math.SQRT2
  }
}

/** No step is longer, s. */
const longestStep = 1800

interface Column {
  /** First cell of the layer, and how many it has. */
  from: number
  count: number
  temperature: Float64Array
  /** J/(m²·K) of each cell, and W/(m²·K) to the one above and to the room. */
  capacity: Float64Array
  link: Float64Array
  loss: Float64Array
  /** kg/m² of one cell of the layer. */
  resinMass: number
  /** Of the resin left to itself, K. */
  rise: number
  sides: Sides
}

interface Sides {
  /** W/(m²·K), of column area, from a cell of resin into its ring. */
  into: number
  capacity: number
  out: number
  /** Share of the fall from a cell to its ring that lies within the resin. */
  cooled: number
  next: (ring: number, cell: number, step: number, room: number) => number
}

function build(question: ColumnQuestion): Column {
  const { law, depth, start, room, mouldTemperature = room, mould, width, below } = question
  const { conductivity, density, heatCapacity, heat } = law.thermal
  const count = Math.min(cells.most, Math.max(cells.least, Math.ceil(depth / thinnest)))
  const resin = { conductivity, density, heatCapacity }
  const silicone = { body: siliconeBody, at: mouldTemperature, count: cells.mould }
  const stretches = [
    { ...silicone, thick: mould.floor, spread: -1 },
    { thick: below, count: cells.below, body: resin, at: room, spread: 0 },
    { thick: depth, count, body: resin, at: start.temperature, spread: 0 },
    { ...silicone, thick: mould.cover ?? 0, spread: 1 },
  ]
  const list = stretches.flatMap(({ thick, count: n, body, at, spread }) =>
    thick > 0
      ? Array.from({ length: n }, (_, i) => {
          const away = ((spread < 0 ? n - i : i + 1) - 0.5) / n
          const area = spread === 0 ? 1 : spreading(thick * away, width)
          return { dz: thick / n, body, at, area }
        })
      : [],
  )
  const from = (mould.floor > 0 ? cells.mould : 0) + (below > 0 ? cells.below : 0)
  const capacity = Float64Array.from(
    list,
    ({ dz, body, area }) => area * dz * body.density * body.heatCapacity,
  )
  const half = list.map(({ dz, body, area }) => dz / 2 / body.conductivity / area)
  const link = Float64Array.from(half, (r, i) => (i + 1 < half.length ? 1 / (r + half[i + 1]) : 0))
  const loss = new Float64Array(list.length)
  const last = list.length - 1
  loss[0] += 1 / (half[0] + 1 / (faceLoss.bench * list[0].area))
  loss[last] += 1 / (half[last] + 1 / (faceLoss.air * list[last].area))
  const dz = depth / count
  // The corner below the first layer takes heat up too; further up there is resin.
  const taller = below > 0 ? 1 : 1 + mould.floor / depth
  return {
    from,
    count,
    temperature: Float64Array.from(list, ({ at }) => at),
    capacity,
    link,
    loss,
    resinMass: dz * density,
    rise: heat / heatCapacity,
    sides: sidesOf(width, dz, mould.wall, taller, conductivity),
  }
}

/** By how much heat has spread `away` m into the mould: at 45° to all sides (common practice of heat sinks). */
const spreading = (away: number, width: number): number =>
  Number.isFinite(width) ? (1 + (2 * away) / width) ** 2 : 1

/**
 * The ring of mould beside one cell, `taller` times as high as the layer on its outside. Heat
 * crosses width/8k on its way from the mean of a round body to its wall (steady generation, closed
 * form), then half the wall on either side.
 */
function sidesOf(
  width: number,
  dz: number,
  wall: number,
  taller: number,
  conductivity: number,
): Sides {
  const outline = Number.isFinite(width) ? (4 / width) * dz : 0
  const outside = outline * taller * (1 + (2 * wall) / width || 0)
  const across = wall / 2 / siliconeBody.conductivity
  const within = outline === 0 ? 0 : width / 8 / conductivity
  const into = outline === 0 ? 0 : outline / (within + across)
  const out = outside / (across + 1 / faceLoss.air)
  const capacity =
    (outline *
      (1 + taller) *
      wall *
      (1 + wall / width || 0) *
      siliconeBody.density *
      siliconeBody.heatCapacity) /
    2
  const next = (ring: number, cell: number, step: number, room: number) =>
    outline === 0
      ? ring
      : (capacity * ring + step * (into * cell + out * room)) / (capacity + step * (into + out))
  return { into, capacity, out, cooled: outline === 0 ? 0 : within / (within + across), next }
}

/** One implicit step of conduction: the ring's own step is put into the column's equations. */
function conduct(
  { capacity, link, loss, from, count, sides }: Column,
  temperature: Float64Array,
  source: Float64Array,
  ring: Float64Array,
  room: number,
  step: number,
): Float64Array {
  const n = capacity.length
  const diagonal = new Float64Array(n)
  const right = new Float64Array(n)
  const { into, capacity: held, out } = sides
  for (let i = 0; i < n; i++) {
    const beneath = i > 0 ? link[i - 1] : 0
    diagonal[i] = capacity[i] + step * (beneath + link[i] + loss[i])
    right[i] = capacity[i] * temperature[i] + source[i] + step * loss[i] * room
    const row = i - from
    if (into > 0 && row >= 0 && row < count) {
      const all = held + step * (into + out)
      diagonal[i] += step * into * (1 - (step * into) / all)
      right[i] += (step * into * (held * ring[row] + step * out * room)) / all
    }
  }
  const above = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const below = i > 0 ? step * link[i - 1] : 0
    const pivot = diagonal[i] - (i > 0 ? below * above[i - 1] : 0)
    above[i] = (step * link[i]) / pivot
    right[i] = (right[i] + (i > 0 ? below * right[i - 1] : 0)) / pivot
  }
  for (let i = n - 2; i >= 0; i--) right[i] += above[i] * right[i + 1]
  return right
}
