import { CONTRAINDICATIONS } from '../catalogue/consultation/contraindications'
import { UNKNOWN_WORD } from '../screening/verdict/verdict'
import type { PlanStep } from '../catalogue/techniques/step'
import { techniqueOf } from '../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { SIGN_NAMES, STOP_STEP_WORDS } from '../catalogue/rules/stopRules'
import { placeOf } from '../catalogue/techniques/traits'
import { nameRegions, REGION_NAMES } from '../face/regions'
import type { AbsorbedGrade } from '../catalogue/products/watering'
import type { RegionId } from '../face/zones'
import type { Profile } from '../skin/profile'
import type { Readings } from '../skin/readings'
import type { Breach, Reaction, RoomState } from '../treatment/fold/fold'
import type { Fitting } from '../catalogue/techniques/technique'
import { fittingsOf } from '../treatment/step/fitting'
import type { Feel } from '../catalogue/rules/feel'
import { leftWords, withoutLeft } from '../treatment/stop/leftZones'
import { suspectedWords } from '../treatment/stop/suspects'
import { alongOn, productOn, type BottleOnRecord, type BottleSource } from './bottles'
import { rushedThrough } from './rushed'
import { whyOf, type WhyOnRecord } from './asksWhy'
import { deviationsOf, half } from './deviations'

export interface RecordLine extends WhyOnRecord {
  key: string
  /** Records of earlier versions do not say. */
  technique?: string
  name: string
  zones: string
  plannedMinutes: number | null
  actualMinutes: number | null
  product: BottleOnRecord | null
  /** What it took beside that: each a bottle of its own. */
  along?: readonly BottleOnRecord[]
  passes: number | null
  /** Where the device ended. */
  setting?: number
  /** Minutes it rested on the skin. */
  dwellMinutes?: number
  /** How the zones took it, 0 to 3. */
  absorbed?: Partial<Record<RegionId, AbsorbedGrade>>
  /** Pads graded 0 to 3, in their order. */
  pads?: readonly number[]
  /** Water additions. */
  water?: number
  /** What was counted on each zone. */
  counted?: Partial<Record<RegionId, number>>
  /** Heads and electrodes that were on, in their order. */
  fittings?: readonly string[]
  /** What it went over, in that order: toner, gauze. */
  over?: readonly string[]
  /** How the skin felt to the client after it. */
  felt?: Feel
  /** The highest level that the device itself said. */
  deviceLevel?: number
  /** What was seen to before it, in the words it was asked in. */
  confirmed?: readonly string[]
  deviation: string | null
}
export interface RecordDraft {
  startedAt: string | null
  finishedAt: string | null
  plannedMinutes: number
  actualMinutes: number | null
  lines: readonly RecordLine[]
  reactions: readonly { at: string; text: string; verdict: string }[]
  stopped: { at: string; reason: string; done: readonly string[] } | null
  contraActions: readonly {
    at: string
    what: string
    where: string
    done: string
    suspected: string | null
    /** A tool, its level or its warmth, in words. */
    suspectedWork?: string
  }[]
  notes: readonly { at: string; text: string }[]
  /** Minutes of a visit that was tapped through rather than timed. */
  rushed?: { clock: number; planned: number }
  /** Done although the rules do not allow it, and taps that named nothing. */
  breaches?: readonly { at: string; what: string; who: string | null }[]
  unknown?: readonly { at: string; what: string }[]
  versions: readonly { version: number; reason: string }[]
  readings: Readings | null
}

interface RecordSource extends BottleSource {
  /** Whose skin it is: the electrode that was on unasked follows from it. */
  skin?: Pick<Profile, 'age' | 'regions'>
  state: RoomState
  firstPlan: readonly PlanStep[]
  lastPlan: readonly PlanStep[]
  /** The client goes out into daylight after it. */
  daylight?: boolean
  /** What was done, whichever version it stood in, on the zones it was done on. */
  done: readonly PlanStep[]
}

const iso = (ms: number) => new Date(ms).toISOString()

