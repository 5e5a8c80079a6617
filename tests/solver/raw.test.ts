import { describe, expect, it } from 'vitest'
import { CONCERN_NEED, RANK_WEIGHTS, REGION_SHARE, BODY_SHARE } from '#core/catalogue/rules/value'
import { EXFOLIATING } from '#core/catalogue/kinds'
import { methodOf } from '#core/catalogue/schools/schools'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { GROUPS } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { loadOn } from '#core/load/loads'
import { toleranceOf } from '#core/load/tolerance'
import { intentionsOf } from '#core/planning/agenda/intentions'
import { forToday } from '#core/planning/agenda/narrow'
import { settledAgenda } from '#core/planning/answer/settle'
import { allowances } from '#core/planning/today/allowed'
import type { PlanInput } from '#core/planning/input'
import { connect } from '#core/planning/steps/mend'
import { propose } from '#core/planning/answer/propose'
import { applyTechnique, startSurface, type Surface } from '#core/surface/surface'
import { question, stream } from './cases'
import { FLOOR, CLEANSES, ORDER, CHOSEN, COUNTED, USUAL, ASKED, gain } from './rawRules'

const CASES = process.env.OAK_FULL ? 120 : 30
interface Walk {
  surface: Surface
  ticks: number
  loads: number[]
  effects: number[]
  taste: number
  works: number
  /** Connecting steps of the last step. */
  links: number
}
/**
 * The best value that single steps from the raw catalogue can come to: no compiled case, no
 * options, no solver; every choice is walked.
 */
