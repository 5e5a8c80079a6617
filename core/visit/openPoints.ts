import { howMany } from '../words'
import { CONSENTS, type ConsentId } from '../catalogue/consultation/consents'
import type { PlanStep } from '../catalogue/techniques/step'
import { checkPlan } from '../planning/checks/check'
import type { PlanInput } from '../planning/input'
import { consentsFor, needsGuardian } from '../screening/consent/consent'
import type { Verdict } from '../screening/verdict/verdict'

export interface OpenPoint {
  stop: 'ask' | 'read' | 'plan'
  text: string
}

/** What Ask hangs on. */
interface AskSource {
  verdict: Pick<Verdict, 'prevented' | 'open'>
  steps: readonly Pick<PlanStep, 'technique'>[]
  /** Kinds whose signature stands today. */
  consented: readonly ConsentId[]
  /** Anything signed at all, by whomever. */
  signed: boolean
  age: number | null
}

interface ReadySource extends AskSource {
  input: PlanInput
  steps: readonly PlanStep[]
  trainee: boolean
  countersigned: boolean
}

/** What is still open in Ask: the one answer to whether it is ready. */
export function openInAsk({ verdict, steps, consented, signed, age }: AskSource): string[] {
  const known = verdict.prevented.find((bar) => bar.ask === undefined)
  const unsure = verdict.prevented.find((bar) => bar.ask === 'unsure')
  const unsigned = consentsFor(steps).filter((kind) => !consented.includes(kind))
  const count = verdict.open.length
  return [
    ...(known ? [known.sentence] : []),
    ...(count > 0 ? [`${howMany(count, 'question is')} not answered.`] : []),
    ...(unsure ? [unsure.sentence] : []),
    ...unsignedWords(unsigned, signed && needsGuardian(age)),
  ]
}

function unsignedWords(unsigned: readonly ConsentId[], wantsGuardian: boolean): string[] {
  if (unsigned.includes('care'))
    return [wantsGuardian ? 'A guardian signs for this client.' : 'Consent is not signed.']
  if (unsigned.length === 0) return []
  const kinds = unsigned.map((kind) => CONSENTS[kind].name.toLowerCase()).join(' and ')
  return [`Consent is not signed for ${kinds}.`]
}

/** What is still open before a treatment may start; nothing hidden blocks. */
export function readyToTreat(source: ReadySource): OpenPoint[] {
  const { input, steps } = source
  return [
    ...openInAsk(source).map((text): OpenPoint => ({ stop: 'ask', text })),
    ...(input.profile.confidence === 0
      ? [{ stop: 'read' as const, text: 'The skin is not read.' }]
      : []),
    ...openInPlan(source, steps),
  ]
}

function openInPlan({ input, trainee, countersigned }: ReadySource, steps: readonly PlanStep[]) {
  const point = (text: string): OpenPoint => ({ stop: 'plan', text })
  if (steps.length === 0) return [point('There is no plan.')]
  // A device that another room has at the moment keeps nobody out: it may be free by then.
  const stops = checkPlan(input, steps).findings.filter(
    ({ strength, rule }) => strength === 'stop' && rule !== 'device-taken',
  )
  const [first] = stops
  const more = stops.length > 1 ? ` (and ${stops.length - 1} more).` : ''
  return [
    ...(first ? [point(`${first.text}${more}`)] : []),
    ...(trainee && !countersigned
      ? [point("A trainee's plan needs a colleague's countersign.")]
      : []),
  ]
}
