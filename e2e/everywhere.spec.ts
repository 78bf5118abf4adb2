import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { deployed, expect, figure, line, openEmptyPlan, pasteLines, roll, test } from './browser'

test.describe('without network', () => {
  test.use({ serviceWorkers: 'allow' })

  test(
    'every stage opens, those too that were never visited, and a reload brings all back',
    { tag: '@long' },
    async ({ page, context }) => {
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
    },
  )

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

test('an empty plan says on each page what it lacks, and leads to the pad', async ({ page }) => {
  await openEmptyPlan(page)
  const lacking = {
    2: 'No strip to cut yet.',
    3: 'Nothing to feed yet.',
    4: 'Nothing to send data to yet.',
    5: 'No wires yet.',
    6: 'Nothing to buy yet.',
    7: 'Nothing to build yet.',
    8: 'Nothing to play yet.',
    9: 'Nothing to mend yet.',
  }
  for (const [key, text] of Object.entries(lacking)) {
    await page.keyboard.press(`Alt+${key}`)
    await expect(page.getByText(text)).toBeVisible()
  }
  await expect(page.getByRole('link', { name: 'find a fault without a plan' })).toBeVisible()
  await page.getByRole('link', { name: 'Jot a length on the Measure page' }).click()
  await expect(line(page, 1)).toBeFocused()
  // Plain strip without a dimmer lights, but plays nothing.
  await page.getByRole('button', { name: /^Plate rack/ }).click()
  await page.keyboard.press('Alt+8')
  await expect(page.getByText('Nothing in this plan can be played')).toBeVisible()
})

test('reload and the back button return to the view, the run and the sheet', async ({ page }) => {
  await page.goto('/')
  await line(page, 3).click()
  await expect(page).toHaveURL(/[?&]run=/)
  await page.getByTitle(/^Signal /).click()
  await page.getByRole('radio', { name: 'Pins' }).click()
  await expect(page).toHaveURL(/view=pins/)
  await expect(page).toHaveURL(/run=/)
  await expect(page).toHaveTitle('Bay-window nook · Signal · Glow Tally')
  await page.reload()
  await expect(page.getByRole('radio', { name: 'Pins' })).toBeChecked()
  await page.goBack()
  await expect(page.getByRole('radio', { name: 'Lanes' })).toBeChecked()
  await page.goBack()
  await expect(page.getByRole('heading', { level: 1, name: 'Measure' })).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  await page.getByRole('radio', { name: 'Tally' }).click()
  await expect(page).toHaveURL(/sheet=tally/)
  await page.reload()
  await expect(roll(page)).toBeVisible()
})

test('search, help and the short guide by keys', { tag: '@long' }, async ({ page }) => {
  await page.goto('/')
  await expect(line(page, 1)).toHaveValue('seat front 2140')
  const search = page.getByRole('combobox', { name: /^Search pages/ })
  await page.keyboard.press('Control+k')
  await expect(search).toBeFocused()
  await search.pressSequentially('fuse')
  await expect(page.getByRole('option', { name: 'Fuse', exact: false }).first()).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/sums\/fuse/)
  await page.goBack()
  await page.keyboard.press('Control+k')
  await search.pressSequentially('porthole')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/run=/)
  await page.keyboard.press('Control+k')
  await search.pressSequentially('use 12 v white')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()
  await page.keyboard.press('Control+k')
  await search.pressSequentially('appearance light')
  await page.keyboard.press('Enter')
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light')
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light')
  await expect(page.locator('body')).toHaveCSS('background-color', 'rgb(231, 233, 239)')

  await page.getByRole('button', { name: 'Help' }).focus()
  await page.keyboard.press('?')
  const help = page.getByRole('dialog')
  await expect(page.getByRole('heading', { name: 'Shortcuts' })).toBeVisible()
  await expect(help.getByLabel('Glossary').locator('h4').first()).toHaveText('On this page')
  await page.getByLabel('Find a word').fill('sag')
  await expect(help.getByText('The volts lost on the way', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Show me round' }).click()
  await expect(page.locator('.driver-popover-title')).toHaveText('The pad')
  await page.keyboard.press('ArrowRight')
  await expect(page.locator('.driver-popover-title')).toHaveText('The drawing')
  await page.keyboard.press('Escape')
  await expect(page.locator('.driver-popover')).toHaveCount(0)

  // A word on the roll explains itself, and only while it is asked for.
  await expect(roll(page)).toContainText('seat front 42 × 50 mm')
  await expect(roll(page)).toContainText('WARNING porthole: bare')
  await roll(page).locator('[data-word="full white"]').first().hover()
  await expect(page.getByRole('tooltip')).toContainText('All colours at their brightest')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('tooltip')).toHaveCount(0)
})

test(
  'a plan goes to another device as a link, and everything as a backup',
  { tag: '@long' },
  async ({ page, browser, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write'])
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Share as a link' }).click()
    await expect(page.getByTestId('notice')).toContainText('The link is copied')
    await expect(page.getByTestId('notice')).toContainText('Without 1 photo')
    const link = await page.evaluate(() => navigator.clipboard.readText())

    const other = await (await browser.newContext({ serviceWorkers: 'block' })).newPage()
    await other.goto(link.replace('4185', '4186'))
    await expect(
      other.getByRole('heading', { name: 'A plan for you: Bay-window nook' }),
    ).toBeVisible()
    await other.getByRole('button', { name: 'Open as a copy' }).click()
    await expect(line(other, 1)).toHaveValue('seat front 2140')
    await expect(roll(other)).toContainText('18.5 A')
    await other.goto(`${deployed}/shared#${new URL(link).hash.slice(1, 400)}`)
    await other.reload()
    await expect(other.getByText('The link is damaged')).toBeVisible()

    await page.goto('/plans')
    await page.getByRole('button', { name: 'Tag Pegboard moon' }).click()
    await page.getByLabel('Tags, with commas between them').fill('hall, gift')
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: 'gift', exact: true }).click()
    await expect(page.getByRole('link', { name: 'Paper lanterns' })).toHaveCount(0)
    await expect(page.getByRole('link', { name: 'Pegboard moon' })).toBeVisible()
    await page.getByRole('button', { name: 'gift', exact: true }).click()
    await expect(page.getByText('step 96 of 231')).toBeVisible()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Back up everything' }).click()
    const file = await (await download).path()
    await expect(page.getByText(/Last backup: /)).toBeVisible()
    await page.getByRole('button', { name: 'Remove all examples' }).click()
    await expect(page.getByText('The shelf is empty')).toBeVisible()
    await page.getByLabel('Backup file').setInputFiles(file)
    await expect(page.getByTestId('notice')).toContainText('7 plans added')
    await expect(page.getByRole('link', { name: 'Pegboard moon' })).toBeVisible()
    await expect(page.getByRole('button', { name: 'gift', exact: true })).toBeVisible()

    await other.goto(`${deployed}/plans`)
    await other.getByLabel('Backup file').setInputFiles(file)
    await expect(other.getByTestId('notice')).toContainText('7 plans added')
    await other.context().close()
  },
)

