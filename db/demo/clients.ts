import type { MakeUpId } from '#core/catalogue/consultation/makeUp'
import type { ConcernId } from '#core/catalogue/kinds'
import type { FindingId } from '#core/catalogue/consultation/findings'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import type { Answer } from '#core/screening/asking/answers'
import type { Grade, ReadingId, Readings } from '#core/skin/readings'
import type { Preferences } from '#core/catalogue/consultation/preferences'
import type { WholeReading } from '#core/skin/notes'
import type { SchoolId } from '#core/catalogue/schools/schools'

type Full = Record<ReadingId, Grade>
export interface DemoClient {
  key: string
  name: string
  work: string
  born: string
  medicines: string
  notes: string
  yes: Partial<Record<FindingId, Omit<Answer, 'say' | 'date'> & { daysAgo?: number }>>
  base: Full
  zones: Readings
  aims: ConcernId[]
  /** Strong work that they ask for by name. */
  named?: TechniqueId[]
  school: SchoolId
  /** Weeks ago and what was done, oldest last. */
  past: { weeks: number; work: TechniqueId[] }[]
  likes?: Preferences
  /** Worn on the face as they come; light make-up where nothing is said. */
  worn?: MakeUpId[]
  whole?: WholeReading
  home?: { everyDays: number; label: string; hundredths: number }
}
const grades = (
  oil: number,
  water: number,
  redness: number,
  congestion: number,
  sensitivity: number,
) => ({ oil, water, redness, congestion, sensitivity }) as Full
const monthly = (times: number, ...work: TechniqueId[]) =>
  Array.from({ length: times }, (_, i) => ({ weeks: 5 + i * 5, work }))

