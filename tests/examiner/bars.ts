import { GROUPS } from '#core/face/regions'
import { REGION_IDS, ZONES, type RegionId } from '#core/face/zones'
import { plannedGrade } from '#core/skin/profile'
import type { ZoneReading } from '#core/skin/readings'
import { DateTime } from 'luxon'
import { CURRENTS, TAKES_OFF, WORK, type Deed } from './deeds'
import type { Told, Visit } from './visit'

/*
 * What an answer forbids, written from the table of the trade (common practice). A bar binds whatever
 * meets the zone by what it does there.
 */
export interface Forbidden {
  /** Nothing may touch it, or only these deeds are forbidden. */
  deeds: readonly Deed[] | 'touch'
  /** Of bottles only a bland cleanse, cream and sun protection there. */
  bland?: boolean
  where: readonly RegionId[]
  says: string
}
export interface Limits {
  steamMinutes: number
  passes: number
  tolerancePercent: number
}

type Where = 'face' | 'told' | readonly RegionId[]
interface Row {
  told: string
  deeds?: readonly Deed[] | 'touch'
  bland?: true
  where?: Where
  /** Days or hours after it happened in which it stands; for what is to come, days before it. */
  days?: number
  hours?: number
  ahead?: number
  /** Of several kinds of work elsewhere, only this one. */
  work?: string
  steam?: number
  passes?: number
  tolerance?: number
}
const FACE_AND_NECK: readonly RegionId[] = REGION_IDS
const HALF_YEAR = 183
const STRONG_TAKES_OFF: readonly Deed[] = ['acid', 'abrades', 'needles']
const BLAND_ONLY: readonly Deed[] = [...WORK, 'active', 'alcohol']
const NOT_OVER_INJECTED: readonly Deed[] = ['presses', 'heats', 'sucks', ...CURRENTS, 'needles']
const OVER_PUSTULES: readonly Deed[] = [
  'rubs',
  'abrades',
  'sucks',
  'needles',
  'cuts',
  'presses',
  'ultrasound',
  'extracts',
  'heats',
]

