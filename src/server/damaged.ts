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
    if (!good || !here) return c.text('Nothing to go on from here.', 409)
    // after the answer is out
    setTimeout(() => goOn(good), 200)
    return c.html(
      page(
        c.get('secureHeadersNonce'),
        'Going on from the copy',
        html`<p>One moment, then <a href="/">open the site</a>. What was damaged is kept aside.</p>`,
      ),
    )
  })
  app.all('/api/*', (c) => c.json({ error: { path: '', message: 'The data is damaged; open the page.' } }, 503))
  app.all('*', (c) => {
    const copy = good ? tellCopy(good) : undefined
    return c.html(
      page(
        c.get('secureHeadersNonce'),
        'The data is damaged',
        html`<p>Nothing is lost on the tablets: what was not stored yet is kept there.</p>
          <p>What is wrong with <code>${basename(file)}</code>: ${damage}.</p>
          ${
            !copy
              ? html`<p>There is no good copy beside it. Stop the server and put one there from your own backups.</p>`
              : here
                ? html`<p>The last good copy is <code>${copy.name}</code>, of ${copy.at.slice(0, 16).replace('T', ' ')} UTC. What came after it is in the damaged file, which is kept aside.</p>
                    <form method="post" action="/go-on"><button>Go on from this copy</button></form>`
                : html`<p>The last good copy is <code>${copy.name}</code>, of ${copy.at.slice(0, 16).replace('T', ' ')} UTC. Whoever looks after this server goes on from it there: the server has said how.</p>`
          }`,
      ),
      503,
    )
  })
  const { server, port } = await listen(app, settings)
  process.stdout.write(`What is wrong is told at http://localhost:${port}/\n`)
  const copy = await chosen
  await stopListening(server, 1000)
  return copy
}
