import '@fontsource/atkinson-hyperlegible/400.css'
import '@fontsource/atkinson-hyperlegible/700.css'
import '@fontsource/atkinson-hyperlegible/400-italic.css'
import '@fontsource-variable/fraunces'
import './index.css'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Refusal } from './api/client'
import { askForClass } from './register/forClass'
import { Coppia } from './Coppia'
import { fetchAhead } from './fetchAhead'
import { catchDrops } from './ui/drops'
import { holdFocus } from './ui/focus'

/** What was refused stays refused; what failed may do better. */
const retry = (failures: number, problem: Error) =>
  failures < 1 && !(problem instanceof Refusal && problem.status >= 400 && problem.status < 500)

// The server may be this very machine: whether there is a network says nothing about it.
const networkMode = 'always'
const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 10_000, retry, networkMode }, mutations: { networkMode } },
})

const root = document.getElementById('root')
if (!root) throw new Error('The page has no root element.')
holdFocus()
askForClass()
catchDrops()
// The rows under the notes measure their own type; it is there before anything is drawn.
await Promise.allSettled([400, 700].map((weight) => document.fonts.load(`${weight} 16px "Atkinson Hyperlegible"`)))
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <Coppia />
    </QueryClientProvider>
  </StrictMode>,
)
fetchAhead(location.pathname)
