// before everything else: what is said below is said in this language
import './app/language'
import './app/nonce'
import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { RouterProvider } from 'react-router/dom'
import { router } from './app/router'
import { useSettings } from './app/settings'
import { GlobalStyle } from './app/style'

const client = new QueryClient({ defaultOptions: { queries: { staleTime: 2000, retry: 1 } } })

function Page() {
  const { scheme } = useSettings()
  return (
    <>
      <GlobalStyle $scheme={scheme} />
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
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
