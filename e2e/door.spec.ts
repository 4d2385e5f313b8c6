import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import { startServer, stopServer } from './attack'
import { seriousOn } from './screens'
import { expect, tabTo, test } from './site'

const password = 'kelp and barnacle'

/** The command as a person runs it: it prints a one-time code. */
function administrator(folder: string, ...args: string[]): string {
  const { stdout, stderr, status } = spawnSync(
    process.execPath,
    ['dist/server/administrator.js', '--data', folder, ...args],
    { encoding: 'utf8' },
  )
  if (status !== 0) throw new Error(stderr)
  return /one-time code\s+(\S+)/.exec(stdout)?.[1] ?? ''
}

/** Chooses a password with a one-time code. */
async function claim(page: Page, signIn: string, given: string): Promise<void> {
  await page.getByRole('button', { name: 'I have a one-time code' }).click()
  await page.getByLabel('Sign-in name').fill(signIn)
  await page.getByLabel('One-time code').fill(given)
  await page.getByLabel('New password, at least 10 characters').fill(password)
  await page.getByLabel('Repeat password').fill(password)
  await page.getByRole('button', { name: 'Set password and sign in' }).click()
}

/** Somebody in a browser of their own. */
async function somebody(browser: Browser): Promise<Page> {
  return (await browser.newContext()).newPage()
}

/** Invites somebody and gives back the code that is shown. */
async function invite(
  page: Page,
  address: string,
  who: { name: string; signIn: string; initials: string; role: string },
) {
  await page.goto(`${address}/people`)
  const form = page.getByRole('region', { name: 'Invite a person' })
  await form.getByLabel('Name on records').fill(who.name)
  await form.getByLabel('Sign-in name').fill(who.signIn)
  await form.getByLabel('Initials').fill(who.initials)
  await form.getByLabel('Role').selectOption(who.role)
  await form.getByRole('button', { name: 'Invite' }).click()
  const handed = page.getByRole('status', { name: `Give this code to ${who.name}` })
  return (await handed.locator('dd').nth(1).textContent()) ?? ''
}

