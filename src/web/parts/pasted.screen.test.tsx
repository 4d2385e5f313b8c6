import { describe } from 'vitest'
import { expect, type Page, test } from '../../testing/screen'

/** Pastes into a field, as a browser tells the page of it. */
async function paste(
  page: Page,
  label: string | RegExp,
  text: string,
  name?: string,
  role: 'region' | 'group' = 'region',
): Promise<void> {
  const at = name ? page.getByRole(role, { name, exact: true }) : page
  const field = at.getByLabel(label).first()
  await expect(field).toBeVisible()
  await field.focus()
  const event = new Event('paste', { bubbles: true, cancelable: true })
  Object.defineProperty(event, 'clipboardData', { value: { getData: () => text } })
  document.activeElement?.dispatchEvent(event)
}

type Shown = [region: string | undefined, label: string | RegExp, value: string][]

/** Where a block goes on each kind: readings down each column, and the dimensions of what is many row by row. */
const blocks: { kind: string; at: string; into: [string | RegExp, string?]; text: string; shown: Shown }[] = [
  {
    kind: 'train',
    at: '/jobs/job-6/readings',
    into: ['Motor dial, top, mm'],
    text: '0\n-0.11\r\n-0.22\n-0.1\n',
    shown: [
      [undefined, 'Motor dial, top, mm', '0'],
      [undefined, 'Motor dial, wall, mm', '−0.11'],
      [undefined, 'Motor dial, bottom, mm', '−0.22'],
      [undefined, 'Motor dial, aisle, mm', '−0.1'],
    ],
  },
  {
    kind: 'train, a column for each dial',
    at: '/jobs/job-6/readings',
    into: ['Motor dial, top, mm'],
    text: '0\t0.01\n0.31\t-0.11\n0.42\t-0.22',
    shown: [
      [undefined, 'Motor dial, wall, mm', '+0.31'],
      [undefined, 'Motor dial, bottom, mm', '+0.42'],
      [undefined, 'Pump dial, top, mm', '+0.01'],
      [undefined, 'Pump dial, bottom, mm', '−0.22'],
    ],
  },
  {
    kind: 'upright',
    at: '/jobs/job-44/readings',
    into: [/^Bolt 1/],
    text: '0.01\n0.02\n0.03',
    shown: [
      [undefined, /^Bolt 1/, '0.01'],
      [undefined, /^Bolt 2|^Bolt 3/, '+0.02'],
    ],
  },
  {
    kind: 'belt',
    at: '/jobs/job-43/readings',
    into: ['Top, mm', 'Motor sheave'],
    text: '1.01\n1.02\n1.03\n1.04',
    shown: [
      ['Motor sheave', 'Top, mm', '1.01'],
      ['Motor sheave', 'Bottom, mm', '+1.03'],
    ],
  },
  {
    kind: 'bore, a column for each bore',
    at: '/jobs/job-45/readings',
    into: ['Top, mm', 'Pocket 1'],
    text: '0.01\t0.11\n0.02\t0.12\n0.03\t0.13\n0.04\t0.14',
    shown: [
      ['Pocket 1', 'Top, mm', '0.01'],
      ['Pocket 1', 'Bottom, mm', '+0.03'],
      ['Pocket 2', 'Top, mm', '+0.11'],
      ['Pocket 2', 'Bottom, mm', '+0.13'],
    ],
  },
  {
    kind: 'rolls',
    at: '/jobs/job-46/readings',
    into: [/^Scale, aisle end, Roll 2, mm/],
    text: '40.11\t40.12\n40.21\t40.22',
    shown: [
      [undefined, /^Scale, aisle end, Roll 2, mm/, '40.11'],
      [undefined, /^Scale, drives end, Roll 2, mm/, '+40.12'],
      [undefined, /^Scale, aisle end, Roll 3, mm/, '+40.21'],
      [undefined, /^Scale, drives end, Roll 3, mm/, '+40.22'],
    ],
  },
]

describe.each(blocks)('a block pasted into the readings: $kind', ({ at, into, text, shown }) => {
  test('goes down each column, and is one step to take back', async ({ page, demo }) => {
    await page.goto(`${demo}${at}`)
    const [, last, value] = shown.at(-1)!
    const region = shown.at(-1)![0]
    const fieldAt = (name: string | undefined, label: string | RegExp) =>
      (name ? page.getByRole('region', { name, exact: true }) : page).getByLabel(label).first()
    await expect(fieldAt(region, last)).toBeVisible()
    await paste(page, into[0], text, into[1])
    for (const [name, label, told] of shown) await expect(fieldAt(name, label)).toHaveValue(told)
    await page.keyboard.press('Control+z')
    await expect(fieldAt(region, last)).not.toHaveValue(value)
    await expect(fieldAt(...([shown[0]![0], shown[0]![1]] as const))).not.toHaveValue(shown[0]![2])
  })
})

test('a block pasted over the dimensions of rolls and of bores goes row by row; what has no place is said', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-46/dimensions`)
  await paste(page, /^Down the line/, '10\t20\n30\t40', 'Roll 1', 'group')
  const of = (name: string, label: RegExp) => page.getByRole('group', { name, exact: true }).getByLabel(label).first()
  await expect(of('Roll 2', /^Down the line/)).toHaveValue('30')
  await expect(of('Roll 2', /^Up/)).toHaveValue('40')
  await page.goto(`${demo}/jobs/job-45/dimensions`)
  await paste(page, /^Along the row/, Array.from({ length: 60 }, (_, i) => i).join('\n'), 'Pocket 1')
  await expect(page.getByText(/pasted numbers did not fit/)).toBeVisible()
  await page.getByRole('button', { name: 'OK' }).click()
  await expect(page.getByText(/pasted numbers did not fit/)).toBeHidden()
})
