import { randomUUID } from 'node:crypto'
import { allNo, readAll, RESILIENT } from '#core/testing/fixtures'
import type { Caller } from './http'

/** The writes of one person on a visit, by the words of the page. */
export function visitWrites(call: Caller) {
  const post = (id: string, path: string, body: object, method = 'POST', by = call) =>
    by(`/api/visits/${id}/${path}`, { method, body })
  const sign = (id: string, kinds: string[], guardian = false) =>
    post(id, 'consent', {
      id: randomUUID(),
      method: 'typed',
      name: 'A',
      confirmed: true,
      guardian,
      kinds,
    })
  const read = (id: string, more = {}) =>
    post(id, 'readings', { id: randomUUID(), phase: 'madeUp', zones: readAll(RESILIENT, more) })
  const answer = (id: string, more = {}, medicines = '') =>
    post(id, 'answers', { id: randomUUID(), answers: allNo(more), medicines }, 'PUT')
  return { post, sign, read, answer }
}
