import { useRegisterSW } from 'virtual:pwa-register/react'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { flushAll } from '../notebook/shelves'
import { Button } from '../parts/controls'

const Bar = styled.div`
  display: flex; flex-wrap: wrap; gap: 12px; align-items: center; padding: 8px 20px; background: var(--card); border-bottom: 2px solid var(--kelp); font-weight: 600;
`

/** How often a page that stays open asks for a newer version, ms. */
const every = 60 * 60_000

/** The new version is waited for so long, ms; then the page begins anew all the same. */
const patience = 2500

/**
 * Installs the page on this tablet, and offers a newer version when there is one: it starts when a person says so, after
 * what was typed is kept.
 */
export function Update() {
  const { needRefresh, updateServiceWorker } = useRegisterSW({
    onRegisteredSW: (_, registration) => {
      if (registration) setInterval(() => void registration.update().catch(() => undefined), every)
    },
  })
  const [ready] = needRefresh
  if (!ready) return null
  const start = async () => {
    await Promise.race([flushAll(), new Promise((done) => setTimeout(done, 2000))])
    // the page that installed the first version would not be told by the package that another one took over
    navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true })
    await updateServiceWorker(true)
    // a request that the page sends just then keeps the old one for its half minute of rest; leaving the page ends that
    setTimeout(() => window.location.reload(), patience)
  }
  return (
    <Bar role="status">
      {appWords.newVersionReady}
      <Button look="act" onPress={() => void start()}>
        {appWords.startIt}
      </Button>
    </Bar>
  )
}
