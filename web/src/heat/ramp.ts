/** Stops of the heat's colours, from ink through amber to honey: one family, darker is cooler. */
const heat = ['#14312f', '#3d3a22', '#7a4d12', '#b9700c', '#e8a838', '#ffe2a3']

/** How far cured: from the pale blue of what pours to the honey of what is set. */
const cure = ['#bfe0e6', '#c9cfae', '#d39a3a', '#a8721f']

export type Ramp = (share: number) => readonly [number, number, number]

const parse = (hex: string) =>
  [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number]

function ramp(stops: string[]): Ramp {
  const colours = stops.map(parse)
  const table = Array.from({ length: 256 }, (_, i) => {
    const at = (i / 255) * (colours.length - 1)
    const low = Math.min(colours.length - 2, Math.floor(at))
    return colours[low].map((c, k) => c + (at - low) * (colours[low + 1][k] - c)) as [
      number,
      number,
      number,
    ]
  })
  return (share) => table[Math.max(0, Math.min(255, Math.round(share * 255)))]
}

export const ramps = { temperature: ramp(heat), alpha: ramp(cure) }

export const gradients = {
  temperature: `linear-gradient(to right, ${heat.join(', ')})`,
  alpha: `linear-gradient(to right, ${cure.join(', ')})`,
}
