import type { EventBody } from '../taps/events'
import type { Draft } from './roomState'

/** Taps that move no clock: what follows from them is that they are there, and how often. */
type Kept = Exclude<
  EventBody,
  {
    kind:
      | 'started'
      | 'stepDone'
      | 'stepSkipped'
      | 'held'
      | 'side'
      | 'fitted'
      | 'resumed'
      | 'redness'
      | 'sensation'
      | 'sign'
      | 'offNow'
      | 'stopped'
      | 'finished'
  }
>

const COUNTS = [
  'passDone',
  'counted',
  'padGraded',
  'notYet',
  'takenBack',
  'swept',
  'calm',
  'deviceSaid',
] as const
type Counted = Extract<Kept, { kind: (typeof COUNTS)[number] }>
const counts = (kept: Kept): kept is Counted =>
  (COUNTS as readonly Kept['kind'][]).includes(kept.kind)

/** What was counted, graded, asked for or seen: each time adds to what was there. */
function add(draft: Draft, at: number, kept: Counted): void {
  switch (kept.kind) {
    case 'passDone':
      return count(draft, kept.key, kept.region, 1)
    case 'counted':
      return count(draft, kept.key, kept.region, kept.by)
    case 'padGraded':
      draft.pads[kept.key] = [...(draft.pads[kept.key] ?? []), kept.grade]
      return
    case 'notYet':
      draft.notYet[kept.key] = (draft.notYet[kept.key] ?? 0) + 1
      return
    case 'takenBack':
      draft.takenBack.push({ at, key: kept.key })
      return
    case 'swept':
      draft.swept.push({ at, key: kept.key, spots: kept.spots })
      return
    case 'calm':
      draft.calm[kept.key] = { at, setting: kept.setting }
      return
    case 'deviceSaid': {
      const said = { at, level: kept.level, fault: kept.fault }
      draft.deviceSaid[kept.key] = [...(draft.deviceSaid[kept.key] ?? []), said]
      return
    }
    default:
      kept satisfies never
  }
}

/** What a tap that only says something leaves in the room. */
export function keep(draft: Draft, at: number, kept: Kept): void {
  if (counts(kept)) return add(draft, at, kept)
  switch (kept.kind) {
    case 'reading':
      draft.readings = kept.zones
      return
    case 'stopStep':
      if (draft.stopped && !draft.stopped.steps.includes(kept.step))
        draft.stopped = {
          ...draft.stopped,
          steps: [...draft.stopped.steps, kept.step],
          doneAt: { ...draft.stopped.doneAt, [kept.step]: at },
        }
      return
    case 'contraAction':
      draft.contraActions.push({ at, body: kept })
      return
    case 'absorbed':
      draft.absorbed[kept.key] = { ...draft.absorbed[kept.key], [kept.region]: kept.grade }
      return
    case 'felt':
    case 'settingChanged':
    case 'productSwapped':
    case 'reasonGiven':
      return replace(draft, at, kept)
    case 'amountTaken':
      draft.taken[kept.key] = {
        at,
        productId: kept.productId,
        lotId: kept.lotId,
        millilitres: kept.millilitres,
        ...(kept.half ? { half: true } : {}),
      }
      return
    case 'replanned':
      if (kept.version <= draft.version) return
      draft.version = kept.version
      draft.replans.push({ at, version: kept.version, reason: kept.reason })
      return
    case 'confirmed': {
      const rules = new Set([...(draft.confirmed[kept.key]?.rules ?? []), ...kept.rules])
      draft.confirmed[kept.key] = { at, rules: [...rules] }
      return
    }
    case 'note':
      draft.notes.push({ at, text: kept.text })
      return
    default:
      // Does not compile while a kind of tap has nothing that follows from it.
      kept satisfies never
  }
}

/** What is said of a step in place of what was said before. */
function replace(
  draft: Draft,
  at: number,
  kept: Extract<Kept, { kind: 'felt' | 'settingChanged' | 'productSwapped' | 'reasonGiven' }>,
): void {
  switch (kept.kind) {
    case 'felt':
      draft.felt[kept.key] = kept.feel
      return
    case 'settingChanged':
      // The same level said once more does not begin its minute anew.
      if (draft.settings[kept.key] !== kept.setting) draft.settingSince[kept.key] = at
      draft.settings[kept.key] = kept.setting
      return
    case 'productSwapped':
      draft.products[kept.key] = { productId: kept.productId, reason: kept.reason }
      return
    case 'reasonGiven':
      draft.reasons[kept.key] = kept.reason
      return
    default:
      kept satisfies never
  }
}

/** One more or one less, by zone or for the step as a whole; never below none. */
function count(draft: Draft, key: string, region: keyof Counts | null, by: number): void {
  if (region === null) {
    draft.counts[key] = Math.max(0, (draft.counts[key] ?? 0) + by)
    return
  }
  const of = draft.passes[key] ?? {}
  draft.passes[key] = { ...of, [region]: Math.max(0, (of[region] ?? 0) + by) }
}
type Counts = Draft['passes'][string]
