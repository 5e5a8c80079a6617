import { CALL_HELP, STOP_RULES, SIGN_NAMES, type StopRule } from '../../catalogue/rules/stopRules'
import { exfoliates } from '../../catalogue/techniques/traits'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { REGION_NAMES } from '../../face/regions'
import type { Grade } from '../../skin/readings'
import type { EventBody } from '../taps/events'

export interface Judgement {
  act: 'keep' | 'shorten' | 'endZone' | 'stop'
  rule: StopRule
  text: string
  callHelp: boolean
}

/** A zone at the moment of a reaction. */
export interface ZoneNow {
  /** Redness of it when the treatment started. */
  baseline: Grade
  /** Whether that was read on bare skin. */
  readBare: boolean
  /** What is being done on it, and everything that rests there. */
  lying: readonly TechniqueId[]
}

/**
 * What a reaction asks for. Redness (0–4) is held against the zone's baseline; sensation (0–10)
 * stands by itself.
 */
export function judge(body: EventBody, zone: ZoneNow): Judgement | undefined {
  switch (body.kind) {
    case 'sign':
      return {
        act: 'stop',
        rule: STOP_RULES.sign,
        text: `${SIGN_NAMES[body.sign]}: off with cool water now.`,
        callHelp: CALL_HELP.includes(body.sign),
      }
    case 'redness':
      return judgeRedness(body, zone)
    case 'sensation':
      return judgeSensation(body.grade, zone)
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
  { baseline, readBare, lying }: ZoneNow,
): Judgement {
  const where = REGION_NAMES[region]
  const { rednessHigh, rednessRise, exfoliationRise, rednessExpected, readItBare } = STOP_RULES
  if (grade >= rednessHigh.grade)
    return judged('stop', rednessHigh, `Redness ${grade} on the ${where}.`)
  if (grade >= baseline + rednessRise.grade)
    return judged('stop', rednessRise, `Redness ${baseline} → ${grade} on the ${where}.`)
  if (lying.some(exfoliates) && grade >= baseline + exfoliationRise.grade)
    return judged('endZone', exfoliationRise, `Leave the ${where} now.`)
  if (!readBare && grade > 0)
    return judged(
      'keep',
      readItBare,
      `The ${where} was read under make-up: read it bare, then judge.`,
    )
  if (grade <= baseline)
    return judged('keep', rednessExpected, 'No redder than at the start: go on.')
  return judged('keep', rednessExpected, 'Expected of this step: go on, look again in a minute.')
}

function judgeSensation(grade: number, { lying }: ZoneNow): Judgement {
  const { sensationBurn, sensationSting, tingle, unexpected } = STOP_RULES
  if (grade >= sensationBurn.grade)
    return judged('stop', sensationBurn, `Sensation ${grade} of 10: off with cool water now.`)
  if (grade >= sensationSting.grade)
    return judged('shorten', sensationSting, 'Stinging: shorten, ask again in a minute.')
  if (grade === 0) return judged('keep', tingle, 'Nothing felt: go on.')
  return lying.some(exfoliates)
    ? judged('keep', tingle, 'Tingle is common with what works there: go on.')
    : judged('keep', unexpected, 'Nothing there should tingle: ask where, look, ask again.')
}

/** Why the plan was made anew after a stop; by this word the room knows that only calm follows. */
export const AFTER_STOP = 'after a stop'
/** What follows a stop at this moment is planned: only calm. */
export const isCalmed = (
  { replans }: { replans: readonly { at: number; reason: string }[] },
  stoppedAt: number,
): boolean => replans.some(({ at, reason }) => reason === AFTER_STOP && at >= stoppedAt)
