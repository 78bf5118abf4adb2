import { expect, line, openEmptyPlan, test, verdict } from './browser'

// What goes wrong between two moments: what moves under the pointer, what is typed too early, what joins that should not.

test('help that is opened before the page has come knows its words once it has', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const press = (): void => {
      if (document.querySelector('[role="dialog"]') !== null) return
      dispatchEvent(new KeyboardEvent('keydown', { key: '?', bubbles: true }))
      setTimeout(press, 5)
    }
    press()
  })
  await page.goto('/')
  const words = page.getByRole('dialog').getByLabel('Glossary')
  await expect(words.locator('h4').first()).toHaveText('On this page')
  await expect(words.locator('dl').first()).toContainText('full white')
})

test('three quick clicks on Undo are three steps back: nothing moves under the pointer', async ({
  page,
}) => {
  await openEmptyPlan(page)
  for (const mm of [500, 600, 700, 800]) {
    await page.keyboard.type(`shelf ${String(mm)}`)
    await page.keyboard.press('Enter')
  }
  await expect(page.getByTestId('saved')).toContainText('saved on this device')
  const undo = page.getByRole('button', { name: 'Undo', exact: true })
  const box = await undo.boundingBox()
  const at = [box!.x + box!.width / 2, box!.y + box!.height / 2] as const
  for (let click = 0; click < 3; click += 1) {
    await page.mouse.click(...at)
    await page.waitForTimeout(120)
    expect((await undo.boundingBox())?.x).toBe(box!.x)
  }
  await expect(page.getByRole('menu')).toHaveCount(0)
})

for (const width of [390, 1000, 1280])
  test(
    `at ${String(width)} wide, links stay where they are while a plan opens and its verdicts come`,
    { tag: width === 1000 ? '@long' : [] },
    async ({ page }) => {
      await page.setViewportSize({ width, height: 800 })
      await page.addInitScript(() => {
        const seen: Record<string, Set<string>> = {}
        Object.assign(window, { seen })
        const look = (): void => {
          for (const link of document.querySelectorAll(
            'header :is(nav a, button[title^="Undo"])',
          )) {
            const { x, y, width: wide } = link.getBoundingClientRect()
            ;(seen[link.getAttribute('title') ?? link.textContent.trim()] ??= new Set()).add(
              [x, y, wide].map(Math.round).join(' '),
            )
          }
          requestAnimationFrame(look)
        }
        requestAnimationFrame(look)
      })
      await page.goto('/')
      await expect(page.getByTestId('signal-state')).toHaveText('3 warnings')
      await expect(page.getByTestId('build-state')).toHaveText('step 96 of 231')
      const places = await page.evaluate(() =>
        Object.entries((window as unknown as { seen: Record<string, Set<string>> }).seen).map(
          ([name, all]) => [name, ...all],
        ),
      )
      expect(places).toHaveLength(12)
      expect(places.filter(([, ...all]) => all.length > 1)).toEqual([])
    },
  )

test('two drags of one flag are two steps back', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Feed/ }).click()
  const flag = page.locator('[data-flag^="seat."]').first()
  const place = (): Promise<string | null> => flag.getAttribute('aria-valuenow')
  const drag = async (px: number): Promise<void> => {
    const box = (await flag.boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2 + px / 2, box.y + box.height / 2, { steps: 4 })
    await page.mouse.move(box.x + box.width / 2 + px, box.y + box.height / 2, { steps: 4 })
    await page.mouse.up()
  }
  await expect(flag).toBeVisible()
  const start = await place()
  await drag(140)
  await expect.poll(place).not.toBe(start)
  const first = await place()
  await drag(140)
  await expect.poll(place).not.toBe(first)
  await page.keyboard.press('Control+z')
  await expect.poll(place).toBe(first)
  await page.keyboard.press('Control+z')
  await expect.poll(place).toBe(start)
})

test('what is typed right after New plan stands on the pad', async ({ page }) => {
  await page.goto('/plans')
  await page.getByRole('button', { name: 'New plan', exact: true }).click()
  await page.keyboard.type('bench 2000')
  await expect(line(page, 1)).toHaveValue('bench 2000')
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await page.getByRole('menuitem', { name: 'New plan' }).click()
  await page.keyboard.type('shelf 1200')
  await expect(line(page, 1)).toHaveValue('shelf 1200')
})

