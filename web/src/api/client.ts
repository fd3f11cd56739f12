import createClient from 'openapi-fetch'
import { isGuest, pageName } from '../state/thisPage'
import type { paths } from './generated/schema'

/** A laptop that has gone to another network does not refuse, it is silent: after so long it is away. The longest computation takes a third of it. */
const patienceMs = 30_000

const ask = (request: Request) =>
  fetch(
    request,
    isGuest ? { signal: AbortSignal.any([request.signal, AbortSignal.timeout(patienceMs)]) } : undefined,
  )

const api = createClient<paths>({ baseUrl: '/', fetch: ask })
api.use({
  onRequest({ request }) {
    request.headers.set('X-Altrin-Page', pageName)
    return request
  },
})

/** What went wrong, with the fields it concerns: the server's problem details. */
export class ApiProblem extends Error {
  readonly status: number
  readonly errors: Record<string, string[]>

  constructor(status: number, title: string, errors: Record<string, string[]> = {}) {
    super(title)
    this.status = status
    this.errors = errors
  }

  /** Nobody has decided anything: no answer, no session, or too much at once. It is tried again. */
  get isNoAnswer() {
    return this.status === 0 || this.status === 401 || this.status === 429
  }

  /** The message for a field, by the end of its place: `actions[0].address` is the field `address`. */
  at(field: string): string | undefined {
    const place = Object.keys(this.errors).find((key) => key === field || key.endsWith(`.${field}`))
    return place ? this.errors[place][0] : undefined
  }
}

type Outcome<T> = { data?: T; error?: unknown; response: Response }

/** The data of an answer, or an ApiProblem. */
export async function unwrap<T>(asked: Promise<Outcome<T>>): Promise<T> {
  let outcome: Outcome<T>
  try {
    outcome = await asked
  } catch {
    throw new ApiProblem(
      0,
      isGuest
        ? 'The laptop does not answer now; it may be in another network. Nothing you did is lost.'
        : 'Altrin does not answer. Is it still running? Nothing you typed is lost.',
    )
  }
  if (outcome.response.ok) return outcome.data as T
  const problem = outcome.error as { title?: string; errors?: Record<string, string[]> } | undefined
  throw new ApiProblem(outcome.response.status, problem?.title ?? 'That did not work.', problem?.errors)
}

export default api