const ROWS: readonly Row[] = [
  { told: 'fever', deeds: 'touch' },
  { told: 'infection', deeds: 'touch' },
  { told: 'eyeInfection', deeds: 'touch' },
  { told: 'unexplainedSpot', deeds: 'touch', where: 'told' },
  { told: 'wound', deeds: 'touch', where: 'told' },
  { told: 'eyeSurgery', deeds: 'touch', where: ['eyes'], steam: 3 },
  { told: 'nodes', deeds: ['presses'], where: ['neck', 'jawL', 'jawR'] },
  { told: 'pregnancy', deeds: [...CURRENTS, 'needles', 'peel', 'retinoid'], steam: 3 },
  { told: 'breastfeeding', deeds: [...CURRENTS, 'needles', 'peel', 'retinoid'], steam: 3 },
  { told: 'implantedDevice', deeds: [...CURRENTS, 'ultrasound'] },
  { told: 'heartPressure', deeds: ['spark'], steam: 3 },
  { told: 'epilepsy', deeds: ['shines', ...CURRENTS] },
  { told: 'metal', deeds: CURRENTS, where: 'told' },
  { told: 'asthma', steam: 3 },
  { told: 'slowHealing', deeds: ['needles', 'extracts', 'cuts'] },
  { told: 'bloodThinner', deeds: ['needles', 'extracts', 'sucks', 'cuts'] },
  {
    told: 'isotretinoin',
    deeds: [...STRONG_TAKES_OFF, 'enzyme', 'cuts', 'retinoid'],
    days: HALF_YEAR,
  },
  { told: 'steroids', deeds: ['abrades', 'needles'], tolerance: 50 },
  {
    told: 'steroidCream',
    deeds: ['abrades', 'needles', 'cuts', 'peel', 'rubs'],
    where: 'told',
    tolerance: 50,
  },
  {
    told: 'cancer',
    deeds: [
      ...TAKES_OFF,
      'sucks',
      'heats',
      'extracts',
      'ultrasound',
      'retinoid',
      ...CURRENTS,
      'dries',
    ],
    days: HALF_YEAR,
    tolerance: 37,
  },
  { told: 'clots', deeds: ['presses'], where: ['neck'] },
  { told: 'lightDisease', deeds: ['shines', 'acid'], steam: 3 },
  { told: 'lightMedicine', deeds: ['shines'] },
  { told: 'faceNerve', deeds: ['presses', ...CURRENTS, 'cools'] },
  { told: 'closedSpaces', deeds: ['covers'] },
  { told: 'lashExtensions', deeds: ['heats'] },
  { told: 'lashExtensions', deeds: ['oils'], where: ['eyes'] },
  { told: 'coldSoreHistory', deeds: STRONG_TAKES_OFF, where: ['mouth'] },
  { told: 'keloid', deeds: ['needles'], passes: 1 },
  { told: 'darkMarks', steam: 5, passes: 1, tolerance: 75 },
  { told: 'melasma', steam: 3, passes: 1, tolerance: 75 },
  { told: 'visibleVessels', deeds: ['rubs', 'abrades', 'sucks', 'heats'], where: 'told' },
  { told: 'inflamedAcne', deeds: OVER_PUSTULES, where: 'told' },
  {
    told: 'shavingRash',
    deeds: ['rubs', 'acid', 'peel', 'abrades', 'needles', 'cuts', 'sucks', 'extracts'],
    where: 'told',
  },
  { told: 'eczema', deeds: BLAND_ONLY, bland: true, where: 'told' },
  { told: 'sunburn', deeds: BLAND_ONLY, bland: true, where: 'told' },
  { told: 'sunburn', deeds: [...STRONG_TAKES_OFF, 'cuts', 'peel'] },
  { told: 'toxin', deeds: NOT_OVER_INJECTED, where: 'told', days: 14 },
  { told: 'filler', deeds: NOT_OVER_INJECTED, where: 'told', days: 28 },
  { told: 'threads', deeds: NOT_OVER_INJECTED, where: 'told', days: 84 },
  {
    told: 'dentalWork',
    deeds: ['presses', 'sucks', ...CURRENTS],
    where: ['mouth', 'chin', 'cheekL', 'cheekR', 'jawL', 'jawR'],
    days: 7,
  },
  { told: 'recentTreatment', deeds: [...TAKES_OFF, 'sucks'], where: 'told', days: 28 },
  {
    told: 'recentTreatment',
    work: 'peel',
    deeds: ['heats', 'vapour', 'retinoid', 'active'],
    where: 'told',
    days: 14,
  },
  {
    told: 'recentTreatment',
    work: 'laser',
    deeds: ['heats', 'shines', 'spark', 'retinoid', 'active'],
    where: 'told',
    days: 28,
  },
  {
    told: 'recentTreatment',
    work: 'needling',
    deeds: ['presses', 'heats', 'retinoid', 'active'],
    where: 'told',
    days: 7,
  },
  {
    told: 'recentTreatment',
    work: 'surgery',
    deeds: [...TAKES_OFF, 'sucks', 'presses', 'heats', 'cools', 'extracts', ...CURRENTS],
    where: 'told',
  },
  { told: 'homeScrub', deeds: [...TAKES_OFF, 'ultrasound'], days: 3 },
  { told: 'eventSoon', deeds: ['acid', 'needles', 'extracts'], ahead: 7 },
  { told: 'eventSoon', deeds: ['abrades'], ahead: 7 },
  { told: 'eventSoon', deeds: ['cuts'], ahead: 0 },
  { told: 'retinoid', deeds: ['needles'], days: 7, tolerance: 50 },
  { told: 'retinoid', deeds: ['acid', 'abrades', 'cuts', 'peel'], days: 5 },
  { told: 'homeAcid', deeds: STRONG_TAKES_OFF, days: 3 },
  {
    told: 'shaveWax',
    deeds: [...TAKES_OFF, 'sucks', 'ultrasound', 'heats'],
    where: 'told',
    hours: 24,
  },
  { told: 'sunPlanned', deeds: STRONG_TAKES_OFF },
]

const daysFrom = (one: string, other: string): number =>
  DateTime.fromISO(other).diff(DateTime.fromISO(one), 'days').days

/** Whether what was told still stands today: a day that was not told may be any. */
function stands(row: Row, { date, at, work }: Told, today: string): boolean {
  if (row.work !== undefined && (work ?? []).length > 0 && !work?.includes(row.work)) return false
  if (row.ahead !== undefined)
    return date === undefined || (date >= today && daysFrom(today, date) <= row.ahead)
  if (row.hours !== undefined) {
    const dayEnd =
      date === undefined ? undefined : daysFrom(date, today) <= Math.ceil(row.hours / 24)
    if (at === undefined) return dayEnd ?? true
    return DateTime.fromISO(today).toMillis() - at < row.hours * 3_600_000
  }
  return row.days === undefined || date === undefined || daysFrom(date, today) < row.days
}

