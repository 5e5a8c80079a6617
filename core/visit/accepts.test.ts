import { describe, expect, it } from 'vitest'
import { accepts, refusal, WRITTEN } from './accepts'
import { VISIT_STATUSES, type VisitStatus } from './status'

const taken = (status: VisitStatus) => WRITTEN.filter((what) => accepts(status, what))

describe('what may still be written into a visit', () => {
  it('is said in a sentence wherever it may not, and only there', () => {
    for (const status of VISIT_STATUSES)
      for (const what of WRITTEN)
        expect(refusal(status, what) === undefined, `${what} while ${status}`).toBe(
          accepts(status, what),
        )
  })
  it('after a cancellation is nothing but a yes taken back', () => {
    expect(taken('cancelled')).toEqual(['withdrawal'])
  })
  it('under a seal is no part of what was sealed', () => {
    for (const sealed of ['answers', 'reading', 'plan', 'version', 'recordText', 'photographs'])
      expect(taken('sealed')).not.toContain(sealed)
    expect(taken('sealed')).toContain('amendment')
  })
  it('is the booking and the plan only until the treatment begins, and what is told also after', () => {
    for (const what of ['booking', 'plan', 'override'] as const)
      expect(VISIT_STATUSES.filter((status) => accepts(status, what))).toEqual(['booked'])
    for (const what of ['answers', 'consent', 'meters'] as const)
      expect(accepts('treating', what)).toBe(true)
  })
  it('never comes back once it has gone', () => {
    const order: readonly VisitStatus[] = ['booked', 'treating', 'closing', 'sealed']
    for (const what of WRITTEN) {
      const open = order.map((status) => accepts(status, what))
      const first = open.indexOf(true)
      const last = open.lastIndexOf(true)
      expect(open.slice(first, last + 1), what).not.toContain(false)
    }
  })
})