/** Writes the treatment down from its taps: planned against actual, with each deviation named. */
export function buildRecord(src: RecordSource): RecordDraft {
  const { state, firstPlan, lastPlan, done: did } = src
  const lines = linesOf(src)
  const end = state.finishedAt
  const rushed = rushedThrough(state, [...did, ...lastPlan, ...firstPlan])
  return {
    startedAt: state.startedAt === undefined ? null : iso(state.startedAt),
    finishedAt: end === undefined ? null : iso(end),
    plannedMinutes: firstPlan.reduce((sum, step) => sum + step.minutes, 0),
    actualMinutes:
      state.startedAt === undefined || end === undefined ? null : half(end - state.startedAt),
    lines,
    reactions: state.reactions.map(reactionLine),
    stopped: state.stopped
      ? {
          at: iso(state.stopped.at),
          reason: state.stopped.reason,
          done: state.stopped.steps.map((step) => STOP_STEP_WORDS[step]),
        }
      : null,
    contraActions: state.contraActions.map((contraAction) => ({
      at: iso(contraAction.at),
      what: contraAction.body.what,
      where: nameRegions(contraAction.body.where),
      done: contraAction.body.done,
      suspected: contraAction.body.suspected,
      ...(contraAction.body.suspectedWork
        ? { suspectedWork: suspectedWords(contraAction.body.suspectedWork) }
        : {}),
    })),
    notes: state.notes.map((note) => ({ at: iso(note.at), text: note.text })),
    ...(rushed ? { rushed } : {}),
    ...(state.breaches.length > 0
      ? { breaches: state.breaches.map((breach) => breachLine(breach, src)) }
      : {}),
    ...(state.unknown.length > 0
      ? { unknown: state.unknown.map(({ at, names }) => ({ at: iso(at), what: names })) }
      : {}),
    versions: state.replans.map((replan) => ({ version: replan.version, reason: replan.reason })),
    readings: state.readings ?? null,
  }
}

/**
 * A line for every step of the plan as it ended, for what was done outside it, and for what was
 * planned at first and has gone. What had begun is done, wherever it stood.
 */
function linesOf(src: RecordSource): RecordLine[] {
  const { firstPlan, lastPlan, done } = src
  const outside = done.filter(({ key }) => !lastPlan.some((kept) => kept.key === key))
  const last = lastPlan.map((step) => done.find(({ key }) => key === step.key) ?? step)
  const there = [...last, ...outside]
  const gone = firstPlan.filter(({ key }) => !there.some((kept) => kept.key === key))
  return [
    ...there.map((step) => lineFor(step, src)),
    ...gone.map((step) => {
      // Whoever made the new plan has said why.
      const { asksWhy: _asks, saidWhy: _said, ...line } = lineFor(step, src)
      return { ...line, actualMinutes: null, deviation: 'planned at first, then left out' }
    }),
  ]
}

/** A house's own name says what it is, so that another house can read it. */
function nameHere(step: PlanStep): string {
  const { own } = step
  if (!own) return TECHNIQUES[step.technique].name
  const by = own.device ? `, with ${own.device.name}` : ''
  return `${own.name} (${TECHNIQUES[own.from].name.toLowerCase()}${by})`
}

function lineFor(step: PlanStep, src: RecordSource): RecordLine {
  const { state, firstPlan } = src
  const done = state.done.find(({ key }) => key === step.key)
  const planned = firstPlan.find(({ key }) => key === step.key)
  const actual =
    done && done.skipped === undefined ? half(done.endedAt - done.beganAt - done.heldMs) : null
  const deviations = [
    ...(planned ? [] : ['added later']),
    ...(done ? [] : notDone(step, state)),
    ...deviationsOf(step, actual, state),
    ...(state.reasons[step.key] ? [`because: ${state.reasons[step.key]}`] : []),
  ]
  return {
    key: step.key,
    technique: step.technique,
    name: nameHere(step),
    zones: placeOf(step),
    plannedMinutes: planned ? planned.minutes : null,
    actualMinutes: actual,
    product: productOn(step, src, done?.endedAt),
    ...alongOn(step, src, done?.endedAt),
    ...countedIn(step, state),
    ...(done ? { ...setTo(step, state), ...saidWith(step, src) } : {}),
    deviation: deviations.length > 0 ? deviations.join('; ') : null,
    ...whyOf(step, state, src.daylight === true),
  }
}

