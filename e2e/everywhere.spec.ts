import { expect, line, openEmptyPlan, roll, test } from './browser'

const deployed = 'http://localhost:4186'

test.describe('without network', () => {
  test.use({ serviceWorkers: 'allow' })

  test('every stage opens, those too that were never visited, and a reload brings all back', async ({
    page,
    context,
  }) => {
    await page.goto('/')
    await expect(roll(page)).toContainText('alcove')
    // As soon as all is kept, this visit too is served from it.
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
    await context.setOffline(true)
    for (const stage of ['Cut', 'Feed', 'Signal', 'Wire', 'Buy', 'Build', 'Glow', 'Mend']) {
      await page.getByTitle(new RegExp(`^${stage} `)).click()
      await expect(page.getByRole('heading', { level: 1, name: stage })).toBeVisible()
    }
    await page.reload()
    await expect(page.getByRole('heading', { level: 1, name: 'Mend' })).toBeVisible()
    await expect(page.getByRole('region', { name: 'Suspects' })).toBeVisible()
    await page.goto('/sums')
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await openEmptyPlan(page)
    await page.keyboard.type('attic 730')
    await expect(roll(page)).toContainText('attic')
    await page.reload()
    await expect(line(page, 1)).toHaveValue('attic 730')
    await context.setOffline(false)
  })

  test('it can be installed with its own icons', async ({ page, request }) => {
    await page.goto('/plans')
    const href = await page.locator('link[rel="manifest"]').getAttribute('href')
    const manifest = (await (await request.get(href!)).json()) as {
      name: string
      display: string
      icons: { src: string; sizes: string; purpose?: string }[]
    }
    expect(manifest).toMatchObject({ name: 'Glow Tally', display: 'standalone', start_url: '/' })
    for (const { src } of manifest.icons) {
      const icon = await request.get(src)
      expect([src, icon.status(), icon.headers()['content-type']]).toEqual([
        src,
        200,
        expect.stringMatching(/^image\//),
      ])
    }
    expect(manifest.icons.map(({ sizes, purpose }) => `${sizes} ${purpose ?? ''}`)).toEqual(
      expect.arrayContaining(['192x192 ', '512x512 ', '512x512 maskable']),
    )
  })
})

test('a first visit finds an empty pad with three ways to begin', async ({ page }) => {
  await page.goto(`${deployed}/`)
  await expect(line(page, 1)).toBeFocused()
  const ways = page.getByRole('region', { name: 'Ways to begin' })
  await expect(ways.getByRole('button', { name: 'Or open a file' })).toBeVisible()
  await page.keyboard.type('shelf 650')
  await expect(ways).toHaveCount(0)
  await expect(roll(page)).toContainText('shelf')
  await line(page, 1).fill('')
  await ways.getByRole('button', { name: /^Paper star/ }).click()
  await expect(page.getByTitle('Rename the plan')).toHaveText('Paper star')
  await expect(page.getByText('An example: try what you like')).toBeVisible()
  await page.getByRole('button', { name: 'start your own' }).click()
  await expect(page.getByTitle('Rename the plan')).toHaveText('New plan 2')
  await expect(page.getByText('An example: try')).toHaveCount(0)
  await expect(ways).toBeVisible()
})
