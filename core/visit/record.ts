import { aftercareCard } from '../aftercare/card'
import type { PlanStep } from '../catalogue/techniques/step'
import { buildRecord } from '../record/build'
import type { Json } from '../record/canonical'
import { workOf } from '../record/work'
import { fold, type RoomState } from '../treatment/fold'
import { standingHere } from './ready'
import { foldContext, toPlanInput, type VisitBundle } from './bundle'

export function stepsDone(bundle: VisitBundle, state: RoomState): PlanStep[] {
  const all = bundle.plans.filter((p) => p.version > 0).flatMap((p) => p.steps)
  return state.done
    .filter((d) => d.skipped === undefined)
    .flatMap((d) => all.find((s) => s.key === d.key) ?? [])
}

/**
 * The parts of a record, from what is stored. The same bundle gives the same parts, in the browser
 * before sealing and on the server when it seals.
 */
export function recordParts(bundle: VisitBundle, text: string): { name: string; content: Json }[] {
  const input = toPlanInput(bundle)
  const state = fold(bundle.events, foldContext(bundle, input))
  const done = stepsDone(bundle, state)
  const draft = buildRecord({
    state,
    firstPlan: bundle.plans.find((p) => p.version === 1)?.steps ?? [],
    lastPlan: bundle.plans.find((p) => p.version === state.version)?.steps ?? [],
    shelf: bundle.shelf,
    faceSize: input.faceSize,
    lotOf: (productId) => {
      const lots =
        bundle.shelf.find((s) => s.product.id === productId)?.lots.filter((l) => !l.recalled) ?? []
      return (lots.find((l) => l.openedOn !== undefined) ?? lots[0])?.code ?? null
    },
  })
  const card = aftercareCard(
    done.map((s) => s.technique),
    state.stopped !== undefined,
    state.finishedAt ?? bundle.now,
  )
  const plain = (v: unknown) => JSON.parse(JSON.stringify(v)) as Json
  return [
    {
      name: 'visit',
      content: plain({
        id: bundle.visit.id,
        startsAt: new Date(bundle.visit.startsAt).toISOString(),
        minutes: bundle.visit.minutes,
        client: bundle.client.name,
        therapist: bundle.staff.name,
        room: bundle.room.name,
        practice: bundle.practice.name,
      }),
    },
    {
      name: 'consultation',
      content: plain({
        answers: bundle.answers,
        medicines: bundle.client.medicines,
        consent: bundle.consent,
        consents: standingHere(bundle),
        setAside: bundle.lifts,
        houseRules: bundle.houseRules,
        preferences: bundle.client.preferences,
      }),
    },
    {
      name: 'reading',
      content: plain({
        ...bundle.readings,
        whole: bundle.whole,
        meters: bundle.meters.today,
        halves: bundle.halves,
      }),
    },
    { name: 'treatment', content: plain(draft) },
    {
      name: 'aftercare',
      content: plain(card.map((c) => ({ ...c, until: new Date(c.until).toISOString() }))),
    },
    { name: 'notes', content: text },
    { name: 'work', content: plain(workOf(input, done)) },
  ]
}
