import type { PlanStep } from '../catalogue/techniques/step'
import { CONSENTS, type ConsentId } from '../catalogue/consultation/consents'
import { consentsFor, needsGuardian } from '../screening/consent'
import { checkPlan } from '../planning/checks/check'
import type { PlanInput } from '../planning/input'

export type StopName = 'ask' | 'read' | 'plan'
export interface OpenPoint {
  stop: StopName
  text: string
}

export interface ReadySource {
  input: PlanInput
  steps: readonly PlanStep[]
  /** Kinds whose signature stands today. */ consented: readonly ConsentId[]
  /** Anything signed at all, by whomever. */ signed: boolean
  trainee: boolean
  countersigned: boolean
  age: number | null
}

/** What is still open before a treatment may start; nothing hidden blocks. */
export function readyToTreat(s: ReadySource): OpenPoint[] {
  const out: OpenPoint[] = []
  const { verdict } = s.input
  const known = verdict.prevented.find((b) => b.ask === undefined)
  if (known) out.push({ stop: 'ask', text: known.sentence })
  if (verdict.open.length > 0)
    out.push({ stop: 'ask', text: `${verdict.open.length} questions are not answered.` })
  const asked = verdict.prevented.find((b) => b.ask === 'unsure')
  if (asked) out.push({ stop: 'ask', text: asked.sentence })
  const unsigned = consentsFor(s.steps).filter((k) => !s.consented.includes(k))
  if (unsigned.includes('care'))
    out.push({
      stop: 'ask',
      text:
        s.signed && needsGuardian(s.age)
          ? 'A guardian signs for this client.'
          : 'Consent is not signed.',
    })
  else if (unsigned.length > 0)
    out.push({
      stop: 'ask',
      text: `Consent is not signed for ${unsigned.map((k) => CONSENTS[k].name.toLowerCase()).join(' and ')}.`,
    })
  if (s.input.profile.confidence === 0) out.push({ stop: 'read', text: 'The skin is not read.' })
  if (s.steps.length === 0) out.push({ stop: 'plan', text: 'There is no plan.' })
  else {
    const stops = checkPlan(s.input, s.steps).findings.filter((f) => f.strength === 'stop')
    const first = stops[0]
    if (first)
      out.push({
        stop: 'plan',
        text: stops.length > 1 ? `${first.text} (and ${stops.length - 1} more).` : first.text,
      })
    if (s.trainee && !s.countersigned)
      out.push({ stop: 'plan', text: "A trainee's plan needs a colleague's countersign." })
  }
  return out
}