test(
  'every page has a form for paper: all of it, with the plan’s name, and sheets in their size',
  { tag: '@long' },
  async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 })
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    await page.emulateMedia({ media: 'print', colorScheme: 'dark' })
    await page.setViewportSize({ width: 1010, height: 740 })
    // Pad, drawing and tally, of which a narrow window shows one at a time.
    await expect(page.getByRole('region', { name: 'Drawing' })).toBeVisible()
    await expect(roll(page)).toBeVisible()
    await expect(page.getByRole('navigation', { name: 'Stages' })).toBeHidden()
    await expect(page.getByText(/^Bay-window nook · Measure · Glow Tally · /)).toBeVisible()
    await expect(
      page.getByText('have fixed mains wiring done by a', { exact: false }),
    ).toBeVisible()
    await expect(roll(page)).toHaveCSS('background-color', 'rgb(255, 255, 255)')
    // Nothing on paper can be pressed.
    await expect(
      page.locator('.button-quiet:visible, .button-main:visible, .to-press:visible'),
    ).toHaveCount(0)
    await expect(page.getByRole('button', { name: 'Remove line 1' })).toBeHidden()
    await expect(page.getByRole('radiogroup').filter({ visible: true })).toHaveCount(0)
    await page.emulateMedia({ media: null })
    await page.setViewportSize({ width: 1280, height: 800 })
    // The whole diagram, where the screen shows a part of it, and every wire and joint.
    await page.getByTitle(/^Wire /).click()
    await expect(
      page
        .getByLabel(/^Diagram of all wires/)
        .locator('svg')
        .first(),
    ).toBeVisible()
    await page.evaluate(() => dispatchEvent(new Event('beforeprint')))
    await page.emulateMedia({ media: 'print' })
    await expect(page.locator('.print-only svg text', { hasText: 'crown' }).first()).toBeVisible()
    await expect(page.getByRole('cell', { name: 'W41', exact: true })).toBeVisible()
    await expect(page.getByText(/^Bay-window nook · Wire · Glow Tally · /)).toBeVisible()
    await page.emulateMedia({ media: null })
    await page.evaluate(() => dispatchEvent(new Event('afterprint')))
    await expect(page.locator('.print-only')).toHaveCount(0)
    await page.goto(page.url().replace(/\/wire.*/, '/build?view=templates'))
    await expect(page.locator('.print-only img').first()).toBeAttached()
    const sheets = await page.locator('.print-only img').count()
    const paper = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
    expect(paper.match(/\/Type\s*\/Page\b/g)).toHaveLength(sheets)
  },
)

