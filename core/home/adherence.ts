import { HOME_STEPS, type HomeStepId } from '../catalogue/home/homeSteps'
import { NIGHTS, type NightId } from '../catalogue/home/nightRows'
import { KEPT_RULES, PACK_LEFT, type KeptLevel, type PackLeft } from '../catalogue/rules/adherence'
import type { Answers } from '../screening/asking/answers'
import { daysBetween } from '../screening/asking/days'
import { ZONE_IDS } from '../face/zones'
import { READING_NAMES, type Readings } from '../skin/readings'
import { readWater, waterWords, type WaterForecast } from '../treatment/step/water'
import { ALL_PERCENT, WEEK_DAYS } from '../units'
import type { HomeAsked } from './asked'
import type { HomeRoutine } from './routine'

/** One thing that speaks for or against a routine being kept. */
export interface KeptSign {
  speaks: 'for' | 'against'
  say: string
}
export interface Adherence {
  level: KeptLevel
  signs: KeptSign[]
}
/** What can be seen of home at a visit; what is not known is left out and says nothing. */
export interface AdherenceSource {
  /** The routine that was in force until today. */
  routine: HomeRoutine | null
  /** ISO day of the visit. */
  today: string
  answers: Answers
  packs: HomeAsked['packs']
  /** Millilitres of a new pack, by step; only where the product is one of the shelf. */
  packMillilitres: Partial<Record<HomeStepId, number>>
  /** Water additions, counted to their end, against their forecast. */
  water: { count: number; forecast: WaterForecast } | null
  /** Read before and today, in the same way. */
  skin: { before: Readings; now: Readings } | null
}

/**
 * How a routine is likely kept: likely where everything speaks for it, not where everything speaks
 * against it, partly where both do. A question for the client, never a reproach.
 */
export function adherenceOf(source: AdherenceSource): Adherence {
  const signs = [
    ...waterSigns(source),
    ...eveningSigns(source),
    ...packSigns(source),
    ...skinSigns(source),
  ]
  const speaks = (side: KeptSign['speaks']) => signs.some((sign) => sign.speaks === side)
  const level = speaks('for')
    ? speaks('against')
      ? 'partly'
      : 'likely'
    : speaks('against')
      ? 'not'
      : 'unknown'
  return { level, signs }
}

/** Only a count that has ended says something: at the first addition it is always low. */
function waterSigns({ water }: AdherenceSource): KeptSign[] {
  if (!water) return []
  const { reads } = readWater(water.count, water.forecast)
  const say = `water added ${water.count} times, expected ${waterWords(water.forecast)}`
  return [{ speaks: reads === 'more' ? 'against' : 'for', say }]
}

/** Evenings a week as they were written, from the routine's first day to the day before the visit. */
function writtenPerWeek({ from, nights }: HomeRoutine, id: NightId, today: string): number {
  const days = daysBetween(from, today)
  const held = nights.filter((night) => night.id === id && night.day < today).length
  return days < WEEK_DAYS ? 0 : (held * WEEK_DAYS) / days
}

function eveningSigns({ routine, answers, today }: AdherenceSource): KeptSign[] {
  if (!routine) return []
  const { keptFrom, notBelow } = KEPT_RULES.evenings
  return (Object.keys(NIGHTS) as NightId[]).flatMap((id): KeptSign[] => {
    const { finding, name } = NIGHTS[id]
    const answer = finding && answers[finding]
    const written = writtenPerWeek(routine, id, today)
    if (!answer || answer.say === 'unsure' || written === 0) return []
    const told = answer.say === 'no' ? 0 : answer.perWeek
    if (told === undefined) return []
    const percent = (told / written) * ALL_PERCENT
    if (percent >= notBelow && percent < keptFrom) return []
    const say = `${name.toLowerCase()}: ${told} evenings a week, ${written.toFixed(1)} were written`
    return [{ speaks: percent < notBelow ? 'against' : 'for', say }]
  })
}

/** What should be left of a pack that was begun with the routine, per cent. */
export function packExpected(
  id: HomeStepId,
  {
    routine,
    today,
    packMillilitres,
  }: Pick<AdherenceSource, 'routine' | 'today' | 'packMillilitres'>,
): number | undefined {
  const pack = packMillilitres[id]
  if (!routine || pack === undefined) return undefined
  const times = [routine.morning, routine.evening].filter((lines) =>
    lines.some((line) => line.id === id),
  ).length
  const used = Math.max(0, daysBetween(routine.from, today)) * times * HOME_STEPS[id].millilitres
  return times === 0 ? undefined : Math.max(0, ALL_PERCENT - (used / pack) * ALL_PERCENT)
}

function packSigns(source: AdherenceSource): KeptSign[] {
  return (Object.entries(source.packs) as [HomeStepId, PackLeft][]).flatMap(([id, left]) => {
    const expected = packExpected(id, source)
    // Too little gone by to tell a pack that is used from one that is not.
    if (expected === undefined || ALL_PERCENT - expected <= KEPT_RULES.packOff) return []
    const { percent, words } = PACK_LEFT[left]
    const say = `${HOME_STEPS[id].name.toLowerCase()}: ${words} left, about ${Math.round(expected)} % expected`
    return [{ speaks: percent - expected > KEPT_RULES.packOff ? 'against' : 'for', say }]
  })
}

/** The course of the skin: only a change that is more than its noise, in zones enough. */
function skinSigns({ skin }: AdherenceSource): KeptSign[] {
  if (!skin) return []
  const { better, grades, zones } = KEPT_RULES.skin
  return (Object.keys(better) as (keyof typeof better)[]).flatMap((reading): KeptSign[] => {
    const changes = ZONE_IDS.flatMap((zone) => {
      const now = skin.now[zone]?.[reading]
      const before = skin.before[zone]?.[reading]
      return now === undefined || before === undefined ? [] : [(now - before) * better[reading]]
    })
    const up = changes.filter((change) => change >= grades).length
    const down = changes.filter((change) => change <= -grades).length
    const name = READING_NAMES[reading].toLowerCase()
    if (up >= zones && down === 0)
      return [{ speaks: 'for', say: `${name} is better in ${up} zones` }]
    if (down >= zones && up === 0)
      return [{ speaks: 'against', say: `${name} is worse in ${down} zones` }]
    return []
  })
}
