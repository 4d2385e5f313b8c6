import { expect, sameIds, test } from './site'

test('a belt drive from an empty site to a signed record: read by the face, moved, read again, in mm and mil, with a reload in the middle', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('belt')
  await page.getByLabel('Line name').fill('Loft fan')
  await page.getByLabel('Your initials').fill('K. O.')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  const fan = page.getByRole('region', { name: 'Fan: fixed' })
  await fan.getByLabel('Sheave diameter, mm').fill('220')
  await fan.getByLabel('Sheave width, mm').fill('40')
  const motor = page.getByRole('region', { name: 'Motor: movable' })
  const sizes: Readonly<Record<string, string>> = {
    'Sheave diameter, mm': '160',
    'Sheave width, mm': '50',
    'Shaft position toward far, mm': '600',
    'Shaft height, mm': '150',
    'Front feet: distance behind the face, mm': '90',
    'Back feet: distance behind the face, mm': '340',
    'Height of feet above the fixed shaft, mm': '18',
    'Distance of that bolt toward far, mm': '-95',
  }
  for (const [label, value] of Object.entries(sizes)) await motor.getByLabel(label).fill(value)
  await page.getByLabel('Maker’s limit, ° or mm/m').fill('0.25')
  await page.getByRole('link', { name: 'Go to Readings' }).click()

  // one turn only, by keyboard: from cell to cell
  const card = page.getByRole('region', { name: 'Motor sheave' })
  await card.getByLabel('Measuring radius, mm').fill('110')
  await card.getByLabel(/^Also read turned 180°/).uncheck()
  await expect(page.getByText('Next: top, motor sheave.')).toBeVisible()
  await page.getByRole('button', { name: /^Enter (value|reading)$/ }).click()
  for (const value of ['2.94', '1.84', '2.06', '3.16']) {
    await page.keyboard.type(value)
    await page.keyboard.press('Tab')
  }
  await expect(page.getByText('Motor sheave is out of tolerance.')).toBeVisible()
  await expect(page.getByText('0.23° at the fixed sheave', { exact: false })).toBeVisible()
  await expect(page.getByText('The grooves of the motor sheave are 5.00 mm deeper behind its face.')).toBeVisible()
  await expect(page.getByText(/^Saved \d\d:\d\d/)).toBeVisible()
  await page.reload()
  await expect(card.getByLabel('Far, mm', { exact: true })).toHaveValue('+1.84')

  await page.getByRole('link', { name: /Move/ }).first().click()
  const feet = page.getByRole('region', { name: 'At the feet of the motor' })
  await expect(feet).toContainText('add 1.00 mm')
  await expect(feet).toContainText('none')
  await expect(feet).toContainText('1.50 mm toward near')
  await expect(feet).toContainText('Slide 2.46 mm to the right')
  await expect(page.getByText('Lock out and try before you take the guard off.')).toBeVisible()
  await page.getByRole('radio', { name: 'mil' }).click()
  await expect(feet).toContainText('add 39.4 mil')
  await expect(feet).toContainText('Slide 96.8 mil to the right')
  await page.getByRole('radio', { name: 'mm', exact: true }).click()
  await expect(page.getByText(/^Saved/)).toBeVisible()
  const sheet = await page.request.get(
    `${empty}${await page.getByRole('link', { name: 'Move sheet' }).getAttribute('href')}`,
  )
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-')

  // moved; read again with the belts tensioned, an instrument telling the angles
  await page.getByRole('button', { name: 'Moves done: start next round' }).click()
  await expect(page.getByLabel('Belts tensioned for this round')).toBeChecked()
  await card.getByLabel('Method').selectOption('angles')
  await card.getByLabel('Toe, degrees').fill('0.01')
  await card.getByLabel('Tilt, degrees').fill('-0.02')
  await card.getByLabel('Face offset, + to the right, mm').fill('5.1')
  await expect(page.getByText('Motor sheave is within tolerance.')).toBeVisible()
  await page.getByRole('link', { name: /Move/ }).first().click()
  await expect(page.getByText('Motor sheave: free span 618 mm. Press in 9.7 mm', { exact: false })).toBeVisible()
  await page.getByLabel('Belt mass, kg/m').fill('0.12')
  await page.getByLabel('Span frequency, Hz').fill('46.8')
  await expect(page.getByText('= 401 N per belt.')).toBeVisible()
  await page.getByLabel('Tension as set (force and deflection, or frequency)').fill('28 N at 9.6 mm')
  await page.getByLabel('Recheck on').fill('2027-03-02')
  await page.getByRole('button', { name: /^\d+ more$/ }).click()
  await expect(page.getByText('Tension recorded.')).toBeVisible()

  await page
    .getByRole('link', { name: /Verify/ })
    .first()
    .click()
  await expect(page.getByText('Motor sheave, grooves')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Repeat' })).toBeVisible()
  await expect(page.getByRole('button', { name: /connected/ })).toHaveCount(0)
  await page.getByRole('link', { name: /Sign/ }).first().click()
  await page.getByRole('button', { name: 'Show the record' }).click()
  const record = page.getByRole('article').or(page.getByLabel('The record')).first()
  await expect(record).toContainText('Tension: 28 N at 9.6 mm. Recheck on 2027-03-02.')
  await expect(record).toContainText('Grooves are aligned, not faces.')
  const reasons = page.getByPlaceholder('Accept, because …')
  for (let i = 0; i < (await reasons.count()); i++) await reasons.nth(i).fill('Looked at by two')
  await page.getByLabel('Checked by').fill('I. M.')
  await page.getByRole('button', { name: 'Sign this job' }).click()
  await expect(page.getByText(/^Signed by K\. O\./).first()).toBeVisible()
  const survey = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Survey, JSON' }).click()
  expect((await survey).suggestedFilename()).toMatch(/survey\.json$/)
})