function placeOf(where: Where | undefined, { zones = [] }: Told): readonly RegionId[] {
  if (where === undefined || where === 'face') return FACE_AND_NECK
  if (where !== 'told') return where
  if (zones.length === 0) return FACE_AND_NECK
  const lids = zones.some((zone) => zone === 'lidL' || zone === 'lidR')
  return REGION_IDS.filter(
    (region) =>
      (lids && region === 'eyes') || zones.some((zone) => ZONES[zone].regions.includes(region)),
  )
}

/** Said with yes, not sure about, or never asked: all three are ask before. */
const counts = (told: Told | undefined): Told | undefined =>
  told === undefined ? { say: 'unsure' } : told.say === 'no' ? undefined : told

export function forbidden(visit: Visit): { bars: readonly Forbidden[]; limits: Limits } {
  const limits: Limits = { steamMinutes: 10, passes: 2, tolerancePercent: 100 }
  const bars: Forbidden[] = []
  for (const row of ROWS) {
    const told = counts(visit.answers[row.told])
    if (!told || !stands(row, told, visit.today)) continue
    limits.steamMinutes = Math.min(limits.steamMinutes, row.steam ?? 10)
    limits.passes = Math.min(limits.passes, row.passes ?? 2)
    limits.tolerancePercent = Math.min(limits.tolerancePercent, row.tolerance ?? 100)
    if (row.deeds)
      bars.push({
        deeds: row.deeds,
        // Who is not sure is asked; only a yes makes the zone bear nothing else.
        ...(row.bland && told.say === 'yes' ? { bland: true } : {}),
        where: placeOf(row.where, told),
        says: `told ${row.told}`,
      })
  }
  return { bars: [...bars, ...bySkin(visit)], limits }
}

/** What the skin itself forbids, as it was read; what was not read counts as the cautious grade. */
function bySkin({ profile }: Visit): Forbidden[] {
  const from = (reading: keyof ZoneReading, least: number) =>
    REGION_IDS.filter((region) => plannedGrade(profile, region, reading) >= least)
  const upTo = (reading: keyof ZoneReading, most: number) =>
    REGION_IDS.filter((region) => plannedGrade(profile, region, reading) <= most)
  const upFrom = (reading: keyof ZoneReading, least: number, zones: readonly RegionId[]) =>
    from(reading, least).filter((region) => zones.includes(region))
  const many = GROUPS.faceNoEyes.filter((region) => (profile.regions[region].spots ?? 0) >= 3)
  const nodules = GROUPS.faceNoEyes.filter((region) => (profile.regions[region].spots ?? 0) >= 4)
  const rows: [readonly Deed[], readonly RegionId[], string][] = [
    [
      [...TAKES_OFF, 'ultrasound', 'sucks', 'heats', 'presses', ...CURRENTS],
      from('redness', 2),
      'red already',
    ],
    [['rubs', 'peel'], from('sensitivity', 2), 'sensitive'],
    [['acid', 'abrades', 'needles'], from('sensitivity', 3), 'very sensitive'],
    [['dries'], upTo('water', 0), 'parched'],
    [['dries'], upTo('oil', 1), 'nothing there for clay to take'],
    [['extracts'], upTo('congestion', 1), 'nothing there to take out'],
    [OVER_PUSTULES, from('spots', 3), 'pustules'],
    [['enzyme', 'acid', 'peel'], from('spots', 4), 'nodules'],
    [['cuts'], from('spots', 2), 'spots'],
    [['eyeCream'], upFrom('oil', 3, ['eyes']), 'oily round the eyes'],
    [
      [
        'rubs',
        'enzyme',
        'acid',
        'peel',
        'abrades',
        'sucks',
        'needles',
        'cuts',
        'ultrasound',
        'extracts',
        ...CURRENTS,
        'dries',
      ],
      ['eyes'],
      'inside the orbital bone',
    ],
  ]
  const out = rows.map(([deeds, zones, says]) => ({ deeds, where: zones, says }))
  if (nodules.length >= 3)
    out.push({
      deeds: [...TAKES_OFF, 'sucks', 'ultrasound', 'extracts', 'heats', 'presses', 'active'],
      where: FACE_AND_NECK,
      says: 'nodules in several zones',
    })
  else if (many.length >= 4)
    out.push({
      deeds: ['rubs', 'acid', 'peel', 'abrades', 'sucks', 'needles', 'cuts', 'active'],
      where: FACE_AND_NECK,
      says: 'pustules in several zones',
    })
  return out.filter(({ where: zones }) => zones.length > 0)
}
