/** What these scripts tell the person: one plain line for each thing they do. */
export const say = (line) => process.stdout.write(`${line}\n`)

export function fail(line) {
  process.stderr.write(`${line}\n`)
  process.exit(1)
}
