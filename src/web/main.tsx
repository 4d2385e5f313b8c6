// before everything else: what is said below is said in this language
import './app/language'
import './app/nonce'
import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { Screens } from './app/Screens'
import { useSettings } from './app/settings'
import { GlobalStyle } from './app/style'
import { askAgain, persisted, queryClient } from './tablet/queries'

function Page() {
  const { scheme } = useSettings()
  return (
    <>
      <GlobalStyle $scheme={scheme} />
      <PersistQueryClientProvider
        client={queryClient}
        persistOptions={persisted}
        onSuccess={() => askAgain(queryClient)}
      >
        <BrowserRouter>
          <Screens />
        </BrowserRouter>
      </PersistQueryClientProvider>
    </>
  )
}

// from here on every screen gives the document its title
document.querySelector('title')?.remove()
const page = document.getElementById('page')
if (page)
  createRoot(page).render(
    <StrictMode>
      <Page />
    </StrictMode>,
  )
