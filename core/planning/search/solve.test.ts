import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { REGION_IDS } from '../../face/zones'
import { loadOn } from '../../load/loads'
import type { Grade, ZoneReading } from '../../skin/readings'
import { applyTechnique, startSurface, type Surface } from '../../surface/surface'
import { planInput, readAll } from '../../testing/fixtures'
import { compile } from '../question/compile'
import type { Option, PlanCase } from '../question/planCase'
import { connect } from '../steps/mend'
import { returns } from './returns'
import { solve, type Solution } from './solve'

const OPTIONAL = [
  'tone',
  'warm',
  'handExfoliation',
  'machine',
  'extraction',
  'calm',
  'massage',
  'mask',
  'afterMask',
  'serum',
  'eyes',
  'lips',
] as const

/** A small question cut out of a real one: a few optional stages with a few options each. */
function cut(c: PlanCase, seed: number): PlanCase {
  let x = seed + 1
  const next = (n: number) => {
    x = (x * 48271) % 2147483647
    return x % n
  }
  const kept = new Set(OPTIONAL.filter(() => next(10) < 5))
  return {
    ...c,
    maxExfoliations: 1 + next(2),
    stages: c.stages.map((s) => {
      if (s.must) return { ...s, options: s.options.slice(0, 1) }
      if (!kept.has(s.id as (typeof OPTIONAL)[number]) || s.options.length === 0)
        return { ...s, options: [] }
      const start = next(s.options.length)
      return {
        ...s,
        options: [0, 1]
          .flatMap((i) => s.options[(start + i * 3) % s.options.length] ?? [])
          .filter((o, i, all) => all.findIndex((y) => y.id === o.id) === i),
      }
    }),
  }
}

interface Tuple {
  value: number
  cost: number
  idle: number
  ids: string
}
const better = (a: Tuple, b: Tuple) =>
  a.value !== b.value
    ? a.value > b.value
    : a.cost !== b.cost
      ? a.cost < b.cost
      : a.idle !== b.idle
        ? a.idle < b.idle
        : a.ids < b.ids

/**
 * Every choice of every stage, walked one by one; shares nothing with the solver but the surface
 * and the load.
 */
function brute(c: PlanCase, slotTicks: number): Tuple | undefined {
  let best: Tuple | undefined
  const go = (
    i: number,
    surface: Surface,
    ticks: number,
    loads: readonly number[],
    effects: readonly number[],
    taste: number,
    cost: number,
    idle: number,
    exfoliations: number,
    marks: number,
    ids: readonly string[],
  ) => {
    if (i === c.stages.length) {
      const value = effects.reduce((v, e, k) => v + (c.weights[k] ?? 0) * returns(e), taste)
      const t = { value, cost, idle, ids: ['', ...ids].join('|') }
      if (!best || better(t, best)) best = t
      return
    }
    const stage = c.stages[i]
    if (!stage) return
    if (!stage.must || stage.options.length === 0)
      go(i + 1, surface, ticks, loads, effects, taste, cost, idle, exfoliations, marks, [
        ...ids,
        '',
      ])
    for (const o of stage.options) {
      if (o.exfoliates && exfoliations >= c.maxExfoliations) continue
      const held = marks | o.marks
      if (c.pairs.some(([a, b]) => (held & a) !== 0 && (held & b) !== 0)) continue
      const walked = perform(surface, loads, o)
      if (
        !walked ||
        ticks + walked.ticks > slotTicks ||
        walked.loads.some(
          (l, k) => l > (loads[k] ?? 0) && l > c.tolerance[REGION_IDS[k] ?? 'forehead'],
        )
      )
        continue
      go(
        i + 1,
        walked.surface,
        ticks + walked.ticks,
        walked.loads,
        effects.map((e, k) => e + (o.effects[k] ?? 0)),
        taste + o.taste,
        cost + o.costCents,
        idle + o.idleTicks,
        exfoliations + (o.exfoliates ? 1 : 0),
        held,
        [...ids, o.id],
      )
    }
  }
  go(
    0,
    startSurface(c.madeUp),
    0,
    REGION_IDS.map((r) => c.residual[r]),
    c.aims.map(() => 0),
    0,
    0,
    0,
    0,
    0,
    [],
  )
  return best
}

