import { describe, expect, it } from 'vitest'
import {
  CONCERN_NEED,
  RANK_WEIGHTS,
  REGION_SHARE,
  BODY_SHARE,
  RETURNS,
} from '#core/catalogue/rules/value'
import { EXFOLIATING } from '#core/catalogue/kinds'
import { methodOf } from '#core/catalogue/schools/schools'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { GROUPS } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { loadOn } from '#core/load/loads'
import { toleranceOf } from '#core/load/tolerance'
import { allowance } from '#core/planning/today/allowed'
import type { PlanInput } from '#core/planning/input'
import { connect } from '#core/planning/steps/mend'
import { propose } from '#core/planning/answer/propose'
import { applyTechnique, startSurface, type Surface } from '#core/surface/surface'
import { question, stream } from './cases'

const CASES = process.env.OAK_FULL ? 120 : 30
/** Single steps in the order of the visit; every one may be left out but the floor. */
const FLOOR: readonly TechniqueId[] = [
  'settle',
  'eyesOff',
  'milk',
  'secondReading',
  'moisturiser',
  'sunProtection',
  'close',
]
const CLEANSES: readonly TechniqueId[] = ['secondCleanse', 'oilCleanse']
const ORDER: readonly (readonly TechniqueId[])[] = [
  ['settle'],
  ['eyesOff'],
  ['milk'],
  ['secondReading'],
  CLEANSES,
  ['tone'],
  ['steam'],
  ['grain'],
  ['tip', 'spatula'],
  ['highFrequency', 'cold'],
  ['massage', 'stones'],
  ['tone'],
  ['serum'],
  ['eyeProduct'],
  ['moisturiser'],
  ['lipCare'],
  ['sunProtection'],
  ['close'],
]
const CHOSEN: readonly TechniqueId[] = [
  'tone',
  'steam',
  'grain',
  'tip',
  'spatula',
  'highFrequency',
  'cold',
  'massage',
  'stones',
  'serum',
  'eyeProduct',
  'lipCare',
]

interface Walk {
  surface: Surface
  ticks: number
  loads: number[]
  effects: number[]
  taste: number
  works: number
}
const gain = (e: number) => {
  let out = 0
  let from = 0
  for (const s of RETURNS) {
    const to = Math.min(e, s.upTo)
    if (to > from) out += (to - from) * s.slope
    from = Math.max(from, s.upTo)
  }
  return out
}

/**
 * The best value that single steps from the raw catalogue can come to: no compiled case, no
 * options, no solver; every choice is walked.
 */
