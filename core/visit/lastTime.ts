import { howMany } from '../words'
import type { RecordDraft, RecordLine } from '../record/build'
import { isMain, shortName } from '../catalogue/techniques/traits'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../catalogue/techniques/techniques'
import { TOOK_TOO_MUCH, type Feel } from '../catalogue/rules/feel'
import { DRANK_FROM } from '../catalogue/products/watering'
import { nameRegions } from '../face/regions'
import { REGION_IDS, type RegionId } from '../face/zones'
import type { PastWork } from '../load/rest'
import type { Absorbed } from '../treatment/step/absorption'

/** How one technique went at the last sealed visit, as far as its record says. */
export interface LastTime {
  technique: TechniqueId
  /** Hands-on minutes as done. */ minutes?: number
  /** Minutes it rested. */ dwell?: number
  /** Where the device ended. */ setting?: number
  millilitres?: number
  /** Pads until one stayed clean. */
  pads?: number
  /** Water additions. */
  water?: number
  /** Zones that drank it. */
  drank?: RegionId[]
  /** How it felt to the client. */
  felt?: Feel
}

const isTechnique = (id: unknown): id is TechniqueId => TECHNIQUE_IDS.includes(id as TechniqueId)

/** What a sealed record says of each technique that was done; the last of each, if done twice. */
export function lastTimes(treatment: Pick<RecordDraft, 'lines'> | null | undefined): LastTime[] {
  const by = new Map<TechniqueId, LastTime>()
  for (const line of treatment?.lines ?? []) {
    if (!isTechnique(line.technique) || line.actualMinutes === null) continue
    by.set(line.technique, {
      technique: line.technique,
      minutes: line.actualMinutes,
      ...saidOf(line),
    })
  }
  return [...by.values()]
}

/** What a line of the record says beside its minutes. */
function saidOf({
  dwellMinutes: dwell,
  setting,
  product,
  absorbed = {},
  pads = [],
  water,
  felt,
}: RecordLine): Omit<LastTime, 'technique' | 'minutes'> {
  const millilitres = product?.takenMl ?? undefined
  const drank = drankIn(absorbed)
  return {
    ...(dwell === undefined ? {} : { dwell }),
    ...(setting === undefined ? {} : { setting }),
    ...(millilitres === undefined ? {} : { millilitres }),
    ...(pads.length === 0 ? {} : { pads: pads.length }),
    ...(water === undefined ? {} : { water }),
    ...(drank.length === 0 ? {} : { drank }),
    ...(felt === undefined ? {} : { felt }),
  }
}

/** "14 min, rested 12, vacuum 12 kPa, 0.8 mL": how it went, shown where it acts. */
export function lastTimeWords({
  technique,
  minutes,
  dwell,
  setting,
  millilitres,
  pads,
  water,
  drank = [],
  felt,
}: LastTime): string {
  const dial = TECHNIQUES[technique].setting
  return [
    minutes === undefined ? '' : `${minutes} min`,
    dwell === undefined ? '' : `rested ${dwell}`,
    setting === undefined || !dial ? '' : `${dial.label.toLowerCase()} ${setting} ${dial.unit}`,
    millilitres === undefined ? '' : `${millilitres} mL`,
    pads === undefined ? '' : howMany(pads, 'pad'),
    water === undefined ? '' : `water added ${water} times`,
    drank.length === 0 ? '' : `${nameRegions(drank)} absorbed it at once`,
    feltWords(felt),
  ]
    .filter(Boolean)
    .join(', ')
}

/** "felt tight: try a milder one". */
const feltWords = (felt: Feel | undefined): string =>
  felt === undefined
    ? ''
    : `felt ${felt}${TOOK_TOO_MUCH.includes(felt) ? ': try a milder one' : ''}`

const drankIn = (absorbed: Absorbed): RegionId[] =>
  REGION_IDS.filter((region) => (absorbed[region] ?? 0) >= DRANK_FROM)
/** Every zone that drank something last time. */
export const drankLastTime = (times: readonly LastTime[]): RegionId[] =>
  REGION_IDS.filter((region) => times.some(({ drank }) => drank?.includes(region)))

/** Where each device begins today: where it ended last time. */
export const lastSettings = (times: readonly LastTime[]): Partial<Record<TechniqueId, number>> =>
  Object.fromEntries(
    times.flatMap(({ technique, setting }) =>
      setting === undefined ? [] : [[technique, setting]],
    ),
  )

/** The last visit in words: its day, what was done that the skin felt, and how it was taken. */
export function lastVisitWords(
  past: readonly PastWork[],
  reactions: readonly { day: string; what: string; productName: string }[],
): { day: string; badly: boolean; text: string } | undefined {
  const [last] = [...past].sort((one, other) => (one.day < other.day ? 1 : -1))
  if (!last) return undefined
  const done = TECHNIQUE_IDS.filter((id) => last.techniques?.includes(id) && isMain(id))
    .filter((id) => TECHNIQUES[id].families.length > 0)
    .map((id) => shortName(id).toLowerCase())
  const reacted = reactions
    .filter((reaction) => reaction.day >= last.day)
    .map((reaction) => `${reaction.what} with ${reaction.productName}`)
  const badly = last.taken === 'badly'
  const taken = badly ? 'it was too much' : last.taken === 'well' ? 'taken well' : ''
  return {
    day: last.day,
    badly: badly || reacted.length > 0,
    text: [done.join(', ') || 'a gentle facial', taken, ...reacted].filter(Boolean).join('; '),
  }
}
