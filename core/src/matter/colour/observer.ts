/** A lobe of a bell whose two sides fall differently. */
type Lobe = readonly [height: number, centre: number, below: number, above: number]

/** CIE 1931 2° observer as sums of lobes, per nm: Wyman, Sloan, Shirley 2013 (from memory). */
const lobes: readonly (readonly Lobe[])[] = [
  [
    [1.056, 599.8, 0.0264, 0.0323],
    [0.362, 442.0, 0.0624, 0.0374],
    [-0.065, 501.1, 0.049, 0.0382],
  ],
  [
    [0.821, 568.8, 0.0213, 0.0247],
    [0.286, 530.9, 0.0613, 0.0322],
  ],
  [
    [1.217, 437.0, 0.0845, 0.0278],
    [0.681, 459.0, 0.0385, 0.0725],
  ],
]

/** Daylight D65 from 380 nm by 20 nm, 100 at 560 nm (ISO 11664-2, from memory). */
const daylight = [
  49.98, 82.75, 93.43, 104.86, 117.81, 115.92, 109.35, 104.79, 104.41, 100, 95.79, 90.01, 87.7,
  83.7, 80.21, 78.28, 71.61, 61.6, 75.09,
]
const firstNm = 380
const lastNm = 740
const stepNm = 20

function daylightAt(nm: number): number {
  const at = (nm - firstNm) / stepNm
  const low = Math.min(daylight.length - 2, Math.floor(at))
  return daylight[low] + (at - low) * (daylight[low + 1] - daylight[low])
}

const seen = (channel: readonly Lobe[], nm: number): number =>
  channel.reduce((sum, [height, centre, below, above]) => {
    const t = (nm - centre) * (nm < centre ? below : above)
    return sum + height * Math.exp(-0.5 * t * t)
  }, 0)

/** Linear sRGB from XYZ (IEC 61966-2-1). */
const fromXyz = [
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
] as const

/**
 * What each band of light under D65 adds to linear red, green and blue, three numbers a band.
 * `edges` of the bands in nm; the outermost reach to the ends of what is seen. A surface that
 * reflects all of every band is exactly white.
 */
export function bandWeights(edges: readonly number[]): Float64Array {
  const count = edges.length - 1
  const weights = new Float64Array(3 * count)
  const whole = [0, 0, 0]
  for (let nm = firstNm; nm <= lastNm; nm++) {
    const band = Math.max(
      0,
      Math.min(
        count - 1,
        edges.findLastIndex((edge) => edge <= nm),
      ),
    )
    const xyz = lobes.map((channel) => seen(channel, nm) * daylightAt(nm))
    fromXyz.forEach((row, channel) => {
      const light = row[0] * xyz[0] + row[1] * xyz[1] + row[2] * xyz[2]
      weights[3 * band + channel] += light
      whole[channel] += light
    })
  }
  return weights.map((light, i) => light / whole[i % 3])
}
