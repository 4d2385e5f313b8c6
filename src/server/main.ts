import { pino } from 'pino'
import { StartFault } from './db/files'
import { sumAgain } from './db/sumAgain'
import { settingsOf } from './settings'
import { start } from './start'

const aDay = 24 * 60 * 60_000

async function run(): Promise<void> {
  const settings = settingsOf(process.argv.slice(2), process.env)
  const log = pino({ level: process.env.LOG_LEVEL ?? (settings.quiet ? 'warn' : 'info') })
  const { site, address, stop } = await start(settings, log)

  let stopping = false
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, async () => {
      if (stopping) return
      stopping = true
      await stop()
      process.exit(0)
    })

  // last: whoever reads this may stop it at once
  process.stdout.write(`Vane Peg is at ${address}/\n`)

  const { copyDaily } = site.store
  const copy = () => copyDaily().catch((error) => log.warn({ fault: String(error) }, 'no copy was made today'))
  if (!settings.demo) {
    await copy()
    setInterval(copy, aDay).unref()
  }
  await sumAgain(site, log).catch((error) => log.error({ fault: String(error) }, 'summaries were not made again'))
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
