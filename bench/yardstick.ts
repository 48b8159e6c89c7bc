/**
 * What a machine can do at this moment: a march of heat over typed arrays and a parse of a fixed
 * text. Every wanted time is said of a machine that takes `usual` for it, and is held against the
 * yardstick of the same moment, so that a slow or busy machine is not called a slow program.
 */
export const usual = 20

const cells = 4096
const steps = 700
const text = JSON.stringify(
  Array.from({ length: 9000 }, (_, i) => ({
    id: `k${i}`,
    at: i / 7,
    layers: [i % 3, i % 5],
    note: 'x',
  })),
)

/** An explicit march of the diffusion equation in one dimension. */
function march(): number {
  let now = Float64Array.from({ length: cells }, (_, i) => (i % 97) / 97)
  let next = new Float64Array(cells)
  for (let step = 0; step < steps; step++) {
    for (let i = 1; i < cells - 1; i++)
      next[i] = now[i] + 0.24 * (now[i - 1] - 2 * now[i] + now[i + 1])
    ;[now, next] = [next, now]
  }
  return now[cells >> 1]
}

const parse = (): number => (JSON.parse(text) as unknown[]).length

/** How long the yardstick takes now, ms: the median of five. */
export function yardstick(): number {
  const taken = Array.from({ length: 5 }, () => {
    const start = performance.now()
    march()
    parse()
    return performance.now() - start
  })
  return taken.sort((a, b) => a - b)[2]
}

// The first turns are cold.
for (let i = 0; i < 3; i++) yardstick()