function best(input: PlanInput, offered: readonly TechniqueId[]): number | undefined {
  const method = methodOf(input.school, input.policy)
  const aims = intentionsOf(input).map(({ id }) => id)
  // What the visit is worked for is part of the question: work just so, or not at all.
  const today = forToday(input, allowances(input), settledAgenda(input))
  const read = (
    region: RegionId,
    id: 'oil' | 'water' | 'redness' | 'congestion' | 'texture' | 'lines' | 'spots' | 'pigment',
  ) => input.profile.regions[region][id]
  const need = (aim: (typeof aims)[number], region: RegionId) => {
    const need = CONCERN_NEED[aim]
    if ('constant' in need) return need.only?.includes(region) === false ? 0 : need.constant
    if ('unread' in need) return read(region, need.reading) ?? need.unread
    const grade = read(region, need.reading) ?? 2
    return need.invert ? 4 - grade : grade
  }
  /** Breakouts and marks are measured against the zones that show them, a fifth of all at least. */
  const shown = (aim: (typeof aims)[number]) => {
    if (aim !== 'breakouts' && aim !== 'marks') return 1
    const share = REGION_IDS.filter((region) => need(aim, region) >= 2).reduce(
      (sum, region) => sum + REGION_SHARE[region],
      0,
    )
    return share === 0 ? 1 : Math.max(20, share) / 100
  }
  const tolerances = REGION_IDS.map(
    (region) => toleranceOf(input.profile, region, input.verdict.limit.tolerancePercent).hundredths,
  )
  const resilient =
    input.profile.unread.length === 0 &&
    !input.profile.conditions.includes('marksEasily') &&
    input.verdict.limit.tolerancePercent === 100 &&
    REGION_IDS.every(
      (region) =>
        (input.profile.regions[region].sensitivity ?? 2) <= 1 &&
        (input.profile.regions[region].redness ?? 1) === 0,
    ) &&
    (input.profile.age ?? 40) < 60
  const mostWorks = resilient ? method.exfoliationLimit : 1
  const room = (region: RegionId) =>
    (tolerances[REGION_IDS.indexOf(region)] ?? 0) - input.residual[region]
  const withoutWeakest = (set: readonly RegionId[]): RegionId[] => {
    const more = set.filter((region) => set.some((x) => room(x) < room(region)))
    return more.length > set.length / 2 ? more : []
  }
  const asks = (id: TechniqueId, region: RegionId) =>
    Math.max(
      0,
      ...(ASKED[id] ?? []).map((concern) => {
        const row = CONCERN_NEED[concern]
        const unread = 'unread' in row && read(region, row.reading) === undefined
        return unread && !aims.includes(concern) ? 0 : need(concern, region)
      }),
    )
  const askedFor = (
    id: TechniqueId,
    regions: readonly RegionId[],
    barred: { has: (region: RegionId) => boolean },
  ): RegionId[] => {
    if (!ASKED[id]) return regions.filter((region) => !barred.has(region))
    const wanted = regions.filter(
      (region) => region !== 'neck' && region !== 'decollete' && asks(id, region) >= 2,
    )
    const open = wanted.filter((region) => !barred.has(region))
    const worth = (some: readonly RegionId[]) =>
      some.reduce((sum, region) => sum + REGION_SHARE[region] * asks(id, region), 0)
    return worth(open) * 2 >= worth(wanted) ? open : []
  }
  let top: number | undefined
  const doStep = (
    walk: Walk,
    id: TechniqueId,
    regions: readonly RegionId[],
    minutes: number,
    passes: number | undefined,
  ): Walk | undefined => {
    const ownTechnique = TECHNIQUES[id]
    const chain = connect(walk.surface, ownTechnique, regions)
    if (!chain) return undefined
    const out = {
      ...walk,
      links: chain.steps.length,
      loads: [...walk.loads],
      effects: [...walk.effects],
    }
    for (const step of [...chain.steps, { technique: id, regions, minutes }]) {
      const x = TECHNIQUES[step.technique]
      REGION_IDS.forEach((region, i) => {
        if (step.regions.includes(region))
          out.loads[i] =
            (out.loads[i] ?? 0) +
            loadOn(
              region,
              x,
              {
                handsMinutes: step.minutes,
                dwellMinutes: 0,
                passes: step.technique === id ? (passes ?? 0) : 0,
                setting: x.setting?.start ?? 0,
              },
              out.surface[region].warmth === 'warm' ? 125 : 100,
            )
      })
      out.surface = applyTechnique(out.surface, x, step.regions, step.minutes * 2)
      out.ticks += step.minutes * 2
    }
    return out.ticks > input.slotMinutes * 2 ||
      out.loads.some((load, i) => load > (walk.loads[i] ?? 0) && load > (tolerances[i] ?? 0))
      ? undefined
      : out
  }
  /** Nobody tones twice on end: once more only where something can come between. */
  const onEnd = (id: TechniqueId, i: number) => {
    const first = ORDER.findIndex((stage) => stage.includes(id))
    const canCome = (own: TechniqueId) =>
      offered.includes(own) &&
      today(own).never.length === 0 &&
      TECHNIQUES[own].groups.some(
        (group) => group === 'body' || askedFor(own, GROUPS[group], today(own).barred).length > 0,
      )
    return first < i && !ORDER.slice(first + 1, i).some((stage) => stage.some(canCome))
  }
  const go = (i: number, walk: Walk): void => {
    const stage = ORDER[i]
    if (!stage) {
      const total = aims.reduce(
        (sum, _, aim) => sum + (RANK_WEIGHTS[aim] ?? 0) * gain(walk.effects[aim] ?? 0),
        walk.taste,
      )
      if (top === undefined || total > top) top = total
      return
    }
    const here = stage
      .filter(
        (technique) =>
          offered.includes(technique) || FLOOR.includes(technique) || CLEANSES.includes(technique),
      )
      .filter(
        (technique) =>
          (technique !== 'eyesOff' || input.makeUp.length > 0) &&
          (technique !== 'sunProtection' || input.daylight) &&
          !onEnd(technique, i),
      )
    const must =
      stage.some((technique) => FLOOR.includes(technique) || CLEANSES.includes(technique)) &&
      here.length > 0
    if (!must) go(i + 1, walk)
    for (const id of here) {
      const ownAllowance = today(id)
      const exact = ownAllowance.work?.exact
      const technique = TECHNIQUES[id]
      if (ownAllowance.never.length > 0) continue
      const all = Math.max(...technique.minutes.choices)
      const usual = USUAL[id]
      const longest = usual === undefined || method.camps.pace.id === 'unhurried' ? all : usual
      const listed = technique.minutes.choices.filter(
        (choice) =>
          choice <= ownAllowance.minutesMost &&
          (usual === undefined || input.slotMinutes < 45 || (choice >= usual && choice <= longest)),
      )
      const works = technique.families.some((family) => COUNTED.includes(family)) ? 1 : 0
      if (walk.works + works > mostWorks) continue
      const groups = technique.groups
        .map((group) => (group === 'body' ? [] : askedFor(id, GROUPS[group], ownAllowance.barred)))
        .filter((regions, at) => technique.groups[at] === 'body' || regions.length > 0)
      // What takes something off or pulls may leave out the few zones that bear least.
      const sets = technique.families.some(
        (family) => family === 'vacuum' || EXFOLIATING.includes(family),
      )
        ? [...groups, ...groups.map(withoutWeakest).filter((regions) => regions.length > 0)]
        : groups
      for (const regions of exact ? [exact.regions] : sets) {
        for (const length of exact
          ? [exact.minutes]
          : listed.length > 0
            ? listed
            : (usual === undefined || input.slotMinutes < 45) &&
                ownAllowance.minutesMost >= technique.minutes.least
              ? [ownAllowance.minutesMost]
              : [])
          for (const passes of exact?.passes
            ? [exact.passes]
            : technique.passes
              ? [1, 2].filter((passes) => passes <= ownAllowance.passesMost)
              : [undefined]) {
            const minutes = passes === 2 ? Math.round(length * 3) / 2 : length
            if (minutes > ownAllowance.minutesMost) continue
            const next = doStep(walk, id, regions, minutes, passes)
            if (!next) continue
            aims.forEach((aim, at) => {
              const sum =
                regions.length === 0
                  ? BODY_SHARE * (aim === 'rest' ? 3 : 0)
                  : regions.reduce(
                      (sum, region) => sum + REGION_SHARE[region] * need(aim, region),
                      0,
                    ) / shown(aim)
              next.effects[at] =
                (next.effects[at] ?? 0) +
                ((technique.effects[aim] ?? 0) === 0
                  ? 0
                  : Math.round(
                      ((technique.effects[aim] ?? 0) *
                        sum *
                        Math.sqrt(Math.min(1, length / longest))) /
                        10,
                    ))
            })
            next.taste += ((method.taste[id] ?? 0) + ownAllowance.favour - method.turnCost) * 4
            next.taste += ownAllowance.work?.worth ?? 0
            next.taste -= Math.round(method.turnCost / 4) * 4 * next.links
            next.works += works
            go(i + 1, next)
          }
      }
    }
  }
  go(0, {
    surface: startSurface(input.makeUp.length > 0),
    ticks: 0,
    loads: REGION_IDS.map((region) => input.residual[region]),
    effects: aims.map(() => 0),
    taste: 0,
    works: 0,
    links: 0,
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
        (technique) =>
          !offered.includes(technique) &&
          !FLOOR.includes(technique) &&
          !CLEANSES.includes(technique),
      )
      const { input: ownInput } = question(seed)
      const input: PlanInput = {
        ...ownInput,
        aims: ownInput.aims.slice(0, 3),
        policy: { camps: {}, without },
      }
      const proposal = propose(input)
      const found = best(input, offered)
      expect(
        proposal.failed ? undefined : proposal.value,
        `seed ${seed}, ${offered.join(', ')}`,
      ).toBe(found)
      if (found !== undefined) planned++
    }
    console.log(
      `≈ ${CASES} tiny raw catalogues planned as walking every raw choice does; ${planned} have a plan`,
    )
    expect(planned).toBeGreaterThan(CASES / 2)
  })
})