test('forced colours show what is chosen', { tag: '@long' }, async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' })
  await page.goto('/')
  const [chosen, other] = [
    page.getByRole('radio', { name: 'White', exact: true }),
    page.getByRole('radio', { name: 'Idle', exact: true }),
  ]
  await expect(chosen).toBeChecked()
  const look = (one: typeof chosen): Promise<string> =>
    one.evaluate((element) => {
      const { outlineStyle, backgroundColor, textDecorationLine } = getComputedStyle(element)
      return [outlineStyle, backgroundColor, textDecorationLine].join()
    })
  expect(await look(chosen)).not.toBe(await look(other))
})

/** Drops a file on the window as a hand does. */
const drop = (page: Page, name: string, text: string): Promise<void> =>
  page.evaluate(
    ([fileName, content]) => {
      const data = new DataTransfer()
      data.items.add(new File([content], fileName))
      dispatchEvent(new DragEvent('drop', { dataTransfer: data, cancelable: true, bubbles: true }))
    },
    [name, text] as const,
  )

test(
  'a list is dropped or pasted as it was kept; an outline is traced; the rest is told',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await drop(page, 'attic.csv', 'Place;Count;Length (cm)\nshelf;3;65\nrail;1;90,5\n')
    await expect(line(page, 2)).toHaveValue('rail 1 x 90,5 cm')
    await expect(line(page, 1)).toHaveValue('shelf 3 x 65 cm')
    await expect(page.getByTestId('understood').first()).toHaveText('3 × 650')
    await expect(page.getByTestId('to-light')).toContainText('2.85 m')
    await line(page, 2).click()
    await page.keyboard.press('Enter')
    await pasteLines(page, ['• ledge 560', '• sill 1200'])
    await expect(line(page, 3)).toHaveValue('ledge 560')
    await expect(line(page, 4)).toHaveValue('sill 1200')
    const square =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M1 1h7v7H1z"/></svg>'
    await page.getByTitle(/^Feed /).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Feed' })).toBeVisible()
    await drop(page, 'tile.svg', square)
    await expect(page.getByText('to light in 1 part', { exact: false })).toBeVisible()
    await page.keyboard.press('Escape')
    await drop(page, 'song.mp3', 'x')
    await expect(page.getByTestId('notice')).toContainText('song.mp3 cannot be used here')
  },
)

