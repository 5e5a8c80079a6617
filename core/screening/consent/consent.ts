import { GUARDIAN_AGE } from '../../catalogue/rules/screening'
import type { FamilyId, LicenceId } from '../../catalogue/kinds'
import { REGION_IDS } from '../../face/zones'
import type { Bar } from '../verdict/verdict'
import { CONSENT_IDS, CONSENTS, type ConsentId } from '../../catalogue/consultation/consents'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { addDays } from '../asking/days'

/**
 * Whether a guardian signs.
 * @param age in years; null where it is not known
 */
export const needsGuardian = (age: number | null) => age !== null && age < GUARDIAN_AGE

/** A signature as it was given: for what, when (ISO day), by a guardian or the client. */
export interface Signature {
  kinds: readonly ConsentId[]
  day: string
  guardian: boolean
  at: number
}
/** A signature taken back. */
export interface Withdrawal {
  kinds: readonly ConsentId[]
  at: number
}
export interface Standing {
  kind: ConsentId
  until: string
  at: number
  guardian: boolean
}

/**
 * What stands today: the latest signature of each kind that has not run out and was not taken back
 * after it was given.
 * @param minor only a guardian's signature counts
 */
export function standing(
  signatures: readonly Signature[],
  withdrawals: readonly Withdrawal[],
  today: string,
  minor: boolean,
): Standing[] {
  return CONSENT_IDS.flatMap((kind) => {
    const last = signatures
      .filter((signature) => signature.kinds.includes(kind) && (!minor || signature.guardian))
      .sort((one, other) => other.at - one.at)[0]
    if (
      !last ||
      withdrawals.some((withdrawal) => withdrawal.kinds.includes(kind) && withdrawal.at >= last.at)
    )
      return []
    const until = addDays(last.day, CONSENTS[kind].days)
    return until <= today ? [] : [{ kind, until, at: last.at, guardian: last.guardian }]
  })
}

/**
 * Kinds of work that today's bars leave nowhere to be done, each with the first reason: nobody is
 * asked to sign for those. A kind that is named by no family is never barred.
 */
export function barredConsents(bars: readonly Bar[]): Partial<Record<ConsentId, string>> {
  const everywhere = (family: FamilyId) =>
    bars.find(
      (bar) =>
        bar.does !== 'restricts' &&
        bar.ask === undefined &&
        bar.families.includes(family) &&
        bar.regions.length === REGION_IDS.length,
    )
  return Object.fromEntries(
    CONSENT_IDS.flatMap((kind) => {
      const { families } = CONSENTS[kind]
      const why = families.map(everywhere)
      return families.length > 0 && why.every((barred) => barred !== undefined)
        ? [[kind, why[0]?.sentence ?? '']]
        : []
    }),
  )
}

/** The kinds a plan needs: care always, others by the families of its steps. */
export function consentsFor(steps: readonly Pick<PlanStep, 'technique'>[]): ConsentId[] {
  return CONSENT_IDS.filter(
    (kind) =>
      kind === 'care' ||
      steps.some((step) =>
        techniqueOf(step).families.some((family) => CONSENTS[kind].families.includes(family)),
      ),
  )
}

/** Which licences a kind of work needs before a consent to it is offered; none for the others. */
const NEEDS_ONE_OF: Partial<Record<ConsentId, readonly LicenceId[]>> = {
  machine: ['machine'],
  current: ['current'],
  needling: ['needling025', 'needling05'],
}

/** What is offered for signing: what this therapist may do here, and whatever the plan asks for. */
export function offeredConsents(
  licences: readonly LicenceId[],
  steps: readonly Pick<PlanStep, 'technique'>[],
): ConsentId[] {
  const planned = consentsFor(steps)
  const mayDo = (kind: ConsentId) =>
    NEEDS_ONE_OF[kind]?.some((licence) => licences.includes(licence)) ?? true
  return CONSENT_IDS.filter((kind) => mayDo(kind) || planned.includes(kind))
}
