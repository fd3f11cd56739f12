import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css'
import './app.css'
import { ChakraProvider } from '@chakra-ui/react'
import createCache from '@emotion/cache'
import { CacheProvider } from '@emotion/react'
import { QueryClientProvider } from '@tanstack/react-query'
import { lazy, StrictMode, Suspense, useEffect, useState } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter, Route, Routes } from 'react-router'
import { JobPage } from './layout/JobPage'
import { NotFound } from './layout/NotFound'
import { inQuiet, stages } from './layout/stages'
import { receiveCarried } from './state/carried'
import { listenForChanges } from './state/live'
import { keepOutbox, makeQueries } from './state/outbox'
import { watchServer } from './state/server'
import { keepSteady } from './state/steady'
import { applyTheme } from './state/theme'
import { keepPhotos } from './state/waitingPhotos'
import { system } from './theme'

applyTheme()
watchServer()
keepSteady(document)
// A newer Altrin was started meanwhile: its pages have other names. What was typed is kept.
window.addEventListener('vite:preloadError', () => window.location.reload())
const queries = makeQueries()
receiveCarried()
void keepOutbox(queries)
// The page stands first.
inQuiet(() => {
  listenForChanges(queries)
  void keepPhotos(queries)
})

const Notices = lazy(() => import('./layout/Notices').then((it) => ({ default: it.Notices })))
const JobsPage = lazy(() => import('./views/jobs/JobsPage').then((it) => ({ default: it.JobsPage })))
const KitPage = lazy(() => import('./views/kit/KitPage').then((it) => ({ default: it.KitPage })))
/** Nothing is said before the page stands. */
function NoticesInQuiet() {
  const [isQuiet, setQuiet] = useState(false)
  useEffect(() => inQuiet(() => setQuiet(true)), [])
  return isQuiet ? <Notices /> : null
}

/** Styles made while the page is drawn carry the number that the server gave this page: it takes none that do not. */
const styles = createCache({
  key: 'css',
  nonce: document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce,
})

const first = stages.find((one) => one.id === 'stairs')

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <CacheProvider value={styles}>
      <ChakraProvider value={system}>
        <QueryClientProvider client={queries}>
          <BrowserRouter>
            <Routes>
              <Route
                path="/"
                element={
                  <Suspense>
                    <JobsPage />
                  </Suspense>
                }
              />
              <Route
                path="/kit"
                element={
                  <Suspense>
                    <KitPage />
                  </Suspense>
                }
              />
              <Route path="/job/:id" element={<JobPage />}>
                <Route index element={first && <first.Page />} />
                {stages.map(({ id, Page }) => (
                  <Route key={id} path={id} element={<Page />} />
                ))}
                <Route path="*" element={<NotFound what="There is no such stage." />} />
              </Route>
              <Route path="*" element={<NotFound />} />
            </Routes>
          </BrowserRouter>
          <Suspense>
            <NoticesInQuiet />
          </Suspense>
        </QueryClientProvider>
      </ChakraProvider>
    </CacheProvider>
  </StrictMode>,
)
