import { familiesOfStep } from '../catalogue/products/families'
import type { Lot } from '../catalogue/products/products'
import { AFTERCARE, MINDS_LIGHT } from '../catalogue/rules/aftercare'
import { goodUntil } from '../hygiene/opened'
import { alongside } from '../planning/today/alongside'
import { openedFor } from '../dosing/amount'
import { doseOf } from '../dosing/layers'
import { bottleInHand } from '../planning/today/bottles'
import { aftercareCard, type AftercareLine } from '../aftercare/card'
import type { PlanStep } from '../catalogue/techniques/step'
import { buildRecord, type RecordDraft } from '../record/build'
import { workOf, type SealedWork } from '../record/work'
import { reactsToLight } from '../screening/products/kitchen'
import type { PlanInput, ShelfItem } from '../planning/input'
import { fold, type RoomState } from '../treatment/fold/fold'
import { standingHere } from './ready'
import { toPlanInput } from './planInput'
import { foldContext } from './roomContext'
import type { VisitBundle } from './bundle'

/** What was done, each step as its own version of the plan had it, on the zones it was done on. */
export function stepsDone(
  { plans }: Pick<VisitBundle, 'plans'>,
  { done }: Pick<RoomState, 'done'>,
): PlanStep[] {
  const frozen = plans.filter(({ version }) => version > 0)
  return done
    .filter(({ skipped }) => skipped === undefined)
    .flatMap(({ key, version, regions }) => {
      const own = frozen.find((plan) => plan.version === version)?.steps ?? []
      const step = [...own, ...frozen.flatMap(({ steps }) => steps)].find((one) => one.key === key)
      return step ? [regions === undefined ? step : { ...step, regions }] : []
    })
}

/** A step with the bottle that was used, not the one that was planned. */
const asUsed = (step: PlanStep, { products }: RoomState): PlanStep => {
  const productId = products[step.key]?.productId
  return productId === undefined ? step : { ...step, productId }
}

/**
 * The parts of a record, from what is stored. The same bundle gives the same parts, in the browser
 * before sealing and on the server when it seals.
 */
export function recordParts(
  bundle: VisitBundle,
  text: string,
): { name: string; content: unknown }[] {
  const input = toPlanInput(bundle)
  const state = fold(bundle.events, foldContext(bundle, input))
  const done = stepsDone(bundle, state)
  const card = aftercareCard(
    done.map((step) => step.technique),
    state.stopped !== undefined,
    state.finishedAt ?? bundle.now,
    {
      held: done.flatMap((step) => familiesOfStep(asUsed(step, state), bundle.shelf)),
      // A half that is kept here goes home with nobody.
      halfLeft:
        !bundle.openHalves.some(({ visitId }) => visitId === bundle.visit.id) &&
        done.some((step) => halfIsLeft(asUsed(step, state), state, input)),
      lightReactive: done.some((step) =>
        bundle.shelf.some(
          ({ product }) => product.id === asUsed(step, state).productId && reactsToLight(product),
        ),
      ),
      marks: mindsLight(input),
    },
  )
  const aftercare = card.map((line) => {
    const until = line.rule === HALF_LEFT ? halfUntil(bundle, state) : line.until
    return { ...line, until: new Date(until).toISOString() }
  })
  return [
    part('visit', visitPart(bundle)),
    part('consultation', consultationPart(bundle)),
    part('reading', readingPart(bundle)),
    part('treatment', treatmentPart(bundle, state, input)),
    part('aftercare', aftercare),
    { name: 'notes', content: text },
    part(
      'work',
      workOf(
        input,
        done.map((step) => asUsed(step, state)),
        state,
        bundle.visit.taken ?? undefined,
      ),
    ),
  ]
}

const HALF_LEFT = AFTERCARE.find(({ after }) => after === 'halfLeft')?.id
/** Until when half of a piece is good that was opened at this visit. */
const halfUntil = ({ now, practice }: VisitBundle, { finishedAt }: RoomState): number =>
  goodUntil('half', finishedAt ?? now, practice.timeZone)

/** Whether this skin marks easily, or what the client has or takes makes it mind the light. */
const mindsLight = ({ profile, answers }: Pick<PlanInput, 'profile' | 'answers'>): boolean =>
  profile.conditions.includes('marksEasily') ||
  MINDS_LIGHT.some((finding) => ![undefined, 'no'].includes(answers[finding]?.say))

