import { usual, yardstick } from './yardstick.ts'

/** Median milliseconds of several runs; the first, cold one is left out. */
export function median(run: () => unknown, times: number): number {
  run()
  const taken = Array.from({ length: times }, () => {
    const start = performance.now()
    run()
    return performance.now() - start
  })
  return taken.sort((a, b) => a - b)[times >> 1]
}

/**
 * Medians of two things run by turns, so that whatever else the machine does falls on both.
 */
export function medians(
  ours: () => unknown,
  theirs: () => unknown,
  times: number,
): [number, number] {
  const taken: [number[], number[]] = [[], []]
  for (let i = 0; i <= times; i++) {
    for (const [side, run] of [ours, theirs].entries()) {
      const start = performance.now()
      run()
      // The first, cold turn is left out.
      if (i > 0) taken[side].push(performance.now() - start)
    }
  }
  const middle = (list: number[]) => list.sort((a, b) => a - b)[times >> 1]
  return [middle(taken[0]), middle(taken[1])]
}

const milliseconds = (t: number) =>
  t < 1 ? `${(t * 1000).toFixed(0)} µs` : `${t.toFixed(t < 10 ? 2 : 0)} ms`

/** One line: ours beside the reference of the same run, and what is wanted of the ratio. */
export function compare(
  name: string,
  ours: number,
  reference: string,
  theirs: number,
  most: number,
): boolean {
  const ratio = ours / theirs
  const held = ratio <= most
  const line = [
    name.padEnd(52),
    milliseconds(ours).padStart(9),
    reference.padEnd(34),
    milliseconds(theirs).padStart(9),
  ]
  console.log(
    `${line.join('  ')}   ${ratio.toFixed(2)} of it (wanted: at most ${most})${held ? '' : '   OVER'}`,
  )
  return held
}

/**
 * One line: ours against a wanted time, said of a machine whose yardstick takes `usual`, and held
 * against the yardstick as it is now.
 */
export function within(name: string, ours: number, most: number): boolean {
  const yard = yardstick()
  const wanted = most / usual
  const held = ours / yard <= wanted
  const ratio = (x: number) => x.toPrecision(2)
  console.log(
    `${name.padEnd(52)}  ${milliseconds(ours).padStart(9)}   ${ratio(ours / yard)} yardsticks of ${milliseconds(yard)} (wanted: at most ${ratio(wanted)}, ${milliseconds(most)} where it takes ${usual} ms)${held ? '' : '   OVER'}`,
  )
  return held
}