test('the focus goes back to where a dialog came from', async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('shelf 900')
  const opener = page.getByRole('button', { name: 'add your own' }).first()
  await opener.click()
  await expect(page.getByRole('heading', { name: 'A strip of your own' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(opener).toBeFocused()
  await opener.click()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(opener).toBeFocused()
})

test('the focus waits where fixes are looked for, and is on the first one when they come', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: /^Signal/ }).click()
  await expect(page).toHaveURL(/signal$/)
  await page.addInitScript(() => {
    const asked = new Promise<void>((resolve) => {
      Object.assign(window, { lookForFixes: resolve })
    })
    window.Worker = class extends Worker {
      override postMessage(...message: [unknown]): void {
        if (JSON.stringify(message).includes('{"parts":["fixes"]'))
          void asked.then(() => {
            super.postMessage(...message)
          })
        else super.postMessage(...message)
      }
    }
  })
  await page.reload()
  const fixes = verdict(page, 'low-level').getByRole('button')
  await expect(fixes).toHaveText('Looking for fixes …')
  await fixes.focus()
  await page.keyboard.press('Enter')
  await page.evaluate('lookForFixes()')
  await expect(fixes.first()).not.toHaveText('Looking for fixes …')
  await expect(fixes.first()).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(verdict(page, 'low-level')).toHaveCount(0)
})

test(
  'the shelf works out the facts of every plan, one after another',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/plans')
    const plans = page.getByRole('listitem')
    await expect(plans).toHaveCount(7)
    await expect(plans.filter({ hasText: '…' })).toHaveCount(0, { timeout: 30_000 })
    await expect(plans.filter({ hasText: /place/ })).toHaveCount(7)
  },
)

test(
  'a long job that fails is told wherever it is begun, and is tried again',
  { tag: '@long' },
  async ({ page, context }) => {
    test.slow()
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    const view = (name: string) => () => page.getByRole('radio', { name, exact: true }).click()
    const press = (name: string | RegExp) => () =>
      page.getByRole('button', { name, exact: true }).first().click()
    const planFeeds = () =>
      page.getByRole('main').getByRole('button', { name: 'Plan', exact: true }).click()
    const places: readonly [
      stage: string,
      steps: readonly (() => Promise<void>)[],
      told: string,
      isOn: string | RegExp,
    ][] = [
      ['Glow', [], 'What the show takes could not be worked out', /^6\.\d+ A$/],
      ['Buy', [view('Which light')], 'Lights could not be compared', /worked out/],
      [
        'Buy',
        [view('Drawer'), press('With what I have')],
        'What the drawer could do was not worked out',
        /trying what is in the drawer|does(, if you| as it is)/,
      ],
      [
        'Feed',
        [planFeeds],
        'The search ended without an answer',
        /^(Stop, \d+ %|fewest joints.*)$/,
      ],
      [
        'Build',
        [press(/^meter check/)],
        'What the meter should say could not',
        /^Unpowered, red tip on plus/,
      ],
      [
        'Build',
        [view('Order')],
        'The steps cannot be printed',
        /Making it ready …|Print the steps/,
      ],
      [
        'Measure',
        [press('Put it right …')],
        'It could not be worked out',
        /Trying remedies|^stops$/,
      ],
    ]
    const worker = '**/assets/jobs.worker*'
    for (const [stage, steps, told, isOn] of places) {
      await context.route(worker, (route) => route.abort())
      await page.getByTitle(new RegExp(`^${stage} `)).click()
      for (const step of steps) await step()
      const alert = page.getByRole('alert')
      await expect(alert).toContainText(told)
      // Nothing looks busy, or done, that is not.
      await expect(page.getByText(isOn).and(page.locator(':not(:disabled)'))).toHaveCount(0)
      await context.unroute(worker)
      await alert.getByRole('button', { name: 'try again' }).click()
      await expect(alert).toHaveCount(0)
      await expect(page.getByText(isOn).first()).toBeVisible()
    }
  },
)