test('a site on a network: let in, invited, signed out from afar with a reading half typed, and signed by initials and PIN', async ({
  page,
  browser,
  behind: { address, code },
}) => {
  await page.goto(`${address}/jobs/job-5/readings`)
  // nothing of the job is there before
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expect(page.getByText('Dryer circulation pump')).toHaveCount(0)
  expect(await seriousOn(page)).toEqual([])
  // by keyboard: first a wrong password, then the code
  await tabTo(page, 'Sign-in name')
  await page.keyboard.type('k.odell')
  await tabTo(page, 'Password')
  await page.keyboard.type('not this')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Wrong name or password.')
  await claim(page, 'k.odell', code)
  await expect(page.getByRole('link', { name: 'Account of K. Odell' })).toBeVisible()
  await expect(page.getByText('Dryer circulation pump').first()).toBeVisible()

  const given = await invite(page, address, {
    name: 'I. Marsh',
    signIn: 'i.marsh',
    initials: 'I. M.',
    role: 'millwright',
  })
  const marsh = await somebody(browser)
  await marsh.goto(`${address}/account`)
  await claim(marsh, 'i.marsh', given)
  await expect(marsh.getByRole('heading', { name: 'Signed in as I. Marsh' })).toBeVisible()
  const pin = marsh.getByRole('region', { name: 'PIN for signing' })
  await pin.getByLabel('New PIN').fill('4711')
  await pin.getByLabel('Current password').fill(password)
  await pin.getByRole('button', { name: 'Set the PIN' }).click()
  await expect(pin.getByRole('status')).toHaveText('The PIN is set.')

  // signed out from afar in the middle of the work: what was typed is there again
  await marsh.goto(`${address}/jobs/job-5/pre-checks`)
  const note = marsh.getByLabel('Permit number')
  await note.fill('SP-2208')
  await expect(marsh.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Sign out: I. Marsh' }).click()
  await expect(page.getByText('not signed in').first()).toBeVisible()
  await note.fill('SP-2209')
  await expect(marsh.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await marsh.reload()
  await expect(marsh.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await marsh.getByLabel('Sign-in name').fill('i.marsh')
  await marsh.getByLabel('Password').fill(password)
  await marsh.getByRole('button', { name: 'Sign in' }).click()
  await expect(note).toHaveValue('SP-2209')
  await expect(marsh.getByText(/^Saved/)).toBeVisible()

  // on the administrator's own tablet: initials and PIN of whoever did it
  const sign = async (done: string, checked: string) => {
    await page.goto(`${address}/jobs/job-5/sign`)
    await page
      .getByLabel(/^Reason for accepting/)
      .first()
      .waitFor()
    for (const reason of await page.getByLabel(/^Reason for accepting/).all()) await reason.fill('Until the outage')
    await page.getByLabel('Done by', { exact: true }).fill('I. M.')
    await page.getByLabel('PIN of I. M.').fill(done)
    await page.getByLabel('Checked by', { exact: true }).fill('K. O.')
    await page.getByLabel('PIN of K. O.').fill(checked)
    await page.getByRole('button', { name: 'Sign this job' }).click()
  }
  await sign('0000', '81234')
  await expect(page.getByRole('alert')).toContainText('Wrong initials or PIN')
  await expect(page.getByRole('alert')).toContainText('I. M.')
  // right by now, but whoever checked it has no PIN yet
  await sign('4711', '81234')
  await expect(page.getByRole('alert')).toContainText('K. O.')
  await page.goto(`${address}/account`)
  const own = page.getByRole('region', { name: 'PIN for signing' })
  await own.getByLabel('New PIN').fill('81234')
  await own.getByLabel('Current password').fill(password)
  await own.getByRole('button', { name: 'Set the PIN' }).click()
  await expect(own.getByRole('status')).toHaveText('The PIN is set.')
  await sign('4711', '81234')
  await expect(page.getByText(/^Signed by I\. M\./).first()).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Show the record' }).click()
  await expect(page.getByText('I. M., account of I. Marsh')).toBeVisible()

  // who did what, and that the chain holds
  await page.goto(`${address}/people`)
  const trail = page.getByRole('region', { name: 'Audit trail' })
  await expect(trail.getByRole('row').filter({ hasText: 'K. Odell' }).filter({ hasText: 'signed job 5' })).toBeVisible()
  await trail.getByRole('button', { name: 'Verify audit trail' }).click()
  await expect(trail.getByRole('status')).toContainText('entries verified')
  await page.getByRole('button', { name: 'Back up now' }).click()
  await expect(page.getByRole('region', { name: 'Backups' }).getByRole('listitem')).not.toHaveCount(0)
})

test('a reader looks at everything and changes nothing; one put away does not come in again', async ({
  page,
  browser,
  behind: { address, code },
}) => {
  await page.goto(address)
  await claim(page, 'k.odell', code)
  await page.getByRole('link', { name: 'Account of K. Odell' }).click()
  await page.getByRole('link', { name: 'Accounts, backups, audit trail' }).click()
  const given = await invite(page, address, { name: 'R. Tollan', signIn: 'r.tollan', initials: '', role: 'reader' })
  const reader = await somebody(browser)
  await reader.goto(`${address}/jobs/job-6/readings`)
  await claim(reader, 'r.tollan', given)
  await expect(reader.getByText('Signed in as reader')).toBeVisible()
  for (const field of await reader.locator('#bench input:visible').all())
    expect((await field.getAttribute('readonly')) !== null || (await field.isDisabled())).toBe(true)
  await reader.getByRole('link', { name: /\bSign\b/ }).click()
  await expect(reader.getByText('Record as PDF')).toBeVisible()
  await expect(reader.getByRole('button', { name: 'Sign this job' })).toHaveCount(0)
  await reader.goto(`${address}/people`)
  await expect(reader.getByText('Only administrators see this.')).toBeVisible()

  await page.reload()
  await page.getByRole('button', { name: 'Deactivate: R. Tollan' }).click()
  await expect(page.getByText('deactivated: cannot sign in')).toBeVisible()
  await reader.goto(address)
  await expect(reader.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await reader.getByLabel('Sign-in name').fill('r.tollan')
  await reader.getByLabel('Password').fill(password)
  await reader.getByRole('button', { name: 'Sign in' }).click()
  await expect(reader.getByRole('alert')).toContainText('Wrong name or password.')
  // the last administrator cannot be put away
  await page.getByRole('button', { name: 'Deactivate: K. Odell' }).click()
  await expect(page.getByRole('alert')).toContainText('At least one administrator is required')
  // signed out, nothing is left on the screen, and a socket is refused
  await page.getByRole('link', { name: 'Account of K. Odell' }).click()
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  const opened = await page.evaluate(
    () =>
      new Promise<boolean>((told) => {
        const socket = new WebSocket(`ws://${location.host}/api/changes/live`)
        socket.onopen = () => told(true)
        socket.onerror = () => told(false)
      }),
  )
  expect(opened).toBe(false)
})

test('the first administrator, and one who has lost the password, are let in by the command, with the server stopped', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  await expect(startServer(folder, ['--door'])).rejects.toThrow(/No administrator yet/)
  const first = administrator(folder, '--sign-in', 'k.odell', '--name', 'K. Odell', '--initials', 'K. O.')
  let at = await startServer(folder, ['--door'])
  await page.goto(at.address)
  await claim(page, 'k.odell', first)
  await expect(page.getByRole('link', { name: 'Account of K. Odell' })).toBeVisible()
  expect(() => administrator(folder, '--sign-in', 'k.odell')).toThrow(/is using this data/)
  await stopServer(at)
  const again = administrator(folder, '--sign-in', 'k.odell')
  at = await startServer(folder, ['--door'])
  const post = (path: string, data: object) => page.request.post(`${at.address}/api/door/${path}`, { data })
  const other = 'another kelp bed'
  expect((await post('claim', { signIn: 'k.odell', code: again, password: other })).status()).toBe(200)
  expect((await post('sign-in', { signIn: 'k.odell', password })).status()).toBe(401)
  expect((await post('sign-in', { signIn: 'k.odell', password: other })).status()).toBe(200)
  await stopServer(at)
  rmSync(folder, { recursive: true, force: true })
})
