import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { takeOff } from '../../catalogue/consultation/makeUp'
import { CONCERN_NAMES, type ConcernId } from '../../catalogue/kinds'
import { CALM_WORDS, INTENTIONS } from '../../catalogue/rules/intentions'
import { ADAPTATIONS } from '../../catalogue/skin/adaptations'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import { isStrong } from '../../catalogue/techniques/traits'
import { listRegions } from '../../face/regions'
import { READING_NAMES, type ZoneReading } from '../../skin/readings'
import { inputOfPerson, person } from '../../testing/randomPeople'
import type { PlanInput } from '../input'
import { trace } from '../steps/trace'
import { propose } from './propose'

/*
 * Whether a reason is true, judged by somebody who sees the readings, the answers and the steps, and
 * nothing of how the plan was found.
 */
type Read = keyof ZoneReading
const readingNamed = (name: string): Read | undefined =>
  (Object.keys(READING_NAMES) as Read[]).find((id) => READING_NAMES[id].toLowerCase() === name)

/** "congestion: nose 4; cheeks 3": each grade stands on just the zones of this step that show it. */
function gradesAreTrue(text: string, step: PlanStep, input: PlanInput): boolean {
  const [name = '', parts = ''] = text.split(/: (.*)/)
  const reading = readingNamed(name)
  if (!reading) return false
  return [...parts.matchAll(/(.+?) ([0-4])(?:; |$)/g)].every(([, zones, grade]) => {
    const showing = step.regions.filter(
      (region) => input.profile.regions[region][reading] === Number(grade),
    )
    return listRegions(showing) === zones
  })
}

function isTrue(why: Why, step: PlanStep, input: PlanInput, plan: readonly PlanStep[]): boolean {
  const { rule, text } = why
  const earlier = plan.slice(0, plan.indexOf(step))
  if (rule.startsWith('aim-')) {
    const aim = rule.slice('aim-'.length) as ConcernId
    if (text === `asked for: ${CONCERN_NAMES[aim]}`) return input.aims.includes(aim)
    return text === CALM_WORDS ? input.aims.length === 0 : gradesAreTrue(text, step, input)
  }
  if (rule === 'calm-only')
    return earlier.some(
      ({ technique, regions }) =>
        isStrong(technique) && regions.some((region) => step.regions.includes(region)),
    )
  if (rule === 'cleanse-layers') return takeOff(input.makeUp).cleanses > 1
  if (rule === 'helps') {
    const lines = Object.values(INTENTIONS).flatMap(({ lines: own }) => own)
    const line = lines.find(
      ({ helps, workers }) => helps === text && workers.includes(step.technique),
    )
    const beside = lines.filter(({ part }) => part === line?.beside)
    return plan.some(({ technique }) => beside.some(({ workers }) => workers.includes(technique)))
  }
  if (rule === 'dwell') {
    const rest = trace(input, plan).schedule.resting.find(({ key }) => key === step.key)
    const label = input.shelf.find(({ product }) => product.id === step.productId)?.product.rests
    const by = label ? `, ${label.from} to ${label.to} by its label` : ''
    return rest !== undefined && text === `rests ${rest.end - rest.start} min${by}`
  }
  if (rule === 'first-use') return !input.usedBefore.includes(step.productId ?? '')
  return shorteningIsTrue(text, step) && skinIsTrue(why, step, input) && leftIsTrue(text, step)
}

function shorteningIsTrue(text: string, step: PlanStep): boolean {
  const [, was, is] = /^([\d.]+) → ([\d.]+) min/.exec(text) ?? []
  return was === undefined || (Number(is) === step.minutes && Number(was) > step.minutes)
}
/** "sensitive: one pass (cheeks)": the zones of this step that show it, and at least one. */
function skinIsTrue({ rule, text }: Why, step: PlanStep, input: PlanInput): boolean {
  if (text.startsWith('not on ')) return true
  const row = ADAPTATIONS.find(({ id }) => id === rule)
  if (!row || !('reading' in row.when)) return true
  const { reading, atLeast = 0, atMost = 4 } = row.when
  const [, zones] = /\(([^()]+)\)$/.exec(text) ?? []
  const unread = (region: (typeof step.regions)[number]) => input.profile.unread.includes(region)
  const showing = step.regions.filter((region) => {
    const grade = input.profile.regions[region][reading]
    return unread(region) || (grade !== undefined && grade >= atLeast && grade <= atMost)
  })
  const named = step.regions.filter((region) => showing.includes(region))
  return named.length > 0 && zones !== undefined && zones.length > 0
}
function leftIsTrue(text: string, step: PlanStep): boolean {
  const [, zones = ''] = /^not on ([^:]+):/.exec(text) ?? []
  return !step.regions.some((region) => zones.split(', ').includes(listRegions([region])))
}

describe('a reason beside a step', () => {
  it('holds for the zones that are worked, whoever the client is', () => {
    fc.assert(
      fc.property(person, (who) => {
        const input = inputOfPerson(who)
        const { steps, failed } = propose(input)
        if (failed) return
        for (const step of steps)
          for (const why of step.why)
            expect(
              isTrue(why, step, input, steps),
              `${step.technique} on ${listRegions(step.regions)}: ${why.rule}, ${why.text}`,
            ).toBe(true)
      }),
      { numRuns: process.env.OAK_FULL ? 2000 : 250 },
    )
  })
})