/** Half of what was opened for a step was not used: a stop leaves nothing to go home with. */
function halfIsLeft(step: PlanStep, { taken, stopped }: RoomState, input: PlanInput): boolean {
  const product = input.shelf.find((item) => item.product.id === step.productId)?.product
  if (!product || stopped || isOwnHalf(step, input)) return false
  const used = taken[step.key]?.millilitres ?? doseOf(step, product, input).millilitres
  return used > 0 && openedFor(product, used) > used
}

/** It was the other half already. */
const isOwnHalf = (step: PlanStep, { shelf, today }: PlanInput): boolean => {
  const item = shelf.find(({ product }) => product.id === step.productId)
  return item !== undefined && bottleInHand(item.product, item.lots, today)?.half !== undefined
}

const part = (name: string, content: unknown): { name: string; content: unknown } => ({
  name,
  content: JSON.parse(JSON.stringify(content)),
})

const visitPart = ({ visit, client, staff, room, practice }: VisitBundle) => ({
  id: visit.id,
  startsAt: new Date(visit.at).toISOString(),
  bookedFor: new Date(visit.startsAt).toISOString(),
  minutes: visit.minutes,
  client: client.name,
  born: client.born,
  therapist: staff.name,
  room: room.name,
  practice: practice.name,
  taken: visit.taken,
})

const consultationPart = (bundle: VisitBundle) => ({
  answers: bundle.answers,
  worn: bundle.visit.makeUp,
  medicines: bundle.client.medicines,
  consent: bundle.consent,
  consents: standingHere(bundle),
  setAside: bundle.lifts,
  houseRules: bundle.houseRules,
  preferences: bundle.client.preferences,
})

const readingPart = (bundle: VisitBundle) => ({
  ...bundle.readings,
  whole: bundle.whole,
  meters: bundle.meters.today,
  halves: bundle.halves,
  photographs: bundle.photographs,
})

const treatmentPart = (bundle: VisitBundle, state: RoomState, input: PlanInput) =>
  buildRecord({
    skin: input.profile,
    daylight: input.daylight,
    state,
    firstPlan: bundle.plans.find((plan) => plan.version === 1)?.steps ?? [],
    done: stepsDone(bundle, state),
    lastPlan: bundle.plans.find((plan) => plan.version === state.version)?.steps ?? [],
    shelf: bundle.shelf,
    dose: input,
    lotOf: (productId, needed, at) => lotUsed(bundle, productId, needed, at ?? bundle.now),
    alongOf: (step) => alongside(step, { ...input, shelf: asItStood(bundle, state) }),
  })

const notYetRecalled = (lot: Lot, at: number): Lot =>
  lot.recalled && (lot.recalledAt ?? 0) >= at ? { ...lot, recalled: false } : lot
/** The shelf when the treatment began: what was called back since was in use. */
const asItStood = ({ shelf, visit }: VisitBundle, { startedAt }: RoomState): ShelfItem[] =>
  shelf.map(({ product, lots }) => ({
    product,
    lots: lots.map((lot) => notYetRecalled(lot, startedAt ?? visit.at)),
  }))

/**
 * The bottle that was in hand at a moment: one that was called back later was in use until then, and
 * where nothing else stood there it was that one all the same. Its code is never left out.
 * @param at milliseconds since 1970
 */
function lotUsed(
  { shelf, today }: VisitBundle,
  productId: string,
  needed: number,
  at: number,
): Lot | null {
  const item = shelf.find((one) => one.product.id === productId)
  if (!item) return null
  const then = item.lots.map((lot) => notYetRecalled(lot, at))
  const whichever = item.lots.map((lot) => ({ ...lot, recalled: false }))
  const found =
    bottleInHand(item.product, then, today, needed) ??
    bottleInHand(item.product, whichever, today, needed)
  return found ?? null
}

/** A line of the card as it stands on the record: its end as an ISO moment. */
export type AftercareOnRecord = Omit<AftercareLine, 'until'> & { until: string }

/** The parts of a record that are read again, whether sealed or still being written. */
export function readParts(parts: readonly { name: string; content: unknown }[]): {
  treatment: RecordDraft | null
  aftercare: AftercareOnRecord[]
  notes: string | null
  work: SealedWork | null
} {
  const find = (name: string): unknown => parts.find((one) => one.name === name)?.content ?? null
  return {
    treatment: find('treatment') as RecordDraft | null,
    aftercare: (find('aftercare') as AftercareOnRecord[] | null) ?? [],
    notes: find('notes') as string | null,
    work: find('work') as SealedWork | null,
  }
}
