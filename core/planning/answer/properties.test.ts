import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CONCERN_IDS } from '../../catalogue/kinds'
import { FINDING_ORDER, type FindingId } from '../../catalogue/consultation/findings'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { loadOn } from '../../load/loads'
import type { Answer, Answers } from '../../screening/answers'
import { screen } from '../../screening/verdict'
import type { Grade, Readings } from '../../skin/readings'
import { allNo, planInput, readAll, TODAY } from '../../testing/fixtures'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../../catalogue/techniques/techniques'
import { allowances } from '../today/allowed'
import { checkPlan } from '../checks/check'
import { compile } from '../question/compile'
import type { PlanInput } from '../input'
import type { Option } from '../question/planCase'
import { propose } from './propose'
import { RegionSets } from '../question/regionSets'
import { solve } from '../search/solve'
import { workOf } from '../search/readyMoves'

const RUNS = process.env.OAK_FULL ? Number(process.env.OAK_RUNS ?? 200) : 40
const grade = (most: number) => fc.integer({ min: 0, max: most }) as fc.Arbitrary<Grade>
const client = fc.record({
  oil: grade(4),
  water: grade(4),
  congestion: grade(4),
  redness: grade(1),
  sensitivity: grade(3),
  tSensitivity: grade(3),
  age: fc.integer({ min: 18, max: 85 }),
  school: fc.constantFrom(...SCHOOL_IDS),
  slot: fc.integer({ min: 40, max: 90 }),
  aims: fc.uniqueArray(fc.constantFrom(...CONCERN_IDS), { minLength: 1, maxLength: 4 }),
  daylight: fc.boolean(),
  finding: fc.option(fc.constantFrom(...FINDING_ORDER)),
  residue: fc.integer({ min: 0, max: 250 }),
})
type Client = typeof client extends fc.Arbitrary<infer T> ? T : never
const ZONES = { zones: ['cheekL', 'nose'] as never, date: TODAY }

function inputOf(
  q: Client,
  more: { sensitivity?: number; findings?: readonly FindingId[] } = {},
): PlanInput {
  const plus = (g: Grade) => Math.min(4, g + (more.sensitivity ?? 0)) as Grade
  const base = {
    oil: q.oil,
    water: q.water,
    congestion: q.congestion,
    redness: q.redness,
    sensitivity: plus(q.sensitivity),
  }
  const readings: Readings = readAll(base, {
    forehead: { ...base, sensitivity: plus(q.tSensitivity) },
  })
  const yes = [...(q.finding ? [q.finding] : []), ...(more.findings ?? [])]
  const answers: Answers = allNo(
    Object.fromEntries(yes.map((f): [string, Answer] => [f, { say: 'yes', ...ZONES }])),
  )
  return planInput({
    readings,
    age: q.age,
    school: q.school,
    slotMinutes: q.slot,
    aims: q.aims,
    daylight: q.daylight,
    answers,
    verdict: screen(answers, TODAY),
    residual: Object.fromEntries(REGION_IDS.map((r) => [r, q.residue])) as never,
  })
}

/**
 * Where each technique may be done on one skin: what is barred there is left out, so on a freer
 * skin it may be left out too.
 */
function zonesOffered(input: PlanInput): NonNullable<PlanInput['alsoOn']> {
  const allow = allowances(input)
  const sets = new RegionSets(input)
  const beside = (t: TechniqueId): RegionId[][] => {
    const at = ['clay', 'freshMask'].includes(t)
      ? 0
      : ['hydratingMask', 'creamMask'].includes(t)
        ? 1
        : -1
    return at < 0
      ? []
      : sets
          .byZone(at === 0 ? [allow(t), allow('hydratingMask')] : [allow('clay'), allow(t)])
          .map((l) => l.sets[at] ?? [])
  }
  return Object.fromEntries(
    TECHNIQUE_IDS.map((t) => [
      t,
      [...sets.of(allow(t)).map((s) => s.regions), ...beside(t)].filter((r) => r.length > 0),
    ]),
  )
}

/**
 * The first is at least as free as the second: its best is no worse, and what is planned for the
 * second may be done on the first.
 */
