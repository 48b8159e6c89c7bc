import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { findChromium, missingChromium } from './chromium.mjs'
import { built, ready } from './ready.mjs'
import { bin, root, run } from './run.mjs'
import { say } from './say.mjs'

const reports = join(root, '.reports')
const only = process.argv[2]
const parts = ['types', 'lint', 'imports', 'core', 'words', 'server', 'web', 'e2e']
const total = { passed: 0, failed: 0 }

await ready()
rmSync(reports, { recursive: true, force: true })
mkdirSync(reports, { recursive: true })

const wanted = (part) => only === undefined || only === part
if (only !== undefined && !parts.includes(only)) {
  say(`There is no part "${only}". The parts are ${parts.join(', ')}.`)
  process.exit(1)
}

if (wanted('types')) {
  await check('Types of core', bin('tsc'), ['-p', 'core'])
  await check('Types of words', bin('tsc'), ['-p', 'words'])
  await check('Types of server', bin('tsc'), ['-p', 'server'])
  await check('Types of web', bin('vue-tsc'), ['-p', 'web', '--noEmit'])
  await check('Types of tests and benchmarks', bin('tsc'), ['-p', 'tsconfig.tests.json'])
}
if (wanted('lint')) {
  await check('Lint', bin('eslint'), ['.', '--max-warnings', '0'])
  await check('Styles', bin('stylelint'), ['web/src/**/*.{css,vue}'])
  await check('Formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
}
if (wanted('imports')) {
  const rules = ['--config', '.dependency-cruiser.cjs']
  await check('Import rules', bin('depcruise'), [
    ...rules,
    'core/src',
    'words/src',
    'server/src',
    'web/src',
  ])
}
for (const part of ['core', 'words', 'server', 'web']) if (wanted(part)) await unit(part)
if (wanted('e2e')) await endToEnd()

say('')
say(`${total.passed} passed, ${total.failed} failed`)
process.exit(total.failed === 0 ? 0 : 1)

async function check(name, command, args) {
  const { code, output } = await run(command, args, { quiet: true })
  count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1)
  if (code !== 0) say(output)
}

async function unit(part) {
  const report = join(reports, `${part}.json`)
  const args = [
    'run',
    '--project',
    part,
    '--reporter=json',
    `--outputFile=${report}`,
    '--reporter=dot',
  ]
  const { code, output } = await run(bin('vitest'), args, { quiet: true })
  const found = readReport(report)
  const passed = found?.numPassedTests ?? 0
  // A file that could not be imported reports no failed test: the exit code tells.
  const failed = Math.max(found?.numFailedTests ?? 0, code === 0 && found ? 0 : 1)
  count(`Tests of ${part}`, passed, failed)
  if (failed > 0) say(output)
}

async function endToEnd() {
  const browser = await findChromium()
  if (!browser) {
    count('The real interface', 0, 1)
    return say(missingChromium)
  }
  if ((await built()) !== 0) return count('Build of the web application', 0, 1)
  const report = join(reports, 'e2e.json')
  say('Driving the real interface in Chromium ...')
  // Printed as it goes: what hangs is seen where it hangs.
  const { code } = await run(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
    env: { MIVRO_CHROMIUM: browser, PLAYWRIGHT_JSON_OUTPUT_NAME: report, MIVRO_SHOTS: '' },
  })
  const stats = readReport(report)?.stats
  const failed = Math.max(stats?.unexpected ?? 0, code === 0 && stats ? 0 : 1)
  count('The real interface', (stats?.expected ?? 0) + (stats?.flaky ?? 0), failed)
}

function count(name, passed, failed) {
  total.passed += passed
  total.failed += failed
  say(
    `${failed === 0 ? 'ok  ' : 'FAIL'} ${name}${passed + failed > 1 ? `: ${passed} passed, ${failed} failed` : ''}`,
  )
}

function readReport(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return undefined
  }
}
