import { PROTOCOL_VALUE, STANDARD_FROM_MINUTES } from '../../catalogue/rules/value'
import type { PlanStep, ProtocolStep } from '../../catalogue/techniques/step'
import type { StageId } from '../../catalogue/kinds'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { stageRank } from '../../catalogue/techniques/stages'
import { canPin, onlyConnects } from '../../catalogue/techniques/traits'
import type { Option, Stage } from './planCase'
import { ticksWithin } from '../../units'

/**
 * A stage as the protocol has it: only what it names, as near to its minutes as may be. What every
 * visit needs stays.
 */
export function byProtocol(stage: Stage, protocol: readonly ProtocolStep[]): Stage {
  const wanted = (option: Option) =>
    option.main.every((technique) => protocol.some((step) => step.technique === technique))
  const named = stage.options.filter(wanted)
  if (stage.must) return named.length > 0 ? { ...stage, options: named } : stage
  return {
    ...stage,
    options: named.map((option) => {
      // What may be done in a further stage as well was named for its own.
      const own = option.main.filter((id) => isNamedFor(id, stage.id, protocol))
      return {
        ...option,
        taste:
          option.taste +
          PROTOCOL_VALUE.named * own.length -
          PROTOCOL_VALUE.perHalfMinute * awayFrom(option, protocol),
      }
    }),
  }
}
/** Named for a stage: for its own, or for a further one where the protocol names it after work between. */
const isNamedFor = (id: TechniqueId, stage: StageId, protocol: readonly ProtocolStep[]): boolean =>
  TECHNIQUES[id].alsoIn !== stage ||
  protocol.some(
    ({ technique }, i) =>
      technique === id &&
      protocol.slice(0, i).some((before) => stageRank(before.technique) > stageRank(id)),
  )
function awayFrom(option: Option, protocol: readonly ProtocolStep[]): number {
  return option.main.reduce((sum, technique) => {
    const move = option.moves.find((move) => move.technique === technique)
    const wish = protocol.find((step) => step.technique === technique)
    return (
      sum + (move && wish ? ticksWithin(Math.abs((move.dwell ?? move.minutes) - wish.minutes)) : 0)
    )
  }, 0)
}

/** A protocol as a house offers it; the short one of a pair names the full one. */
interface Offered {
  id: string
  expressOf: string | null
}
/**
 * Of a protocol and the short one that goes with it, the one for a visit of this length; the full one
 * where a house keeps no short one.
 * @param id of either of the two
 */
export function protocolFor<Own extends Offered>(
  offered: readonly Own[],
  id: string,
  minutes: number,
): Own | undefined {
  const named = offered.find((own) => own.id === id)
  const full = offered.find((own) => own.id === named?.expressOf) ?? named
  const express = offered.find((own) => own.expressOf !== null && own.expressOf === full?.id)
  return express && minutes < STANDARD_FROM_MINUTES ? express : full
}

/**
 * What one version of a protocol changed against another: what is new, what is gone, and what takes
 * other minutes.
 */
export function changedProtocol(
  was: readonly ProtocolStep[],
  now: readonly ProtocolStep[],
): {
  added: ProtocolStep[]
  gone: ProtocolStep[]
  other: { technique: ProtocolStep['technique']; was: number; is: number }[]
} {
  const before = (step: ProtocolStep) => was.find((was) => was.technique === step.technique)
  return {
    added: now.filter((step) => !before(step)),
    gone: was.filter((was) => !now.some((step) => step.technique === was.technique)),
    other: now.flatMap((step) => {
      const earlier = before(step)
      return earlier && earlier.minutes !== step.minutes
        ? [{ technique: step.technique, was: earlier.minutes, is: step.minutes }]
        : []
    }),
  }
}

/** Minutes of the main work that a protocol names. */
export const protocolMinutes = (steps: readonly ProtocolStep[]): number =>
  steps.reduce((sum, step) => sum + step.minutes, 0)

/** The short warming straight before what wants it comes with that, and is not a step of its own. */
const warmsUp = ({ technique }: PlanStep, next: PlanStep | undefined): boolean =>
  next !== undefined && techniqueOf(next).warmedBy === technique

/**
 * What a plan would be kept as: its main steps with their minutes on the hands, or on the skin
 * where they rest.
 */
export function asProtocol(
  steps: readonly PlanStep[],
  restedFor: (key: string) => number | undefined,
): ProtocolStep[] {
  return (
    steps
      .filter((step, i) => !warmsUp(step, steps[i + 1]))
      .filter((step) => canPin(step.technique) && !onlyConnects(step.technique))
      // A protocol names each technique once; what a plan has twice is named by its first place.
      .filter((step, i, all) => all.findIndex((own) => own.technique === step.technique) === i)
      .map((step) => ({
        technique: step.technique,
        ...(step.own ? { own: step.own } : {}),
        minutes: restedFor(step.key) ?? step.minutes,
      }))
  )
}
