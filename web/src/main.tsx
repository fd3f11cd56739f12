import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css'
import './app.css'
import { ChakraProvider } from '@chakra-ui/react'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter, Route, Routes } from 'react-router'
import { JobPage } from './layout/JobPage'
import { NotFound } from './layout/NotFound'
import { Notices } from './layout/Notices'
import { stages } from './layout/stages'
import { applyTheme } from './state/theme'
import { system } from './theme'
import { JobsPage } from './views/jobs/JobsPage'

applyTheme()

const queries = new QueryClient({
  defaultOptions: {
    // The server is on this very machine: it answers whether there is internet or not.
    queries: { retry: 1, staleTime: 5_000, refetchOnWindowFocus: true, networkMode: 'always' },
    mutations: { networkMode: 'always' },
  },
})

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Routes>
            <Route path="/" element={<JobsPage />} />
            <Route path="/job/:id" element={<JobPage />}>
              <Route index element={stages.find((one) => one.id === 'stairs')?.page} />
              {stages.map((one) => (
                <Route key={one.id} path={one.id} element={one.page} />
              ))}
              <Route path="*" element={<NotFound what="There is no such stage." />} />
            </Route>
            <Route path="*" element={<NotFound />} />
          </Routes>
        </BrowserRouter>
        <Notices />
      </QueryClientProvider>
    </ChakraProvider>
  </StrictMode>,
)