function freer(a: PlanInput, b: PlanInput): void {
  const pb = propose(b)
  if (pb.failed) return
  const pa = propose({ ...a, alsoOn: zonesOffered(b) })
  expect(pa.failed).toBeUndefined()
  expect(pa.value).toBeGreaterThanOrEqual(pb.value)
  const stops = checkPlan(a, pb.steps)
    .findings.filter((f) => f.strength === 'stop')
    .map((f) => `${f.rule}: ${f.text}`)
  expect(stops).toEqual([])
}

const loadsOf = (o: Option) =>
  REGION_IDS.map((r) =>
    o.moves.reduce(
      (sum, m) => sum + (m.regions.includes(r) ? loadOn(r, TECHNIQUES[m.technique], workOf(m)) : 0),
      0,
    ),
  )

describe('what is true of every plan', () => {
  it('a more sensitive skin leaves a subset of the plans, and never a better one', () => {
    fc.assert(
      fc.property(client, fc.integer({ min: 1, max: 2 }), (q, more) => {
        freer(inputOf(q), inputOf(q, { sensitivity: more }))
      }),
      { numRuns: RUNS },
    )
  })
  it('one more contraindication leaves a subset of the plans, and never a better one', () => {
    let planned = 0
    fc.assert(
      fc.property(client, fc.constantFrom(...FINDING_ORDER), (q, finding) => {
        const b = inputOf(q, { findings: [finding] })
        if (!propose(b).failed) planned++
        freer(inputOf(q), b)
      }),
      { numRuns: RUNS },
    )
    expect(planned).toBeGreaterThan(RUNS / 2)
  })
  it('no option asks less and no tolerance stands higher on a more sensitive skin', () => {
    fc.assert(
      fc.property(client, fc.constantFrom(...FINDING_ORDER), (q, finding) => {
        const a = compile(inputOf(q))
        const b = compile(inputOf(q, { sensitivity: 1, findings: [finding] }))
        for (const r of REGION_IDS) expect(b.tolerance[r]).toBeLessThanOrEqual(a.tolerance[r])
        const known = new Map(a.stages.flatMap((s) => s.options.map((o) => [o.id, o] as const)))
        for (const o of b.stages.flatMap((s) => s.options)) {
          const before = known.get(o.id)
          // An option that only the freer skin's fillers beat is not listed there by name; the
          // plans above show that it is possible all the same.
          if (
            !before ||
            before.moves.some((m, i) => m.regions.length !== o.moves[i]?.regions.length)
          )
            continue
          const was = loadsOf(before)
          loadsOf(o).forEach((l, i) => {
            expect(l, o.id).toBeGreaterThanOrEqual(was[i] ?? 0)
          })
        }
      }),
      { numRuns: RUNS },
    )
  })
  it('more minutes never give a worse plan', () => {
    let compared = 0
    fc.assert(
      fc.property(client, fc.integer({ min: 1, max: 30 }), (q, more) => {
        const c = compile(inputOf(q))
        const short = solve(c, q.slot * 2)
        if (!short) return
        compared++
        expect(solve(c, (q.slot + more) * 2)?.value).toBeGreaterThanOrEqual(short.value)
      }),
      { numRuns: RUNS },
    )
    expect(compared).toBeGreaterThan(RUNS / 3)
  })
  it('the order of what comes in changes nothing', () => {
    fc.assert(
      fc.property(client, (q) => {
        const a = inputOf(q)
        const turned: PlanInput = {
          ...a,
          shelf: [...a.shelf].reverse(),
          devices: [...a.devices].reverse(),
          licences: [...a.licences].reverse(),
          verdict: { ...a.verdict, bars: [...a.verdict.bars].reverse() },
          answers: Object.fromEntries(Object.entries(a.answers).reverse()) as Answers,
        }
        expect(
          propose(turned).steps.map((s) => [s.technique, s.minutes, s.regions, s.productId]),
        ).toEqual(propose(a).steps.map((s) => [s.technique, s.minutes, s.regions, s.productId]))
      }),
      { numRuns: RUNS },
    )
  })
})
