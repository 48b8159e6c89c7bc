import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'

/** What axe finds serious in a page. It has no frames, and what passes is not told of: half the time. */
export async function seriousOf(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target).join(' | ')}`)
}
