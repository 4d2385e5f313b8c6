import { expect, sameIds, test } from './site'

test('an upright pair from nothing to shims and push, in mm and mil, with a reload in the middle', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('upright')
  await page.getByLabel('Line name').fill('Well pump 2')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  await page.getByLabel('Height of joint above coupling center, mm').fill('260')
  await page.getByLabel('Bolt circle diameter, mm').fill('300')
  await page.getByLabel('Coupling diameter, mm').fill('160')
  await page.getByLabel('Speed, rpm').fill('1480')
  await page.getByLabel('Shims in stock, mm').fill('0.05 0.1 0.2')
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await expect(page.getByText('Next: read the motor dial at bolt 1.')).toBeVisible()
  const read = async (dial: string, height: string, values: readonly string[]) => {
    const card = page.getByRole('region', { name: dial })
    for (const [i, value] of values.entries()) await card.getByLabel(`Bolt ${i + 1}, mm`).fill(value)
    await card.getByLabel(/coupling, mm$/).fill(height)
  }
  await read('Motor dial', '40', ['0', '0.114', '0.176', '0.062'])
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await read('Pump dial', '30', ['0', '-0.212', '-0.288', '-0.076'])
  await expect(page.getByText('Coupling is out of tolerance.')).toBeVisible()
  // a motor on its flange has no feet: the step is not there
  await expect(page.getByRole('link', { name: 'Soft foot' })).toHaveCount(0)
  await page.getByRole('link', { name: 'Moves', exact: false }).click()
  const bolts = page.getByRole('region', { name: 'At the bolts' })
  await expect(bolts.getByRole('row')).toHaveText([
    'Bolt 10.24 mm0.20 + 0.05',
    'Bolt 20.03 mm0.05',
    'Bolt 3none: high spot',
    'Bolt 40.21 mm0.20',
  ])
  await expect(bolts).toContainText('Push the flange 0.11 mm toward bolt 2 and 0.09 mm toward bolt 3.')
  await page.getByText('mil', { exact: true }).click()
  await expect(bolts).toContainText('9.4 mil')
  await expect(bolts).toContainText('Push the flange 4.2 mil toward bolt 2 and 3.5 mil toward bolt 3.')
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  const sheet = await page.request.get(
    `${empty}${await page.getByRole('link', { name: 'Move sheet' }).getAttribute('href')}`,
  )
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-')
  // left as it is, signed with reasons
  await page.getByRole('link', { name: /Sign/ }).first().click()
  const reasons = page.getByPlaceholder('Accept, because …')
  await expect(reasons.first()).toBeVisible()
  for (let i = 0; i < (await reasons.count()); i++) await reasons.nth(i).fill('Shims cut tomorrow')
  await page.getByLabel('Done by').first().fill('I. M.')
  await page.getByRole('button', { name: 'Sign this job' }).click()
  await expect(page.getByText(/^Signed by I\. M\./).first()).toBeVisible()
  await page.goto(empty)
  await expect(page.getByText('Well pump 2')).toBeVisible()
})

test('both dials of an upright pair taken from an indicator on the line, by keyboard alone', async ({
  page,
  empty,
}) => {
  await sameIds(page, 12)
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('upright')
  await page.getByLabel('Line name').fill('Well pump 3')
  await page.getByRole('button', { name: 'Create line and start job' }).press('Enter')
  await page.getByRole('link', { name: 'Go to Readings' }).press('Enter')
  const dial = (name: string) => page.getByRole('region', { name })
  await dial('Motor dial')
    .getByLabel(/coupling, mm$/)
    .fill('40')
  await dial('Pump dial')
    .getByLabel(/coupling, mm$/)
    .fill('30')
  const device = page.getByRole('region', { name: 'Indicator' })
  await device.getByRole('button', { name: 'Connect' }).press('Enter')
  await device.getByRole('button', { name: 'Capture when steady' }).press('Enter')
  await expect(device).toContainText('All readings taken.')
  await expect(dial('Pump dial').getByLabel('Bolt 4, mm')).toHaveValue(/^[+−]?\d\.\d{3}$/)
  // the rig behind the indicator is another one for every job: what the dials say is not told here
  await expect(page.getByText('No tolerance yet: enter the speed and coupling diameter.').first()).toBeVisible()
})
