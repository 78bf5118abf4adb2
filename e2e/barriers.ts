import axe from 'axe-core'
import type { Page } from '@playwright/test'
import { expect } from './browser'

/** As it stands in the page. */
type Axe = typeof axe

/**
 * No rule of accessibility is broken. The contrast is looked at once for each kind of text, by what it and all around it look like: to look
 * at each of hundreds of rows that are alike takes longer than the rest of the test.
 *
 * @param part of the page; all of it where none is named
 * @param isPartlyCovered something that is open lies over what else could be hit, so that sizes do not count
 */
export async function noBarriers(
  page: Page,
  { part = 'html', isPartlyCovered = false }: { part?: string; isPartlyCovered?: boolean } = {},
): Promise<void> {
  if (await page.evaluate(() => !('axe' in window))) await page.evaluate(axe.source)
  const violations = await page.evaluate(
    async ({ part, isPartlyCovered }) => {
      const looks = new Map<Element, string>()
      const lookOf = (element: Element): string => {
        const known = looks.get(element)
        if (known !== undefined) return known
        const style = getComputedStyle(element)
        const { color, backgroundColor, backgroundImage, opacity } = style
        const { fontSize, fontWeight, position, textShadow } = style
        const around = element.parentElement === null ? '' : lookOf(element.parentElement)
        const own = [color, backgroundColor, backgroundImage, opacity, textShadow]
        const look = [...own, fontSize, fontWeight, position, around].join()
        looks.set(element, look)
        return look
      }
      const kinds = new Map<string, Element>()
      for (const element of document.querySelectorAll(`${part}, ${part} *`))
        if (
          [...element.childNodes].some((node) => node instanceof Text && node.data.trim() !== '') &&
          element.checkVisibility()
        )
          kinds.set(lookOf(element), element)
      const { axe } = window as unknown as { axe: Axe }
      // Neither what is right is told, nor are style sheets fetched again.
      const options = { resultTypes: ['violations' as const], preload: false }
      const found = [
        await axe.run(part, {
          ...options,
          rules: {
            'color-contrast': { enabled: false },
            'target-size': { enabled: !isPartlyCovered },
          },
        }),
        await axe.run([...kinds.values()], { ...options, runOnly: ['color-contrast'] }),
      ]
      return found.flatMap(({ violations }) =>
        violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html)]),
      )
    },
    { part, isPartlyCovered },
  )
  expect([page.url(), ...violations]).toEqual([page.url()])
}
