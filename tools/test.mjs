import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { constants } from 'node:os'
import { join, relative } from 'node:path'
import { findChromium, missingChromium } from './chromium.mjs'
import { built, bundled, ready } from './ready.mjs'
import { bin, root, run } from './run.mjs'
import { say } from './say.mjs'

const reports = join(root, '.reports')
const only = process.argv[2]
/** The native compiler takes a fifth of the time; what reads Vue and what lints needs the other one. */
const tsc = join(root, 'node_modules/typescript-native/bin/tsc')
/** The slowest first: two run at a time. */
const checks = {
  types: [
    ['Types of web', bin('vue-tsc'), ['-p', 'web', '--noEmit']],
    ['Types of tests and benchmarks', tsc, ['-p', 'tsconfig.tests.json']],
    ['Types of server', tsc, ['-p', 'server']],
    ['Types of words and core', tsc, ['-p', 'words']],
  ],
  lint: [
    ['Formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
    ['Lint', bin('eslint'), ['.', '--max-warnings', '0']],
    ['Styles', bin('stylelint'), ['web/src/**/*.{css,vue}']],
  ],
  imports: [
    [
      'Import rules',
      bin('depcruise'),
      ['--config', '.dependency-cruiser.cjs', 'core/src', 'words/src', 'server/src', 'web/src'],
    ],
  ],
}
const units = ['core', 'words', 'server', 'web']
const parts = [...Object.keys(checks), ...units, 'e2e']
const total = { passed: 0, failed: 0 }
/** Each test with its seconds. */
const taken = []
/** As much of a failure as says what it is, characters. */
const failureLength = 1500
/** What failed, as it is told once more at the end, where it is looked for. */
const failures = []
const began = performance.now()

await ready()
rmSync(reports, { recursive: true, force: true })
mkdirSync(reports, { recursive: true })

if (only !== undefined && !parts.includes(only)) {
  say(`There is no part "${only}". The parts are ${parts.join(', ')}.`)
  process.exit(1)
}
const wanted = (part) => only === undefined || only === part

await sideBySide(Object.entries(checks).flatMap(([part, list]) => (wanted(part) ? list : [])))
const projects = units.filter(wanted)
if (projects.length > 0) await unitTests(projects)
if (wanted('e2e')) await endToEnd()

taken.sort((a, b) => b.seconds - a.seconds)
if (taken.length > 0) say('\nThe slowest tests:')
for (const { seconds, name } of taken.slice(0, 10)) say(`${shown(seconds).padStart(8)}  ${name}`)
if (failures.length > 0) say('\nWhat failed:')
for (const [name, ...messages] of failures) {
  say(`    ${name}\n${messages.join('\n').slice(0, failureLength)}\n`)
}
say(`\nAll of it took ${since(began)}.\n`)
say(`${total.passed} passed, ${total.failed} failed`)
process.exit(total.failed === 0 ? 0 : 1)

/** Checks by turns on two lanes: each is one process on one core. */
async function sideBySide(list) {
  const waiting = [...list]
  const lane = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [name, command, args] = next
      const start = performance.now()
      const { code, output } = await run(command, args, { quiet: true })
      count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1, start)
      if (code !== 0) say(output)
    }
  }
  await Promise.all([lane(), lane()])
}

async function unitTests(projects) {
  const start = performance.now()
  // The tests start the server as a process.
  if ((await bundled()) !== 0) return count('Bundle of the server', 0, 1, start)
  const report = join(reports, 'unit.json')
  const chosen = projects.flatMap((name) => ['--project', `${name}*`])
  const args = ['run', ...chosen, '--reporter=json', `--outputFile=${report}`, '--reporter=dot']
  // What packs backups stands back behind its server, but not behind the tests beside it.
  const polite = constants.priority.PRIORITY_BELOW_NORMAL
  const { code, output } = await run(bin('vitest'), args, { quiet: true, priority: polite })
  const found = readReport(report)
  for (const { name: file, assertionResults } of found?.testResults ?? []) {
    for (const { fullName, duration, status, failureMessages } of assertionResults) {
      const name = `${relative(root, file)}: ${fullName}`
      taken.push({ seconds: (duration ?? 0) / 1000, name })
      if (status === 'failed') failures.push([name, ...failureMessages])
    }
  }
  // A file that could not be imported reports no failed test: the exit code tells.
  const failed = Math.max(found?.numFailedTests ?? 0, code === 0 && found ? 0 : 1)
  count(`Tests of ${projects.join(', ')}`, found?.numPassedTests ?? 0, failed, start)
  if (failed > 0) say(output)
}

async function endToEnd() {
  const start = performance.now()
  const browser = await findChromium()
  if (!browser) {
    count('The real interface', 0, 1, start)
    return say(missingChromium)
  }
  if ((await built()) !== 0) return count('Build of the application', 0, 1, start)
  const report = join(reports, 'e2e.json')
  say('Driving the real interface in Chromium ...')
  // Printed as it goes: what hangs is seen where it hangs.
  const { code } = await run(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
    env: { MIVRO_CHROMIUM: browser, PLAYWRIGHT_JSON_OUTPUT_NAME: report, MIVRO_SHOTS: '' },
  })
  const found = readReport(report)
  const { stats } = found ?? {}
  for (const suite of found?.suites ?? []) browserTests(suite, suite.file)
  const failed = Math.max(stats?.unexpected ?? 0, code === 0 && stats ? 0 : 1)
  count('The real interface', (stats?.expected ?? 0) + (stats?.flaky ?? 0), failed, start)
}

function browserTests({ specs = [], suites = [] }, file) {
  for (const { title, tests } of specs) {
    const results = tests.flatMap((one) => one.results)
    const ms = results.reduce((sum, one) => sum + one.duration, 0)
    const name = `e2e/${file}: ${title}`
    taken.push({ seconds: ms / 1000, name })
    if (tests.some(({ status }) => status === 'unexpected')) {
      failures.push([
        name,
        ...results.flatMap(({ errors }) => errors.map(({ message }) => message)),
      ])
    }
  }
  for (const suite of suites) browserTests(suite, file)
}

function count(name, passed, failed, start) {
  total.passed += passed
  total.failed += failed
  const tests = passed + failed > 1 ? `: ${passed} passed, ${failed} failed` : ''
  say(`${failed === 0 ? 'ok  ' : 'FAIL'} ${name}${tests} (${since(start)})`)
}

function since(start) {
  return shown((performance.now() - start) / 1000)
}
function shown(seconds) {
  const whole = Math.round(seconds)
  return seconds < 10
    ? `${seconds.toFixed(1)} s`
    : whole < 100
      ? `${whole} s`
      : `${Math.floor(whole / 60)} min ${whole % 60} s`
}

function readReport(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return undefined
  }
}