/** Eight invented people in depth. Their skins are made up to show the product at work. */
export const DEEP: readonly DemoClient[] = [
  {
    key: 'ferry',
    name: 'Signe Holmvik',
    work: 'ferry pilot',
    born: '1980-02-11',
    medicines: '',
    notes: 'Cold wind on the bridge wing. Likes little talk.',
    yes: { visibleVessels: { zones: ['cheekL', 'cheekR'] } },
    likes: { talk: 'quiet', air: 'outdoors', pressure: 'light' },
    base: grades(1, 1, 0, 1, 1),
    zones: {
      cheekL: grades(1, 1, 2, 0, 2),
      cheekR: grades(1, 1, 2, 0, 2),
      nose: grades(2, 2, 1, 2, 1),
      forehead: grades(2, 1, 0, 2, 0),
      chin: grades(2, 2, 0, 2, 0),
    },
    aims: ['dehydration', 'redness', 'rest'],
    school: 'warmCloth',
    past: monthly(20, 'enzyme', 'hydratingMask', 'massage'),
  },
  {
    key: 'pastry',
    name: 'Bruno Lindqvar',
    work: 'pastry cook',
    born: '1993-07-30',
    medicines: '',
    notes: 'Oven heat all morning. Breaks out at the jaw.',
    yes: { inflamedAcne: { zones: ['jawL', 'jawR'] } },
    base: grades(2, 2, 0, 2, 1),
    zones: {
      forehead: grades(4, 2, 0, 3, 0),
      nose: grades(4, 2, 0, 4, 0),
      chin: grades(4, 2, 1, 3, 1),
      jawL: grades(3, 2, 1, 3, 1),
      jawR: grades(3, 2, 1, 3, 1),
      cheekL: grades(2, 2, 0, 1, 0),
      cheekR: grades(2, 2, 0, 1, 0),
    },
    aims: ['congestion', 'shine', 'redness'],
    school: 'brightLamp',
    past: monthly(6, 'grain', 'clay', 'highFrequency'),
  },
  {
    key: 'rower',
    name: 'Ada Korsen',
    work: 'indoor rower',
    born: '1998-11-04',
    medicines: '',
    notes: 'Trains six days in chlorinated air.',
    yes: {},
    base: grades(3, 1, 0, 2, 1),
    zones: {
      forehead: grades(4, 1, 0, 3, 0),
      nose: grades(4, 1, 0, 3, 0),
      chin: grades(3, 1, 0, 3, 0),
      neckFront: grades(2, 1, 0, 0, 0),
    },
    aims: ['dehydration', 'congestion', 'dullness'],
    named: ['tip'],
    school: 'brightLamp',
    past: monthly(7, 'grain', 'hydratingMask'),
    home: { everyDays: 4, label: 'salicylic wash at home', hundredths: 40 },
  },
  {
    key: 'beekeeper',
    name: 'Torvald Eskin',
    work: 'beekeeper',
    born: '1969-05-19',
    medicines: '',
    notes: 'Reacts to propolis and honey on the skin.',
    yes: { allergy: { substances: ['honey', 'propolis'] } },
    likes: { covering: 'helmet', air: 'outdoors' },
    base: grades(1, 1, 1, 1, 2),
    zones: { nose: grades(2, 2, 1, 2, 1), forehead: grades(2, 1, 0, 1, 1) },
    aims: ['dehydration', 'dullness', 'rest'],
    school: 'stillBowl',
    past: monthly(4, 'hydratingMask', 'cold'),
  },
  {
    key: 'conductor',
    name: 'Mirela Aasgard',
    work: 'choir conductor',
    born: '1990-09-23',
    medicines: 'folic acid, iron',
    notes: 'Six months along. Left side or half sitting.',
    yes: { pregnancy: {} },
    likes: { pressure: 'light', lying: 'raised', scent: 'none' },
    whole: { burns: 'usually', tans: 'a little', photoageing: 1 },
    base: grades(2, 2, 0, 1, 1),
    zones: { cheekL: grades(1, 1, 1, 0, 1), cheekR: grades(1, 1, 1, 0, 1) },
    aims: ['rest', 'dehydration', 'firmness'],
    school: 'warmCloth',
    past: monthly(5, 'hydratingMask', 'massage'),
  },
  {
    key: 'forester',
    worn: [],
    name: 'Odd Granmo',
    work: 'retired forester',
    born: '1951-01-08',
    medicines: 'blood thinner, every morning',
    notes: 'Sun-weathered, thin skin on the temples.',
    yes: { bloodThinner: {}, slowHealing: {} },
    likes: { talk: 'some', air: 'outdoors' },
    whole: { burns: 'sometimes', tans: 'slowly', photoageing: 4 },
    base: grades(0, 1, 0, 1, 2),
    zones: {
      templeL: grades(0, 1, 1, 0, 3),
      templeR: grades(0, 1, 1, 0, 3),
      nose: grades(1, 1, 1, 2, 1),
    },
    aims: ['dehydration', 'rest', 'dullness'],
    school: 'oilAndWater',
    past: monthly(3, 'hydratingMask'),
  },
  {
    key: 'actor',
    worn: ['layered', 'waterproof'],
    name: 'Ines Marchetta',
    work: 'stage actor',
    born: '1987-03-15',
    medicines: '',
    notes: 'Heavy make-up six nights a week. Marks easily.',
    yes: { darkMarks: {}, retinoid: { daysAgo: 2, perWeek: 4 } },
    whole: { burns: 'very rarely', tans: 'deeply', photoageing: 1 },
    base: grades(2, 2, 0, 2, 1),
    zones: {
      forehead: grades(3, 2, 0, 3, 0),
      nose: grades(3, 2, 0, 3, 0),
      chin: grades(3, 2, 0, 3, 0),
    },
    aims: ['congestion', 'dehydration', 'dullness'],
    school: 'oilAndWater',
    past: monthly(20, 'enzyme', 'clay', 'hydratingMask'),
  },
  {
    key: 'bride',
    name: 'Liv Tarrant',
    work: 'bride-to-be, seven weeks',
    born: '1996-06-02',
    medicines: '',
    notes: 'The day is in seven weeks. Nothing new in the last one.',
    yes: { eventSoon: { daysAgo: -49 } },
    likes: { photos: 'no' },
    base: grades(2, 2, 0, 2, 0),
    zones: {
      forehead: grades(3, 2, 0, 2, 0),
      nose: grades(3, 2, 0, 3, 0),
      chin: grades(3, 2, 0, 2, 0),
    },
    aims: ['dullness', 'congestion', 'dehydration'],
    named: ['tip'],
    school: 'brightLamp',
    past: [
      { weeks: 5, work: ['tip', 'hydratingMask'] },
      { weeks: 10, work: ['enzyme', 'hydratingMask'] },
    ],
  },
]

const FIRST = [
  'Runa',
  'Piet',
  'Salka',
  'Emeric',
  'Tove',
  'Janis',
  'Orsola',
  'Matteus',
  'Henny',
  'Ravn',
  'Cosima',
  'Ulrik',
  'Freja',
  'Anselm',
  'Petra',
  'Jorun',
]
const LAST = [
  'Vikholm',
  'Brandeker',
  'Osmund',
  'Tallgren',
  'Quistad',
  'Merrow',
  'Hollander-Iversen',
  'Skarne',
]
const WORKS = [
  'bookbinder',
  'teacher',
  'boat builder',
  'nurse',
  'gardener',
  'baker',
  'violin maker',
  'surveyor',
]
/** The rest of the house's clients: a name and a trade each. */
export const OTHERS = Array.from({ length: 32 }, (_, i) => ({
  key: `other-${i}`,
  name: `${FIRST[i % FIRST.length] ?? ''} ${LAST[(i * 3 + Math.floor(i / 8)) % LAST.length] ?? ''}`,
  work: WORKS[(i * 5) % WORKS.length] ?? '',
  born: `${1955 + ((i * 7) % 45)}-0${1 + (i % 9)}-1${i % 9}`,
}))