function best(input: PlanInput, offered: readonly TechniqueId[]): number | undefined {
  const method = methodOf(input.school, input.policy)
  const aims = input.aims
  const read = (
    r: RegionId,
    id: 'oil' | 'water' | 'redness' | 'congestion' | 'texture' | 'lines',
  ) => input.profile.regions[r][id]
  const need = (aim: (typeof aims)[number], r: RegionId) => {
    const n = CONCERN_NEED[aim]
    if ('constant' in n) return n.constant
    if ('unread' in n) return read(r, n.reading) ?? n.unread
    const g = read(r, n.reading) ?? 2
    return n.invert ? 4 - g : g
  }
  const tolerances = REGION_IDS.map(
    (r) => toleranceOf(input.profile, r, input.verdict.limit.tolerancePercent).hundredths,
  )
  const resilient =
    input.profile.unread.length === 0 &&
    REGION_IDS.every(
      (r) =>
        (input.profile.regions[r].sensitivity ?? 2) <= 1 &&
        (input.profile.regions[r].redness ?? 1) === 0,
    ) &&
    (input.profile.age ?? 40) < 60
  const mostWorks = resilient ? method.exfoliationLimit : 1
  const room = (r: RegionId) => (tolerances[REGION_IDS.indexOf(r)] ?? 0) - input.residual[r]
  const withoutWeakest = (set: readonly RegionId[]): RegionId[] => {
    const more = set.filter((r) => set.some((x) => room(x) < room(r)))
    return more.length > set.length / 2 ? more : []
  }
  let top: number | undefined
  const doStep = (
    w: Walk,
    id: TechniqueId,
    regions: readonly RegionId[],
    minutes: number,
    passes: number | undefined,
  ): Walk | undefined => {
    const t = TECHNIQUES[id]
    const chain = connect(w.surface, t, regions)
    if (!chain) return undefined
    const out = { ...w, loads: [...w.loads], effects: [...w.effects] }
    for (const s of [...chain.steps, { technique: id, regions, minutes }]) {
      const x = TECHNIQUES[s.technique]
      REGION_IDS.forEach((r, i) => {
        if (s.regions.includes(r))
          out.loads[i] =
            (out.loads[i] ?? 0) +
            loadOn(
              r,
              x,
              {
                handsMinutes: s.minutes,
                dwellMinutes: 0,
                passes: s.technique === id ? (passes ?? 0) : 0,
                setting: x.setting?.start ?? 0,
              },
              out.surface[r].warmth === 'warm' ? 125 : 100,
            )
      })
      out.surface = applyTechnique(out.surface, x, s.regions, s.minutes * 2)
      out.ticks += s.minutes * 2
    }
    return out.ticks > input.slotMinutes * 2 ||
      out.loads.some((l, i) => l > (w.loads[i] ?? 0) && l > (tolerances[i] ?? 0))
      ? undefined
      : out
  }
  const go = (i: number, w: Walk): void => {
    const stage = ORDER[i]
    if (!stage) {
      const v = aims.reduce(
        (sum, _, k) => sum + (RANK_WEIGHTS[k] ?? 0) * gain(w.effects[k] ?? 0),
        w.taste,
      )
      if (top === undefined || v > top) top = v
      return
    }
    const here = stage
      .filter((t) => offered.includes(t) || FLOOR.includes(t) || CLEANSES.includes(t))
      .filter((t) => (t !== 'eyesOff' || input.madeUp) && (t !== 'sunProtection' || input.daylight))
    const must = stage.some((t) => FLOOR.includes(t) || CLEANSES.includes(t)) && here.length > 0
    if (!must) go(i + 1, w)
    for (const id of here) {
      const a = allowance(id, input)
      const t = TECHNIQUES[id]
      if (a.never.length > 0) continue
      const longest = Math.max(...t.minutes.choices)
      const listed = t.minutes.choices.filter((m) => m <= a.minutesMost)
      const works = t.families.some((f) => EXFOLIATING.includes(f)) ? 1 : 0
      if (w.works + works > mostWorks) continue
      const groups = t.groups
        .map((g) => (g === 'body' ? [] : GROUPS[g].filter((r) => !a.barred.has(r))))
        .filter((r, k) => t.groups[k] === 'body' || r.length > 0)
      // What takes something off or pulls may leave out the few zones that bear least.
      const sets = t.families.some((f) => f === 'vacuum' || EXFOLIATING.includes(f))
        ? [...groups, ...groups.map(withoutWeakest).filter((r) => r.length > 0)]
        : groups
      for (const regions of sets) {
        for (const m of listed.length > 0
          ? listed
          : a.minutesMost >= t.minutes.least
            ? [a.minutesMost]
            : [])
          for (const passes of t.passes ? [1, 2].filter((p) => p <= a.passesMost) : [undefined]) {
            const minutes = passes === 2 ? Math.round(m * 3) / 2 : m
            if (minutes > a.minutesMost) continue
            const next = doStep(w, id, regions, minutes, passes)
            if (!next) continue
            aims.forEach((aim, k) => {
              const sum =
                regions.length === 0
                  ? BODY_SHARE * (aim === 'rest' ? 3 : 0)
                  : regions.reduce((s, r) => s + REGION_SHARE[r] * need(aim, r), 0)
              next.effects[k] =
                (next.effects[k] ?? 0) +
                ((t.effects[aim] ?? 0) === 0
                  ? 0
                  : Math.round(((t.effects[aim] ?? 0) * sum * Math.sqrt(m / longest)) / 10))
            })
            next.taste += ((method.taste[id] ?? 0) + a.favour) * 4
            next.works += works
            go(i + 1, next)
          }
      }
    }
  }
  go(0, {
    surface: startSurface(input.madeUp),
    ticks: 0,
    loads: REGION_IDS.map((r) => input.residual[r]),
    effects: aims.map(() => 0),
    taste: 0,
    works: 0,
  })
  return top
}

describe('the compiler', () => {
  it(`loses nothing of ${CASES} tiny raw catalogues and invents nothing: the plan is worth what walking every raw choice finds`, () => {
    let planned = 0
    for (let seed = 1; seed <= CASES; seed++) {
      const next = stream(seed + 4242)
      const offered = [
        ...new Set(Array.from({ length: 4 }, () => CHOSEN[next(CHOSEN.length)] ?? 'tone')),
      ]
      const without = TECHNIQUE_IDS.filter(
        (t) => !offered.includes(t) && !FLOOR.includes(t) && !CLEANSES.includes(t),
      )
      const { input: q } = question(seed)
      const input: PlanInput = { ...q, aims: q.aims.slice(0, 3), policy: { camps: {}, without } }
      const p = propose(input)
      const found = best(input, offered)
      expect(p.failed ? undefined : p.value, `seed ${seed}, ${offered.join(', ')}`).toBe(found)
      if (found !== undefined) planned++
    }
    console.log(
      `≈ ${CASES} tiny raw catalogues planned as walking every raw choice does; ${planned} have a plan`,
    )
    expect(planned).toBeGreaterThan(CASES / 2)
  })
})
