import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

const MORE = 'data-more-of-the-same'
/** Rows of a list that are built alike and looked at; those after them say nothing new of colour or name. */
const LOOKED_AT = 6

/** Marks what of long lists is built just like the rows before it: its own classes, and those within. */
const markAlike = (page: Page): Promise<void> =>
  page.evaluate(
    ([mark, most]) => {
      const builtOf = (element: Element) =>
        [element, ...element.querySelectorAll('*')]
          .map((one) => `${one.tagName} ${one.getAttribute('class') ?? ''}`)
          .join(',')
      for (const parent of document.body.querySelectorAll('*')) {
        if (parent.children.length <= most) continue
        const seen = new Map<string, number>()
        for (const child of parent.children) {
          const built = builtOf(child)
          const times = (seen.get(built) ?? 0) + 1
          seen.set(built, times)
          if (times > most) child.setAttribute(mark, '')
        }
      }
    },
    [MORE, LOOKED_AT] as const,
  )

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
  await markAlike(page)
  // Nothing stands in a frame: the report is made in the page, without another one for it.
  const axe = new AxeBuilder({ page }).exclude(`[${MORE}]`).setLegacyMode(true)
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