test.describe('by touch', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } })
  test('a line is removed and another one begun by a finger', async ({ page }) => {
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    const remove = page.getByRole('button', { name: 'Remove line 3' })
    await expect(remove).toHaveCSS('opacity', '1')
    await remove.tap()
    await expect(line(page, 3)).toHaveValue('left ledge 555')
    await page.getByRole('button', { name: 'Undo' }).tap()
    await expect(line(page, 3)).toHaveValue('porthole ring 382')
    await page.getByRole('button', { name: '+ another line' }).tap()
    await expect(line(page, 8)).toBeFocused()
  })
  test(
    'two fingers bring the drawing nearer, about their middle, and move nothing on it',
    { tag: '@long' },
    async ({ page }) => {
      await page.goto('/')
      await page.getByText('Drawing', { exact: true }).tap()
      const drawing = page.getByRole('region', { name: 'Drawing' })
      await expect(drawing.locator('[data-run]').first()).toBeAttached()
      const matrix = async (): Promise<number[]> =>
        (await drawing.locator('.bench-strokes').getAttribute('transform'))!
          .match(/-?[\d.]+/g)!
          .map(Number)
      const { x, y, width, height } = (await drawing.boundingBox())!
      const [middleX, middleY] = [x + width / 2, y + height / 2]
      const [before, ...more] = await matrix()
      const device = await page.context().newCDPSession(page)
      const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart?: number) =>
        device.send('Input.dispatchTouchEvent', {
          type,
          touchPoints:
            apart === undefined
              ? []
              : [-1, 1].map((side, id) => ({ x: middleX + side * apart, y: middleY, id })),
        })
      await touch('touchStart', 40)
      for (const apart of [50, 60, 80]) await touch('touchMove', apart)
      await touch('touchEnd')
      const after = await matrix()
      expect(after[0]! / before!).toBeCloseTo(2, 2)
      // What lay between the fingers lies there still.
      const [, , , offsetX, offsetY] = more
      expect((middleX - x - after[4]!) / after[0]!).toBeCloseTo(
        (middleX - x - offsetX!) / before!,
        0,
      )
      expect((middleY - y - after[5]!) / after[0]!).toBeCloseTo(
        (middleY - y - offsetY!) / before!,
        0,
      )
      await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
    },
  )
  test('whatever a finger hits is 44 px high', { tag: '@long' }, async ({ page }) => {
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    const id = new URL(page.url()).pathname.split('/')[2]!
    for (const stage of [
      'measure',
      'cut',
      'feed',
      'signal',
      'wire',
      'buy',
      'build',
      'glow',
      'mend',
    ]) {
      await page.goto(`/plan/${id}/${stage}`)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      await page.waitForTimeout(500)
      const small = await page.evaluate(() =>
        [...document.querySelectorAll('button:not(.slim), [role="radio"], select, header a')]
          .filter(
            (element) => element.checkVisibility() && !element.matches('.not-focus\\:sr-only'),
          )
          .map((element) => [element.textContent.trim(), element.getBoundingClientRect()] as const)
          .filter(([, { width, height }]) => height < 44 || width < 40)
          .map(([name, { width, height }]) => `${name}: ${String(width)} x ${String(height)}`),
      )
      expect([stage, ...small]).toEqual([stage])
    }
  })
})

test(
  'what was done on the phone comes back to the plan that it came from',
  { tag: '@long' },
  async ({ page, browser }) => {
    await page.goto('/')
    await expect(line(page, 1)).toHaveValue('seat front 2140')
    const out = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Export to a file' }).click()
    const file = await (await out).path()

    const phone = await (await browser.newContext({ serviceWorkers: 'block' })).newPage()
    await phone.goto(`${deployed}/plans`)
    const chooser = phone.waitForEvent('filechooser')
    await phone.getByRole('button', { name: 'Import a file' }).click()
    await (await chooser).setFiles(file)
    await expect(line(phone, 1)).toHaveValue('seat front 2140')
    await phone.getByTitle(/^Buy /).click()
    await phone.getByRole('checkbox', { name: /knob/ }).first().check()
    await phone.getByTitle(/^Build /).click()
    const step = phone.getByRole('region', { name: 'The step at hand' })
    const title = await step.getByRole('heading', { level: 2 }).innerText()
    await phone.getByLabel('Note', { exact: true }).fill('tight behind the crown')
    await phone.getByRole('button', { name: /^Done/ }).click()
    await expect(step.getByRole('heading', { level: 2 })).not.toHaveText(title)
    const back = phone.waitForEvent('download')
    await phone.getByRole('button', { name: 'Plan', exact: true }).click()
    await phone.getByRole('menuitem', { name: 'Export to a file' }).click()
    const done = await (await back).path()

    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Take over what was done elsewhere …' }).click()
    await page.getByLabel('Its file').setInputFiles(done)
    const list = page.getByLabel('What differs')
    await expect(list).toContainText('tight behind the crown')
    // Its downloads go with it.
    await phone.context().close()
    await expect(list).toContainText('knob: bought')
    await page.getByRole('button', { name: /^Take over \d/ }).click()
    await expect(page.getByTestId('notice')).toContainText('taken over')
    await page.getByTitle(/^Build /).click()
    await expect(page.getByRole('region', { name: 'The step at hand' })).not.toContainText(title)
    await page.getByRole('radio', { name: 'Log' }).click()
    await expect(page.getByText('tight behind the crown')).toBeVisible()
  },
)