test('a face read and a machine moved with an indicator on the line, one number for each act', async ({
  page,
  demo,
}) => {
  await sameIds(page, 11)
  await page.goto(`${demo}/new`)
  await page.getByLabel('Kind of line').selectOption('belt')
  await page.getByLabel('Line name').fill('Loft fan 3')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  await page.getByRole('region', { name: 'Fan: fixed' }).getByLabel('Sheave width, mm').fill('40')
  const motor = page.getByRole('region', { name: 'Motor: movable' })
  for (const [label, value] of [
    ['Sheave width, mm', '40'],
    ['Shaft position toward far, mm', '600'],
    ['Front feet: distance behind the face, mm', '90'],
    ['Back feet: distance behind the face, mm', '340'],
    ['Height of feet above the fixed shaft, mm', '-140'],
  ] as const)
    await motor.getByLabel(label).fill(value)
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  const device = page.getByRole('region', { name: 'Indicator' })
  await device.getByRole('button', { name: 'Connect' }).click()
  await expect(device).toContainText('Enter the radius first.')
  const card = page.getByRole('region', { name: 'Motor sheave' })
  await card.getByLabel('Measuring radius, mm').fill('110')
  await card.getByLabel(/^Also read turned 180°/).uncheck()
  await expect(device).toContainText('Tip: top, motor sheave')
  await expect(device.getByText('still', { exact: true })).toBeVisible()
  // by key, then by itself
  await page.getByRole('heading', { name: 'Readings' }).click()
  await page.keyboard.press('c')
  await expect(device).toContainText(/mm captured: top, motor sheave/)
  await device.getByRole('button', { name: 'Capture when steady' }).click()
  await expect(device).toContainText('All readings taken.')
  await expect(card.getByLabel('Near, mm', { exact: true })).toHaveValue(/^[+−]\d\.\d{3}$/)
  await expect(page.getByText(/^Motor sheave is (out of|within) tolerance\.$/)).toBeVisible()

  await page.getByRole('link', { name: /Move/ }).first().click()
  // it came out within: what could still be gained stands behind a fold
  await expect(page.getByText('Within tolerance: no moves needed.').first()).toBeVisible()
  await page.getByText('What could still be gained').click()
  const feet = page.getByRole('region', { name: 'At the feet of the motor' })
  await feet.getByText('Live moves').click()
  await feet.getByRole('button', { name: 'Connect' }).click()
  await feet.getByRole('radio', { name: 'Slide' }).click()
  await expect(feet.getByRole('status').filter({ hasText: 'to go.' })).toBeVisible()
  const moved = feet.getByLabel('Position of the simulated machine')
  await moved.fill('125')
  await expect(feet.getByRole('status').filter({ hasText: /too far: go back\.$/ })).toBeVisible()
  await moved.fill('100')
  await expect(feet.getByRole('status').filter({ hasText: 'In position.' })).toBeVisible()
})
