import { expect, line as lineOf, openEmptyPlan, test } from './browser'

test(
  'several runs from one line, one divided in two, and its light for others',
  { tag: '@long' },
  async ({ page }) => {
    await openEmptyPlan(page)
    const line = (number: number) => lineOf(page, number)
    await line(1).fill('tier 1 to 3 1040')
    await line(1).press('Enter')
    await expect(line(1)).toHaveValue('tier 1 1040')
    await expect(line(3)).toHaveValue('tier 3 1040')
    await expect(line(3)).toBeFocused()
    await line(3).press('Enter')
    await line(4).fill('rack 2 x 560')
    await page.getByRole('button', { name: 'More for rack' }).click()
    await page.getByRole('menuitem', { name: 'Make 2 runs of it' }).click()
    await expect(line(5)).toHaveValue('rack 2 560')
    await page.getByRole('button', { name: 'Undo' }).first().click()
    await expect(line(5)).toHaveCount(0)

    // One of its tiers in two, each on a lane of its own.
    await line(1).click()
    await page.getByRole('button', { name: 'More for tier 1' }).click()
    await page.getByRole('menuitem', { name: 'Divide it in two' }).click()
    await expect(line(1)).toHaveValue('"tier 1, 1" 516.7')
    await expect(line(2)).toHaveValue('"tier 1, 2" 523.3')
    await expect(page.getByRole('navigation').getByText('2 lanes')).toBeVisible()

    // The light and mount of one for all others; a new line takes them from the line above.
    await line(3).click()
    await page.getByRole('button', { name: 'how it is mounted' }).click()
    await page.locator('select[name=cover]').selectOption('opal')
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: 'More for tier 2' }).click()
    await page.getByRole('menuitem', { name: 'Its light and mount' }).click()
    const dialog = page.getByRole('dialog', { name: 'As tier 2 has it' })
    await dialog.getByRole('checkbox', { name: 'rack' }).uncheck()
    await dialog.getByRole('button', { name: 'Take it over' }).click()
    const cover = async (number: number): Promise<string> => {
      await line(number).click()
      await page.getByRole('button', { name: 'how it is mounted' }).click()
      const value = await page.locator('select[name=cover]').inputValue()
      await page.keyboard.press('Escape')
      return value
    }
    expect(await cover(1)).toBe('opal')
    expect(await cover(5)).toBe('none')
    await line(1).click()
    await line(1).press('Enter')
    await line(2).fill('sill 700')
    expect(await cover(2)).toBe('opal')
  },
)