test('a snapshot is kept, compared and taken back', { tag: '@long' }, async ({ page }) => {
  await openEmptyPlan(page)
  await page.keyboard.type('attic 730')
  await expect(roll(page)).toContainText('attic')
  const open = async (): Promise<void> => {
    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Snapshots …' }).click()
  }
  await open()
  await page.getByLabel('Keep the plan as it is now, as').fill('before the rail')
  await page.keyboard.press('Enter')
  const kept = page.getByLabel('Snapshots kept')
  await expect(kept).toContainText('before the rail')
  await page.keyboard.press('Escape')
  await line(page, 1).fill('attic 900')
  await page.keyboard.press('Enter')
  await page.keyboard.type('rail 2000')
  await expect(roll(page)).toContainText('rail')
  await page.reload()
  await open()
  await page.getByRole('button', { name: 'Compare' }).click()
  await expect(kept).toContainText('attic 730 is now attic 900')
  await expect(kept).toContainText('new since: rail 2000')
  await expect(kept.getByRole('row', { name: /^places/ })).toContainText('places12')
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect(line(page, 1)).toHaveValue('attic 730')
  await expect(line(page, 2)).toHaveCount(0)
  await page.getByTestId('notice').getByRole('button', { name: 'Undo' }).click()
  await expect(line(page, 2)).toHaveValue('rail 2000')
})

test(
  'a note is kept on a run, with its photo, and what is being written is never lost',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('attic 730')
    await page.keyboard.press('Enter')
    await page.keyboard.type('rail 2000')
    await expect(roll(page)).toContainText('rail')
    await page.getByRole('button', { name: 'Add a note on rail' }).click()
    const sheet = page.getByRole('dialog', { name: 'Notes' })
    await expect(sheet.getByLabel('On')).toHaveValue(/^run /)
    await sheet.getByLabel('Note', { exact: true }).fill('pipe behind it at 300')
    await page.keyboard.press('Escape')
    await expect(sheet).toHaveCount(0)
    await page.getByRole('button', { name: 'Add a note on rail' }).click()
    await expect(sheet.getByLabel('Note', { exact: true })).toHaveValue('pipe behind it at 300')
    await sheet.getByLabel('Photos of this note').setInputFiles('demo/photos/nook-start.jpg')
    await expect(sheet.getByRole('img')).toBeVisible()
    await sheet.getByRole('button', { name: 'Keep the note' }).click()
    const kept = sheet.getByLabel('Notes kept')
    await expect(kept.getByRole('listitem')).toContainText(/rail.*pipe behind it at 300/s)
    await expect(sheet.getByLabel('Note', { exact: true })).toHaveValue('')
    await kept.getByRole('button', { name: 'Change the note on rail' }).click()
    await kept.getByRole('textbox').fill('pipe behind it at 320')
    await page.keyboard.press('Escape')
    await page.reload()
    await page.getByRole('button', { name: 'Notes on line 2' }).click()
    await expect(kept.getByRole('listitem')).toContainText('pipe behind it at 320')
    await expect(kept.getByRole('img')).toBeVisible()
    await kept.getByRole('button', { name: 'Delete the note on rail' }).click()
    await page.keyboard.press('Escape')
    await expect(page.getByRole('button', { name: 'Notes on line 2' })).toHaveCount(0)
    await page.getByTestId('notice').getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('button', { name: 'Notes on line 2' })).toBeVisible()
  },
)

test(
  'upkeep has its days once it is in use, and the shelf tells what is due',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/')
    await page.getByTitle(/^Mend /).click()
    await page.getByRole('radio', { name: 'Upkeep' }).click()
    const screws = page.getByRole('listitem').filter({ hasText: 'screws again' })
    await expect(screws).toContainText('once, 7 days after it was built')
    await expect(screws).not.toContainText('due')
    const day = new Date(Date.now() - 9 * 86_400_000).toLocaleDateString('sv')
    await page.getByLabel('In use since').fill(day)
    await expect(screws).toContainText('2 days late')
    await expect(page.getByRole('listitem').filter({ hasText: 'Wipe dust' })).toContainText('due ')
    await page.getByRole('link', { name: 'Plans', exact: true }).click()
    const late = page.getByRole('link', { name: /screws again: 2 days late/ })
    await late.click()
    await screws.getByRole('button', { name: /^Done today/ }).click()
    await expect(screws).toContainText('done')
    await page.reload()
    await expect(screws).not.toContainText('late')
  },
)

