import { basename } from 'node:path'
import { Hono } from 'hono'
import { html, raw } from 'hono/html'
import { NONCE, secureHeaders } from 'hono/secure-headers'
import type { DamagedFault } from './db/files'
import { tellCopy } from './db/files'
import { guard, hostsFor } from './guard'
import { listen, stopListening } from './listen'
import type { Settings } from './settings'

const look = `body { margin: 0; background: #f4f1ea; color: #1d2b2b; font: 17px/1.5 system-ui, sans-serif; }
main { max-width: 620px; margin: 12vh auto; padding: 0 20px; } code { overflow-wrap: anywhere; }
button { min-height: 48px; padding: 0 20px; border: 0; border-radius: 4px; background: #1f5b56; color: #fff; font: inherit; font-weight: 600; }`

const page = (nonce: string | undefined, title: string, body: ReturnType<typeof html>) => html`<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width" />
    <title>${title} · Vane Peg</title>
    <style nonce="${nonce ?? ''}">
      ${raw(look)}
    </style>
  </head>
  <body>
    <main>
      <h1>${title}</h1>
      ${body}
    </main>
  </body>
</html>`

/**
 * Serves, in the place of a site whose data is damaged, a page that says what is wrong and what the last good copy is. Whoever
 * sits at this machine may go on from it there; on a network that is left to whoever can type the command.
 *
 * @returns the copy to go on from, once somebody said so
 */
export async function tellDamage(
  { damage, good, file }: Pick<DamagedFault, 'damage' | 'good' | 'file'>,
  settings: Pick<Settings, 'port' | 'host' | 'names' | 'door' | 'tls'>,
): Promise<string> {
  let goOn: (copy: string) => void = () => undefined
  const chosen = new Promise<string>((choose) => {
    goOn = choose
  })
  const here = settings.door === undefined && settings.host === '127.0.0.1'
  const app = new Hono<{ Variables: { secureHeadersNonce?: string } }>()
  app.use(
    secureHeaders({
      // without one a form tells no origin, and is taken for another site's
      referrerPolicy: 'same-origin',
      contentSecurityPolicy: {
        defaultSrc: ["'none'"],
        styleSrc: [NONCE],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    }),
  )
  app.use(guard(hostsFor(settings.host, settings.names), ['/go-on']))
  app.post('/go-on', (c) => {
    if (!good || !here) return c.text('Nothing to restore here.', 409)
    // after the answer is out
    setTimeout(() => goOn(good), 200)
    return c.html(
      page(
        c.get('secureHeadersNonce'),
        'Restoring from backup',
        html`<p>One moment, then <a href="/">open the site</a>. The damaged file is kept.</p>`,
      ),
    )
  })
  app.all('/api/*', (c) =>
    c.json({ error: { path: '', message: 'The data is damaged. Open the page for details.' } }, 503),
  )
  app.all('*', (c) => {
    const copy = good ? tellCopy(good) : undefined
    return c.html(
      page(
        c.get('secureHeadersNonce'),
        'The data is damaged',
        html`<p>Unsaved changes are still on the tablets.</p>
          <p>What is wrong with <code>${basename(file)}</code>: ${damage}.</p>
          ${
            !copy
              ? html`<p>No usable backup found. Stop the server and restore one from your own backups.</p>`
              : here
                ? html`<p>The last good copy is <code>${copy.name}</code>, of ${copy.at.slice(0, 16).replace('T', ' ')} UTC. Later changes are in the damaged file, which is kept.</p>
                    <form method="post" action="/go-on"><button>Restore this backup</button></form>`
                : html`<p>The last good copy is <code>${copy.name}</code>, of ${copy.at.slice(0, 16).replace('T', ' ')} UTC. Ask your administrator to restore it on the server; the command is in the server output.</p>`
          }`,
      ),
      503,
    )
  })
  const { server, port } = await listen(app, settings)
  process.stdout.write(`Details at http://localhost:${port}/\n`)
  const copy = await chosen
  await stopListening(server, 1000)
  return copy
}
