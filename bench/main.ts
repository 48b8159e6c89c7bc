import { benchBench } from './bench.ts'
import { benchDrags } from './drags.ts'
import { benchHeat } from './heat.ts'
import { benchLight } from './light.ts'
import { benchLoad } from './load.ts'
import { benchPages } from './pages.ts'
import { benchParts } from './parts.ts'
import { benchRun } from './run.ts'
import { benchShapes } from './shapes.ts'
import { benchStart } from './start.ts'
import { benchStore } from './store.ts'

const topics = {
  shapes: benchShapes,
  parts: benchParts,
  heat: benchHeat,
  light: benchLight,
  run: benchRun,
  bench: benchBench,
  start: benchStart,
  store: benchStore,
  load: benchLoad,
  pages: benchPages,
  drags: benchDrags,
}
type Topic = keyof typeof topics

const asked = process.argv.slice(2)
const unknown = asked.find((name) => !(name in topics))
if (unknown !== undefined) {
  console.log(`There is no topic "${unknown}". They are ${Object.keys(topics).join(', ')}.`)
  process.exit(1)
}
console.log('Ours, then the reference in the same run, then the ratio.\n')
for (const [name, run] of Object.entries(topics)) {
  if (asked.length === 0 || asked.includes(name as Topic)) await run()
}
console.log(`\nNode ${process.versions.node}`)
