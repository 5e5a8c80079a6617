import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { asWorn, MAKE_UP_IDS } from '../../catalogue/consultation/makeUp'
import { REGION_IDS } from '../../face/zones'
import type { Grade, ZoneReading } from '../../skin/readings'
import { planInput, readAll } from '../../testing/fixtures'
import { compile } from '../question/compile'
import type { PlanCase } from '../question/planCase'
import { byEveryChoice, type Tuple } from '../../testing/everyChoice'
import type { Solution } from './solve'
import { solve } from './solve'
import { atLeastLooked } from '../../testing/looked'

const OPTIONAL = [
  'tone',
  'warm',
  'handExfoliation',
  'machine',
  'extraction',
  'calm',
  'massage',
  'lamp',
  'mask',
  'cool',
  'afterMask',
  'serum',
  'eyes',
  'lips',
] as const

/** A small question cut out of a real one: a few optional stages with a few options each. */
function cut(planCase: PlanCase, seed: number): PlanCase {
  let x = seed + 1
  const next = (most: number) => {
    x = (x * 48271) % 2147483647
    return x % most
  }
  const kept = new Set(OPTIONAL.filter(() => next(10) < 5))
  return {
    ...planCase,
    maxExfoliations: 1 + next(2),
    stages: planCase.stages.map((stage) => {
      if (stage.must) return { ...stage, options: stage.options.slice(0, 1) }
      if (!kept.has(stage.id as (typeof OPTIONAL)[number]) || stage.options.length === 0)
        return { ...stage, options: [] }
      const start = next(stage.options.length)
      return {
        ...stage,
        options: [0, 1]
          .flatMap((i) => stage.options[(start + i * 3) % stage.options.length] ?? [])
          .filter((option, i, all) => all.findIndex((y) => y.id === option.id) === i),
      }
    }),
  }
}

const tuple = (solution: Solution | undefined): Omit<Tuple, 'ids'> | undefined =>
  solution && { value: solution.value, cost: solution.costCents, idle: solution.idleTicks }
const grade = fc.constantFrom<Grade>(0, 1, 2, 3)
const skin = fc.record({
  oil: grade,
  water: grade,
  redness: fc.constantFrom<Grade>(0, 1),
  congestion: grade,
  sensitivity: fc.constantFrom<Grade>(0, 1, 2),
}) as fc.Arbitrary<
  Required<Pick<ZoneReading, 'oil' | 'water' | 'redness' | 'congestion' | 'sensitivity'>>
>
const question = fc
  .record({
    skin,
    tZone: skin,
    makeUp: fc.subarray([...MAKE_UP_IDS]).map(asWorn),
    daylight: fc.boolean(),
    school: fc.constantFrom('warmCloth', 'brightLamp', 'oilAndWater', 'stillBowl'),
    residue: fc.integer({ min: 0, max: 300 }),
    seed: fc.nat(100000),
    slot: fc.integer({ min: 24, max: 120 }),
  })
  .map((question) => ({
    ...question,
    input: planInput({
      readings: readAll(question.skin, {
        forehead: question.tZone,
        nose: question.tZone,
        chin: question.tZone,
      }),
      makeUp: question.makeUp,
      daylight: question.daylight,
      school: question.school as 'warmCloth',
      residual: Object.fromEntries(REGION_IDS.map((region) => [region, question.residue])) as never,
    }),
  }))

describe('the solver', () => {
  it('finds what trying everything finds, to the last cent and tick', () => {
    let solved = 0
    fc.assert(
      fc.property(question, (question) => {
        const small = cut(compile(question.input), question.seed)
        const slow = byEveryChoice(small, question.slot)
        const fast = solve(small, question.slot)
        expect(tuple(fast)).toEqual(slow && { value: slow.value, cost: slow.cost, idle: slow.idle })
        if (slow) solved++
      }),
      { numRuns: process.env.OAK_FULL ? 600 : 120, seed: 20260311 },
    )
    expect(solved).toBeGreaterThanOrEqual(atLeastLooked(41))
  })
  it('finds the same plan however few labels its first passes keep, priced loads and all', () => {
    let tight = 0
    fc.assert(
      fc.property(question, fc.integer({ min: 0, max: 4 }), (question, part) => {
        const planCase = compile({ ...question.input, slotMinutes: question.slot })
        // Tolerances so low that the load decides in most cases.
        const bound = {
          ...planCase,
          tolerance: Object.fromEntries(
            REGION_IDS.map((region) => [region, planCase.residual[region] + 60 + part * 40]),
          ) as typeof planCase.tolerance,
        }
        const usual = solve(bound, question.slot)
        const narrow = solve(bound, question.slot, undefined, [1, 1, Number.POSITIVE_INFINITY])
        expect(
          narrow && { ...tuple(narrow), options: narrow.options, loads: narrow.loads },
        ).toEqual(usual && { ...tuple(usual), options: usual.options, loads: usual.loads })
        if (usual && (solve(planCase, question.slot)?.value ?? 0) > usual.value) tight++
      }),
      { numRuns: process.env.OAK_FULL ? 300 : 60, seed: 20260312 },
    )
    expect(tight).toBeGreaterThanOrEqual(atLeastLooked(6))
  })
  it('gives a plan no worse for more minutes', () => {
    let compared = 0
    fc.assert(
      fc.property(question, fc.integer({ min: 1, max: 20 }), (question, more) => {
        const planCase = cut(compile(question.input), question.seed)
        const short = solve(planCase, question.slot)
        const long = solve(planCase, question.slot + more)
        if (!short) return
        compared++
        expect(long?.value).toBeGreaterThanOrEqual(short.value)
      }),
      { numRuns: 60 },
    )
    expect(compared).toBeGreaterThanOrEqual(atLeastLooked(21))
  })
  it('does not depend on the order of the options', () => {
    fc.assert(
      fc.property(question, (question) => {
        const planCase = cut(compile(question.input), question.seed)
        const turned = {
          ...planCase,
          stages: planCase.stages.map((stage) => ({
            ...stage,
            options: [...stage.options].reverse(),
          })),
        }
        expect(solve(turned, question.slot)?.options).toEqual(
          solve(planCase, question.slot)?.options,
        )
      }),
      { numRuns: 60 },
    )
  })
  it('says nothing fits when the floor itself does not', () => {
    expect(solve(compile(planInput()), 10)).toBeUndefined()
  })
})
