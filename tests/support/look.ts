import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** A view looked over by an independent checker; nothing scrolls sideways at either size of a tablet. */
export async function look(page: Page, name: string, within?: string): Promise<void> {
  for (const [width, height] of [
    [1280, 800],
    [800, 1280],
  ] as const) {
    await page.setViewportSize({ width, height })
    const sideways = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    )
    expect(sideways, `${name} at ${width} × ${height}`).toBeLessThanOrEqual(0)
  }
  await page.setViewportSize({ width: 1280, height: 800 })
  const axe = new AxeBuilder({ page })
  if (within) axe.include(within)
  const { violations } = await axe
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze()
  expect(
    violations.map(
      (violation) =>
        `${name}: ${violation.id}: ${violation.nodes
          .slice(0, 3)
          .map((node) => `${node.target.join(' ')} ${node.failureSummary ?? ''}`)
          .join(' | ')}`,
    ),
  ).toEqual([])
}