test(
  'lengths are shown in metres, short ones in millimetres',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('attic 730')
    await page.keyboard.press('Enter')
    await page.keyboard.type('peg 45 mm')
    await page.getByRole('radio', { name: 'm', exact: true }).click()
    await expect(page.getByTestId('understood')).toHaveText(['0.73 m', '45 mm'])
    await expect(roll(page)).toContainText('0.717 m')
  },
)

test.describe('in a language with decimal commas', () => {
  test.use({ locale: 'de-DE' })

  test('numbers have them, from every worker, and are typed as they are shown', async ({
    page,
  }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('sill 1,5 m')
    await expect(figure(page, 'length.total')).toHaveText('1,50 m')
    await expect(figure(page, 'current.5.total')).toHaveText(/^\d,\d\d A$/)
    await page.getByRole('link', { name: 'Sums' }).click()
    await page.getByRole('link', { name: /^Resistor of an LED/ }).click()
    const volts = page.getByLabel('Supply')
    await volts.fill('12,5')
    await volts.press('Tab')
    await expect(volts).toHaveValue('12,5')
    await expect(page.getByRole('alert')).toHaveCount(0)
  })
})

test(
  'a whole plan becomes one PDF, and its drawing a picture',
  { tag: '@long' },
  async ({ page }) => {
    await page.goto('/')
    await expect(roll(page)).toContainText('alcove')
    const saved = async (action: string): Promise<{ name: string; bytes: Buffer }> => {
      const download = page.waitForEvent('download')
      await page.getByRole('button', { name: 'Plan', exact: true }).click()
      await page.getByRole('menuitem', { name: action }).click()
      const file = await download
      return { name: file.suggestedFilename(), bytes: await readFile(await file.path()) }
    }
    const book = await saved('Save everything as one PDF')
    expect(book.name).toBe('bay-window-nook.pdf')
    expect(book.bytes.subarray(0, 5).toString()).toBe('%PDF-')
    // Fifty pages or so: drawing, sums, lists, diagram, wires, joints, steps, program, labels, and 30 sheets of templates.
    expect(book.bytes.toString('latin1').match(/\/Type \/Page\b/g)?.length).toBeGreaterThan(40)
    const picture = await saved('Save the drawing as PNG')
    expect(picture.name).toBe('bay-window-nook.png')
    expect(picture.bytes.subarray(1, 4).toString()).toBe('PNG')
    // Width and height stand in its header; the longer side is as long as it is made.
    expect(Math.max(picture.bytes.readUInt32BE(16), picture.bytes.readUInt32BE(20))).toBe(2400)
  },
)

test(
  'F6 goes from part to part of a page, and the job goes on by keys',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    await page.keyboard.type('plate shelf 900')
    await expect(roll(page)).toContainText('54 × 16.7 mm')
    const focused = page.locator(':focus')
    await page.keyboard.press('F6')
    await expect(focused).toHaveAccessibleName('edge')
    await page.keyboard.press('F6')
    await expect(focused).toHaveAccessibleName(/^plate shelf: move with the arrow keys/)
    await page.keyboard.press('Shift+F6')
    await page.keyboard.press('F6')
    await page.keyboard.press('F6')
    await expect(focused).toHaveAccessibleName('Add a note on plate shelf')
    await page.keyboard.press('Tab')
    await page.keyboard.press('Tab')
    await expect(focused).toHaveAccessibleName(/^Light: 5 V RGB pixels/)
    await page.keyboard.press('Alt+3')
    await expect(page.locator('[data-flag]')).toHaveCount(1)
    // The card went with its page: the focus stands on the one that came.
    await expect(page.locator('main')).toBeFocused()
    // From nowhere it goes into the page, past the app's own bar.
    for (let times = 0; times < 3; times += 1) await page.keyboard.press('F6')
    await expect(focused).toHaveAccessibleName('Feed plate shelf at its far end too')
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-flag]')).toHaveCount(2)
    // A dialog keeps the focus.
    await page.keyboard.press('Control+k')
    await page.keyboard.press('F6')
    await expect(focused).toHaveAccessibleName(/^Search pages/)
  },
)
