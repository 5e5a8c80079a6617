import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { SPOT_IDS } from '#core/catalogue/techniques/residue'
import { propose } from '#core/planning/answer/propose'
import type { RegionId } from '#core/face/zones'
import type { Answers } from '#core/screening/asking/answers'
import type { Grade, Readings } from '#core/skin/readings'
import { visitBundle } from '#core/testing/bundle'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '#core/testing/fixtures'
import { addDays } from '#core/screening/asking/days'
import { inOrder, type EventBody, type TreatmentEvent } from '#core/treatment/taps/events'
import type { VisitBundle } from '#core/visit/bundle'
import { seeded, type Seeded } from '../../support/seeded'

const MINUTE = 60_000

/** What a visit of this page is like: who comes, what for, what is wanted in it, how it goes. */
export interface Script {
  name: string
  seed: number
  readings: Readings
  aims: VisitBundle['visit']['aims']
  wanted: readonly TechniqueId[]
  answers?: Answers
  minutes: number
  /** At which step it burns and is stopped; none where it goes well. */
  stopsAt?: number
}
const skin = (more: object): Readings => readAll({ ...RESILIENT, ...more })
/** Oily in the middle, thirsty beside it. */
const TWO_SKINS: Readings = {
  ...skin({ water: 1 }),
  ...Object.fromEntries(
    (['forehead', 'nose', 'chin'] as const).map((region) => [
      region,
      { ...skin({ oil: 4, congestion: 3 })[region] },
    ]),
  ),
}
export const SCRIPTS: readonly Script[] = [
  {
    ...{ name: 'a calm hour', seed: 11, readings: skin({}), aims: ['dehydration', 'rest'] },
    ...{ wanted: [], minutes: 60 },
  },
  {
    ...{ name: 'the tip', seed: 23, readings: skin({ texture: 3 }), aims: ['dullness'] },
    ...{ wanted: ['tip'], minutes: 90 },
  },
  {
    ...{ name: 'clay and water', seed: 37, readings: skin({ oil: 4, congestion: 3, water: 1 }) },
    ...{ aims: ['shine', 'congestion'], wanted: ['clay', 'steam'], minutes: 90 },
  },
  {
    ...{ name: 'an acid that burns', seed: 41, readings: skin({ texture: 3 }), aims: ['dullness'] },
    ...{ wanted: ['acidMask'], minutes: 75, stopsAt: 7 },
  },
  {
    ...{ name: 'hands and stones', seed: 53, readings: skin({ water: 1 }), aims: ['firmness'] },
    ...{ wanted: ['stones', 'hardeningMask'], minutes: 90 },
  },
  {
    ...{ name: 'current and light', seed: 67, readings: skin({ lines: 3 }), aims: ['lines'] },
    ...{ wanted: ['microcurrent'], minutes: 90, answers: allNo({ homeAcid: habit(3) }) },
  },
  {
    ...{ name: 'pinker than before', seed: 79, readings: skin({ sensitivity: 2, redness: 1 }) },
    ...{ aims: ['redness', 'rest'], wanted: [], minutes: 60 },
    answers: allNo({ retinoid: habit(2) }),
  },
  {
    ...{ name: 'spots let out', seed: 83, readings: skin({ congestion: 4, spots: 1 }) },
    ...{ aims: ['congestion'], wanted: ['extraction'], minutes: 75, stopsAt: 10 },
  },
  {
    ...{ name: 'oily in the middle', seed: 97, readings: TWO_SKINS, minutes: 90 },
    ...{ aims: ['shine', 'dehydration'], wanted: ['clay', 'hydratingMask'] },
  },
]
function habit(perWeek: number) {
  return { say: 'yes' as const, date: addDays(TODAY, -4), perWeek }
}

