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
    case 'redness': {
      const where = REGION_NAMES[body.region]
      if (body.grade >= 3)
        return {
          act: 'stop',
          rule: STOP_RULES.rednessHigh,
          text: `Redness ${body.grade} on the ${where}.`,
          callHelp: false,
        }
      if (body.grade >= baseline + 2)
        return {
          act: 'stop',
          rule: STOP_RULES.rednessRise,
          text: `Redness ${baseline} → ${body.grade} on the ${where}.`,
          callHelp: false,
        }
      const exfoliating = technique !== undefined && exfoliates(technique)
      if (exfoliating && body.grade > baseline)
        return {
          act: 'endZone',
          rule: STOP_RULES.exfoliationRise,
          text: `Leave the ${where} now.`,
          callHelp: false,
        }
      return { act: 'keep', rule: STOP_RULES.tingle, text: 'Expected: go on.', callHelp: false }
    }
    case 'sensation':
      if (body.grade >= 7)
        return {
          act: 'stop',
          rule: STOP_RULES.sensationBurn,
          text: `Sensation ${body.grade} of 10: off with cool water now.`,
          callHelp: false,
        }
      if (body.grade >= 4)
        return {
          act: 'shorten',
          rule: STOP_RULES.sensationSting,
          text: 'Stinging: shorten, ask again in a minute.',
          callHelp: false,
        }
      return {
        act: 'keep',
        rule: STOP_RULES.tingle,
        text: 'Tingle is common: go on.',
        callHelp: false,
      }
    default:
      return undefined
  }
}
