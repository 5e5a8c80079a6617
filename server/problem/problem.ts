import type { H3Event } from 'h3'
import { setResponseHeader, setResponseStatus } from 'h3'
import type { z } from 'zod'

export interface ProblemField {
  field: string
  given: string
  allowed: string
}

/**
 * A refusal in the one shape of RFC 9457. The detail is for the person: what happened, what was
 * kept, what to do.
 */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly fields: ProblemField[] = [],
  ) {
    super(title)
  }
}

export const notFound = () =>
  new ProblemError(404, 'Not found', 'Not found, or you have no access.')
export const forbidden = (detail = 'You may not do this. Nothing was changed.') =>
  new ProblemError(403, 'Not allowed', detail)
export const conflict = (detail: string, fields: ProblemField[] = []) =>
  new ProblemError(409, 'Changed by a colleague', detail, fields)
export const refused = (detail: string, fields: ProblemField[] = []) =>
  new ProblemError(422, 'Cannot be done', detail, fields)

/** Every wrong field by name, what was given and what is allowed. */
export function fromZod(error: z.ZodError, input: unknown): ProblemError {
  const fields = error.issues.slice(0, 20).map((issue) => ({
    field: issue.path.map(String).join('.') || 'body',
    given: shorten(at(input, issue.path)),
    allowed: issue.message,
  }))
  return new ProblemError(
    400,
    'Not accepted',
    `Nothing was saved: ${fields.map((field) => `${field.field}: ${field.allowed}`).join('; ')}.`,
    fields,
  )
}

function at(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (sum, key) => (typeof sum === 'object' && sum !== null ? Reflect.get(sum, key) : undefined),
    input,
  )
}
function shorten(value: unknown): string {
  if (value === undefined) return 'nothing'
  const text = typeof value === 'string' ? value : JSON.stringify(value)
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

export function sendProblem(event: H3Event, problemError: ProblemError): object {
  setResponseStatus(event, problemError.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  setResponseHeader(event, 'cache-control', 'no-store')
  return {
    type: 'about:blank',
    title: problemError.title,
    status: problemError.status,
    detail: problemError.detail,
    fields: problemError.fields,
  }
}