/** What the device was set to at the end. */
function setTo({ key, setting }: PlanStep, { settings }: RoomState): Pick<RecordLine, 'setting'> {
  const own = settings[key] ?? setting
  return own === undefined ? {} : { setting: own }
}

/** Heads and electrodes that were on, what they went over, and how the skin felt to the client. */
function saidWith(
  step: PlanStep,
  { state, skin }: RecordSource,
): Pick<RecordLine, 'fittings' | 'over' | 'felt'> {
  const names = (is: Fitting['is']) =>
    skin ? fittingsOf(state, step, skin, is).map(({ name }) => name) : []
  const fittings = names('head')
  const over = names('medium')
  const felt = state.felt[step.key]
  return {
    ...(fittings.length > 0 ? { fittings } : {}),
    ...(over.length > 0 ? { over } : {}),
    ...(felt ? { felt } : {}),
  }
}

/** What was graded, rested, added and counted, confirmed, and what the device said of itself. */
function countedIn(
  step: PlanStep,
  { pads, counts, passes, deviceSaid, resting, absorbed, confirmed }: RoomState,
): Pick<
  RecordLine,
  | 'pads'
  | 'water'
  | 'passes'
  | 'counted'
  | 'deviceLevel'
  | 'dwellMinutes'
  | 'absorbed'
  | 'confirmed'
> {
  const { key, technique } = step
  const { counter } = TECHNIQUES[technique]
  const levels = (deviceSaid[key] ?? []).flatMap(({ level }) => level ?? [])
  const rest = resting.find((one) => one.key === key)
  const words = confirmedWords(step, confirmed[key]?.rules ?? [])
  return {
    passes: passes[key] ? Math.max(...Object.values(passes[key])) : null,
    ...(rest?.endedAt === undefined ? {} : { dwellMinutes: half(rest.endedAt - rest.since) }),
    ...(absorbed[key] ? { absorbed: absorbed[key] } : {}),
    ...(words.length > 0 ? { confirmed: words } : {}),
    ...(pads[key] ? { pads: pads[key] } : {}),
    ...(counter !== 'none' && counter.what === 'water' && counts[key] !== undefined
      ? { water: counts[key] }
      : {}),
    ...(passes[key] ? { counted: passes[key] } : {}),
    ...(levels.length > 0 ? { deviceLevel: Math.max(...levels) } : {}),
  }
}

/** Left out because every zone of it had to be left, or simply not done. */
function notDone(step: PlanStep, { left }: RoomState): string[] {
  const zones = step.regions.filter((region) => left[region] !== undefined)
  const spared = zones.length > 0 && withoutLeft(step, left) === undefined
  return spared ? [`left out: ${leftWords(left).join('; ')}`] : ['not done']
}

const BREACH_WORDS: Readonly<Record<Breach['what'], string>> = {
  afterStop: 'done after the stop',
  passOver: 'a pass beyond the limit',
  leftZone: 'done on zones that were to be left',
}
function breachLine({ at, key, what, by }: Breach, { firstPlan, lastPlan }: RecordSource) {
  const step = [...lastPlan, ...firstPlan].find((own) => own.key === key)
  const name = step ? techniqueOf(step).name : key
  return { at: iso(at), what: `${name}: ${BREACH_WORDS[what]}`, who: by ?? null }
}

/** What was ticked before a step, in the words of the rows that asked for it. */
const confirmedWords = (step: PlanStep, rules: readonly string[]): string[] =>
  rules.flatMap((rule) => {
    const row = CONTRAINDICATIONS.find((contraindication) => contraindication.id === rule)
    if (rule === UNKNOWN_WORD) return ['every label read for the allergies named']
    return row?.confirm ?? techniqueOf(step).confirm ?? []
  })

function reactionLine(reaction: Reaction): { at: string; text: string; verdict: string } {
  const { body } = reaction
  const where = body.region === null ? '' : ` on the ${REGION_NAMES[body.region]}`
  const text =
    body.kind === 'redness'
      ? `redness ${body.grade}${where}`
      : body.kind === 'sensation'
        ? `sensation ${body.grade} of 10${where}`
        : `${SIGN_NAMES[body.sign].toLowerCase()}${where}`
  return { at: iso(reaction.at), text, verdict: reaction.judgement.text }
}