/** The bundle of a visit, with its plan and every tap of its hand, as the script's dice fall. */
export function livedBundle(script: Script): VisitBundle {
  const { seed, readings, aims, wanted, answers = allNo(), minutes, stopsAt } = script
  const plan = propose(
    planInput({ readings, aims, wanted, named: wanted, slotMinutes: minutes, answers }),
  )
  const { steps } = plan
  const whole = visitBundle({
    readings: { madeUp: readings, bare: null },
    answers,
    plans: [
      {
        ...{ version: 1, steps: [...steps], reason: '', countersignedBy: null },
        unseen: false,
        protocol: null,
      },
    ],
  })
  const visit = { ...whole.visit, aims, minutes, named: [...wanted], status: 'treating' as const }
  const events = tapsOf(steps, seeded(seed), whole.visit.at, stopsAt)
  return { ...whole, visit, events, usedProducts: usedIn(steps) }
}
/** Half of the bottles were had here before. */
const usedIn = (steps: readonly PlanStep[]): string[] =>
  steps.flatMap(({ productId }, place) => (productId && place % 2 === 0 ? [productId] : []))

const GRADES: readonly Grade[] = [0, 1, 2, 3]
function tapsOf(
  steps: readonly PlanStep[],
  chance: Seeded,
  startsAt: number,
  stopsAt = Number.POSITIVE_INFINITY,
): TreatmentEvent[] {
  const out: TreatmentEvent[] = []
  let at = startsAt
  const tap = (body: EventBody, after = 0) => {
    at += after * MINUTE
    const number = out.length
    out.push({
      ...{ id: `t${number}`, at, deviceId: 'tablet', seq: number, planVersion: 1, by: 'A' },
      body,
    })
  }
  tap({ kind: 'started' })
  for (const [place, step] of steps.entries()) {
    const pace = chance.oneOf([0.8, 1, 1, 1.4]) ?? 1
    for (const body of during(step, chance)) tap(body, (step.minutes * pace) / 6)
    if (place === stopsAt) {
      tap({ kind: 'sensation', grade: 7, region: 'chin', key: step.key }, 0.5)
      tap({ kind: 'stopped', reason: 'it burns' }, 0.5)
      tap({ kind: 'stopStep', step: 'removed' }, 1)
      tap({ kind: 'stopStep', step: 'cooled' }, 6)
      break
    }
    tap({ kind: 'stepDone', key: step.key, cue: chance.chance(0.9) }, (step.minutes * pace) / 2)
    if (chance.chance(0.08)) {
      tap({ kind: 'takenBack', key: step.key }, 0.2)
      tap({ kind: 'stepDone', key: step.key, cue: true }, 0.5)
    }
  }
  tap({ kind: 'finished' }, 1)
  return inOrder(out)
}

/** What is tapped within a step: what it counts, what is seen of the skin, what else goes on. */
function during(step: PlanStep, chance: Seeded): EventBody[] {
  const { key, technique, regions } = step
  const { counter, setting, product } = TECHNIQUES[technique]
  const zone = (): RegionId => chance.oneOf(regions) ?? 'chin'
  const out: EventBody[] = []
  if (counter !== 'none' && counter.what === 'pad')
    for (const grade of [2, 1, 0] as const) out.push({ kind: 'padGraded', key, grade })
  else if (counter !== 'none' && counter.what === 'pass')
    for (const region of regions) out.push({ kind: 'passDone', key, region })
  else if (counter !== 'none' && counter.what !== 'water')
    out.push({ kind: 'counted', key, region: zone(), by: 1 })
  if (setting) {
    out.push({ kind: 'calm', key, setting: step.setting ?? setting.start })
    out.push({ kind: 'deviceSaid', key, level: setting.start, fault: null })
  }
  if (chance.chance(0.15)) out.push({ kind: 'held' }, { kind: 'resumed' })
  if (chance.chance(0.2)) out.push({ kind: 'notYet', key })
  if (chance.chance(0.2))
    out.push({ kind: 'redness', region: zone(), grade: chance.oneOf(GRADES) ?? 1, key })
  if (chance.chance(0.15)) out.push({ kind: 'swept', key, spots: [...SPOT_IDS].slice(0, 2) })
  if (product && chance.chance(0.3))
    out.push({
      ...{ kind: 'amountTaken', key, productId: step.productId ?? product },
      ...{ lotId: 'T1', millilitres: chance.oneOf([0.5, 1, 2]) ?? 1 },
    })
  if (product && chance.chance(0.3))
    out.push({
      kind: 'absorbed',
      key,
      region: zone(),
      grade: chance.oneOf([0, 2, 3] as const) ?? 2,
    })
  if (chance.chance(0.1))
    out.push({ kind: 'side', key, side: 'L' }, { kind: 'side', key, side: 'R' })
  return out
}
