import type { Problem } from '#contracts/problem'
import { asProblem } from '#contracts/asProblem'

/** A refusal from the server, in words for the person. */
export class ApiProblem extends Error {
  /** The same under the name that a page rendered on the server hands on to the browser. */
  readonly data: Problem
  constructor(readonly problem: Problem) {
    super(problem.detail)
    this.data = problem
  }
  get statusCode() {
    return this.problem.status || undefined
  }
  get status() {
    return this.problem.status
  }
}

/** A house that has not answered for so long is out of reach: no page waits for ever. */
const PATIENCE_MS = 120_000
type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'

/**
 * The one way to talk to the server: JSON both ways, cookies carried through server rendering,
 * every refusal an `ApiProblem`, silence too: after `within` milliseconds.
 */
export function useApi() {
  const raw = useRequestFetch()
  return async function api<T>(
    path: string,
    options: { method?: Method; body?: unknown; within?: number } = {},
  ): Promise<T> {
    const method = options.method ?? 'GET'
    try {
      return (await raw<T>(path, {
        method,
        retry: 0,
        timeout: options.within ?? PATIENCE_MS,
        ...(method === 'GET'
          ? {}
          : {
              body: JSON.stringify(options.body ?? {}),
              headers: { 'content-type': 'application/json' },
            }),
      } as never)) as T
    } catch (error) {
      throw toProblem(error)
    }
  }
}

function toProblem(error: unknown): ApiProblem {
  const data =
    typeof error === 'object' && error !== null && 'data' in error
      ? (error as { data: unknown }).data
      : undefined
  const refused = asProblem(data)
  if (refused) return new ApiProblem(refused)
  return new ApiProblem({
    type: 'about:blank',
    title: 'No connection',
    status: 0,
    detail: 'No connection to the practice server. What you typed is kept on this device.',
    fields: [],
  })
}

export const isProblem = (event: unknown): event is ApiProblem => event instanceof ApiProblem
/** The refusal in an error, whichever side of the line it was thrown on. */
const refusalIn = (event: unknown): Problem | undefined =>
  typeof event === 'object' && event !== null && 'data' in event ? asProblem(event.data) : undefined
export const sayProblem = (event: unknown): string =>
  refusalIn(event)?.detail ??
  'Something went wrong on this page. What you saved is kept; try again, or reload the page.'
/** What a refusal says of one field of a form. */
export const fieldsOf = (event: unknown, field: string) =>
  isProblem(event) ? event.problem.fields.filter((other) => other.field === field) : []
/** The message for one field of a refused form. */
export const fieldProblem = (event: unknown, field: string): string[] =>
  fieldsOf(event, field).map(({ allowed }) => allowed)
/** Somebody was quicker: what was changed here had become another thing meanwhile (409). */
export const isOvertaken = (event: unknown): boolean => isProblem(event) && event.status === 409
/** The house did not answer at all, on a device that may still hold what it needs. */
export const isOutOfReach = (event: unknown): boolean =>
  import.meta.client && isProblem(event) && event.status === 0
