import fc from 'fast-check'
import { expect, it } from 'vitest'
import { asProblem } from './asProblem'
import { problem } from './problem'

/** Refusals, refusals with one part gone wrong, and anything else that a server may answer. */
const refusal = fc.record(
  {
    type: fc.string(),
    title: fc.string(),
    status: fc.integer({ min: 100, max: 599 }),
    detail: fc.string(),
    fields: fc.array(fc.record({ field: fc.string(), given: fc.string(), allowed: fc.string() }), {
      maxLength: 3,
    }),
  },
  { requiredKeys: ['type', 'title', 'status', 'detail'] },
)
const broken = fc
  .tuple(refusal, fc.constantFrom('type', 'title', 'status', 'detail', 'fields'), fc.jsonValue())
  .map(([whole, part, other]) => ({ ...whole, [part]: other }))
const brokenField = fc
  .tuple(refusal, fc.constantFrom('field', 'given', 'allowed'), fc.jsonValue())
  .map(([whole, part, other]) => ({
    ...whole,
    fields: [{ field: 'a', given: 'b', allowed: 'c', [part]: other }],
  }))

it('reads exactly what the contract reads', () => {
  fc.assert(
    fc.property(fc.oneof(refusal, broken, brokenField, fc.jsonValue()), (data) => {
      const read = problem.safeParse(data)
      expect(asProblem(data)).toEqual(read.success ? read.data : undefined)
    }),
  )
})
