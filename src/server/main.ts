import { type Logger, pino } from 'pino'
import { tellDamage } from './damaged'
import { DamagedFault, StartFault } from './db/files'
import { rebuildSummaries } from './db/sumAgain'
import { type Settings, settingsOf } from './settings'
import { type Served, start } from './start'

const aDay = 24 * 60 * 60_000

async function run(): Promise<void> {
  const settings = settingsOf(process.argv.slice(2), process.env)
  const log = pino({ level: process.env.LOG_LEVEL ?? (settings.quiet ? 'warn' : 'info') })
  const { site, address, stop, firstCode } = await startOrTell(settings, log)

  let stopping = false
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, async () => {
      if (stopping) return
      stopping = true
      await stop()
      process.exit(0)
    })

  // last: whoever reads this may stop it at once
  if (firstCode)
    process.stdout.write(`The demo’s administrator is ${firstCode.signIn}, with the one-time code ${firstCode.code}\n`)
  if (settings.door && !settings.door.secure)
    process.stdout.write(
      'Warning: passwords are sent unencrypted. Use --cert and --key, or --proxy behind an HTTPS proxy.\n',
    )
  process.stdout.write(`Vane Peg is at ${address}/\n`)

  const { copyDaily } = site.store
  const copy = () => copyDaily().catch((error) => log.warn({ fault: String(error) }, 'no backup made today'))
  if (!settings.demo) {
    await copy()
    setInterval(copy, aDay).unref()
  }
  await rebuildSummaries(site, log).catch((error) => log.error({ fault: String(error) }, 'summaries were not rebuilt'))
}

/** Starts; or says on a page what is wrong with the data, until somebody there goes on from the last good copy. */
async function startOrTell(settings: Settings, log: Logger): Promise<Served> {
  try {
    return await start(settings, log)
  } catch (error) {
    if (!(error instanceof DamagedFault) || !settings.tell) throw error
    process.stderr.write(`${error.message}\n`)
    return start({ ...settings, restore: await tellDamage(error, settings) }, log)
  }
}

try {
  await run()
} catch (error) {
  process.stderr.write(
    error instanceof StartFault
      ? `${error.message}\n`
      : `Vane Peg did not start: ${error instanceof Error ? error.message : error}\n`,
  )
  process.exit(1)
}
