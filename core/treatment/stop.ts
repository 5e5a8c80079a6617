import { CALL_HELP, STOP_RULES, SIGN_NAMES, type StopRule } from '../catalogue/rules/stopRules'
import { exfoliates } from '../catalogue/techniques/traits'
import type { TechniqueId } from '../catalogue/techniques/techniques'
import { REGION_NAMES } from '../face/regions'
import type { Grade } from '../skin/readings'
import type { EventBody } from './events'

export interface Judgement {
  act: 'keep' | 'shorten' | 'endZone' | 'stop'
  rule: StopRule
  text: string
  callHelp: boolean
}

/**
 * What a reaction asks for. Redness (0–4) is held against the zone's baseline; sensation (0–10)
 * stands by itself.
 * @param baseline redness of that region when the treatment started
 * @param technique what is being done now, if anything
 */
export function judge(
  body: EventBody,
  baseline: Grade,
  technique: TechniqueId | undefined,
): Judgement | undefined {
  switch (body.kind) {
    case 'sign':
      return {
        act: 'stop',
        rule: STOP_RULES.sign,
        text: `${SIGN_NAMES[body.sign]}: off with cool water now.`,
        callHelp: CALL_HELP.includes(body.sign),
      }
    case 'redness':
      return judgeRedness(body, baseline, technique !== undefined && exfoliates(technique))
    case 'sensation':
      return judgeSensation(body.grade)
    default:
      return undefined
  }
}

const judged = (act: Judgement['act'], rule: StopRule, text: string): Judgement => ({
  act,
  rule,
  text,
  callHelp: false,
})

function judgeRedness(
  { region, grade }: Extract<EventBody, { kind: 'redness' }>,
  baseline: Grade,
  exfoliating: boolean,
): Judgement {
  const where = REGION_NAMES[region]
  const { rednessHigh, rednessRise, exfoliationRise, tingle } = STOP_RULES
  if (grade >= rednessHigh.grade)
    return judged('stop', rednessHigh, `Redness ${grade} on the ${where}.`)
  if (grade >= baseline + rednessRise.grade)
    return judged('stop', rednessRise, `Redness ${baseline} → ${grade} on the ${where}.`)
  if (exfoliating && grade >= baseline + exfoliationRise.grade)
    return judged('endZone', exfoliationRise, `Leave the ${where} now.`)
  return judged('keep', tingle, 'Expected: go on.')
}

function judgeSensation(grade: number): Judgement {
  const { sensationBurn, sensationSting, tingle } = STOP_RULES
  if (grade >= sensationBurn.grade)
    return judged('stop', sensationBurn, `Sensation ${grade} of 10: off with cool water now.`)
  if (grade >= sensationSting.grade)
    return judged('shorten', sensationSting, 'Stinging: shorten, ask again in a minute.')
  return judged('keep', tingle, 'Tingle is common: go on.')
}