function perform(
  start: Surface,
  before: readonly number[],
  o: Option,
): { surface: Surface; ticks: number; loads: readonly number[] } | undefined {
  let surface = start
  let ticks = 0
  const loads = [...before]
  const step = (m: {
    technique: keyof typeof TECHNIQUES
    regions: Option['moves'][number]['regions']
    minutes: number
    dwell?: number
    passes?: number
    freeAcid?: number
    setting?: number
  }) => {
    REGION_IDS.forEach((r, k) => {
      if (m.regions.includes(r))
        loads[k] =
          (loads[k] ?? 0) +
          loadOn(
            r,
            TECHNIQUES[m.technique],
            {
              handsMinutes: m.minutes,
              dwellMinutes: m.dwell ?? 0,
              passes: m.passes ?? 0,
              freeAcid: m.freeAcid ?? 0,
              setting: m.setting ?? 0,
            },
            surface[r].warmth === 'warm' ? 125 : 100,
          )
    })
    surface = applyTechnique(surface, TECHNIQUES[m.technique], m.regions, m.minutes * 2)
    ticks += m.minutes * 2
  }
  let resting = false
  for (const m of o.moves) {
    const worked = m.regions.some((r) => surface[r].skin !== 'intact')
    if ((m.calm === 'no' && worked) || (m.calm === 'only' && !worked)) return undefined
    const chain = connect(surface, TECHNIQUES[m.technique], m.regions)
    if (!chain || (resting && chain.steps.length > 0)) return undefined
    if (m.dwell !== undefined) resting = true
    for (const s of chain.steps) step(s)
    step(m)
  }
  return { surface, ticks, loads }
}

const tuple = (s: Solution | undefined): Omit<Tuple, 'ids'> | undefined =>
  s && { value: s.value, cost: s.costCents, idle: s.idleTicks }
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
    madeUp: fc.boolean(),
    daylight: fc.boolean(),
    school: fc.constantFrom('warmCloth', 'brightLamp', 'oilAndWater', 'stillBowl'),
    residue: fc.integer({ min: 0, max: 300 }),
    seed: fc.nat(100000),
    slot: fc.integer({ min: 24, max: 120 }),
  })
  .map((q) => ({
    ...q,
    input: planInput({
      readings: readAll(q.skin, { forehead: q.tZone, nose: q.tZone, chin: q.tZone }),
      madeUp: q.madeUp,
      daylight: q.daylight,
      school: q.school as 'warmCloth',
      residual: Object.fromEntries(REGION_IDS.map((r) => [r, q.residue])) as never,
    }),
  }))

describe('the solver', () => {
  it('finds what trying everything finds, to the last cent and tick', () => {
    let solved = 0
    fc.assert(
      fc.property(question, (q) => {
        const small = cut(compile(q.input), q.seed)
        const slow = brute(small, q.slot)
        const fast = solve(small, q.slot)
        expect(tuple(fast)).toEqual(slow && { value: slow.value, cost: slow.cost, idle: slow.idle })
        if (slow) solved++
      }),
      { numRuns: process.env.OAK_FULL ? 600 : 120, seed: 20260311 },
    )
    expect(solved).toBeGreaterThan(40)
  })
  it('finds the same plan however few labels its first passes keep, priced loads and all', () => {
    let tight = 0
    fc.assert(
      fc.property(question, fc.integer({ min: 0, max: 4 }), (q, part) => {
        const c = compile({ ...q.input, slotMinutes: q.slot })
        // Tolerances so low that the load decides in most cases.
        const bound = {
          ...c,
          tolerance: Object.fromEntries(
            REGION_IDS.map((r) => [r, c.residual[r] + 60 + part * 40]),
          ) as typeof c.tolerance,
        }
        const usual = solve(bound, q.slot)
        const narrow = solve(bound, q.slot, undefined, [1, 1, Number.POSITIVE_INFINITY])
        expect(
          narrow && { ...tuple(narrow), options: narrow.options, loads: narrow.loads },
        ).toEqual(usual && { ...tuple(usual), options: usual.options, loads: usual.loads })
        if (usual && (solve(c, q.slot)?.value ?? 0) > usual.value) tight++
      }),
      { numRuns: process.env.OAK_FULL ? 300 : 60, seed: 20260312 },
    )
    expect(tight).toBeGreaterThan(15)
  })
  it('gives a plan no worse for more minutes', () => {
    let compared = 0
    fc.assert(
      fc.property(question, fc.integer({ min: 1, max: 20 }), (q, more) => {
        const c = cut(compile(q.input), q.seed)
        const short = solve(c, q.slot)
        const long = solve(c, q.slot + more)
        if (!short) return
        compared++
        expect(long?.value).toBeGreaterThanOrEqual(short.value)
      }),
      { numRuns: 60 },
    )
    expect(compared).toBeGreaterThan(20)
  })
  it('does not depend on the order of the options', () => {
    fc.assert(
      fc.property(question, (q) => {
        const c = cut(compile(q.input), q.seed)
        const turned = {
          ...c,
          stages: c.stages.map((s) => ({ ...s, options: [...s.options].reverse() })),
        }
        expect(solve(turned, q.slot)?.options).toEqual(solve(c, q.slot)?.options)
      }),
      { numRuns: 60 },
    )
  })
  it('says nothing fits when the floor itself does not', () => {
    expect(solve(compile(planInput()), 10)).toBeUndefined()
  })
})
