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
  new ProblemError(404, 'Not found', 'There is nothing here, or it is not yours to see.')
export const forbidden = (detail = 'This is not yours to do. Nothing was changed.') =>
  new ProblemError(403, 'Not allowed', detail)
export const conflict = (detail: string, fields: ProblemField[] = []) =>
  new ProblemError(409, 'Changed meanwhile', detail, fields)
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
    `Nothing was saved: ${fields.map((f) => `${f.field}: ${f.allowed}`).join('; ')}.`,
    fields,
  )
}

function at(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (v, key) =>
      typeof v === 'object' && v !== null ? (v as Record<PropertyKey, unknown>)[key] : undefined,
    input,
  )
}
function shorten(v: unknown): string {
  if (v === undefined) return 'nothing'
  const text = typeof v === 'string' ? v : JSON.stringify(v)
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

export function sendProblem(event: H3Event, p: ProblemError): object {
  setResponseStatus(event, p.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  setResponseHeader(event, 'cache-control', 'no-store')
  return {
    type: 'about:blank',
    title: p.title,
    status: p.status,
    detail: p.detail,
    fields: p.fields,
  }
}
