import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { GROUPS } from '#core/face/regions'
import type { TreatmentEvent } from '#core/treatment/taps/events'
import { demoId } from './ids'
import { minutes } from '#core/units'

const ORDER: readonly TechniqueId[] = [
  'settle',
  'eyesOff',
  'milk',
  'secondReading',
  'secondCleanse',
  'tone',
  'grain',
  'enzyme',
  'tip',
  'highFrequency',
  'cold',
  'massage',
  'clay',
  'hydratingMask',
  'serum',
  'moisturiser',
  'sunProtection',
  'close',
]
const USUAL: readonly TechniqueId[] = [
  'settle',
  'eyesOff',
  'milk',
  'secondReading',
  'secondCleanse',
  'tone',
  'serum',
  'moisturiser',
  'sunProtection',
  'close',
]

/** Steps of an earlier visit: the usual frame with what was done in it. */
export function pastSteps(work: readonly TechniqueId[]): PlanStep[] {
  const out: PlanStep[] = []
  const add = (
    technique: TechniqueId,
    took: number,
    regions: PlanStep['regions'],
    passes?: number,
  ) => {
    const number = out.filter((step) => step.technique === technique).length + 1
    out.push({
      key: `${technique}-${number}`,
      technique,
      minutes: minutes(took),
      regions,
      ...(passes === undefined ? {} : { passes }),
      why: [{ rule: `technique-${technique}`, text: TECHNIQUES[technique].reason }],
    })
  }
  for (const id of ORDER) {
    if (!USUAL.includes(id) && !work.includes(id)) continue
    const technique = TECHNIQUES[id]
    const regions = GROUPS[technique.groups[0] ?? 'face']
    add(
      id,
      technique.minutes.choices[0] ?? technique.minutes.least,
      regions,
      technique.passes?.usual,
    )
    if (technique.dwell) {
      add('handsArms', technique.dwell.sensitive.earliest, [])
      add('maskOff', 2, regions)
    }
    if (id === 'massage') add('rinse', 1, regions)
  }
  return out
}

/** Taps as they would have been made: each step ended when its minutes were over. */
export function pastEvents(
  visitKey: string,
  visitStart: number,
  steps: readonly PlanStep[],
): TreatmentEvent[] {
  const event = (seq: number, at: number, body: TreatmentEvent['body']): TreatmentEvent => ({
    id: demoId(`${visitKey}-event-${seq}`),
    at,
    deviceId: '0dead0de',
    seq,
    planVersion: 1,
    body,
  })
  let at = visitStart
  const out = [event(0, at, { kind: 'started' })]
  steps.forEach((step, i) => {
    at += step.minutes * 60_000 + ((i * 7) % 5) * 6000
    out.push(event(i + 1, at, { kind: 'stepDone', key: step.key, cue: true }))
  })
  out.push(event(steps.length + 1, at, { kind: 'finished' }))
  return out
}
