import { canPin } from '../techniques/traits'
import { campOf, POINT_IDS, POINTS, type Camp, type PointId } from './camps'
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from '../techniques/techniques'
import type { LayoutId } from '../techniques/technique'

interface School {
  name: string
  sentence: string
  /** Where it stands on each point; a point not named is at the house's default. */
  camps: Partial<Record<PointId, string>>
  /**
   * Liking of techniques on which no point decides, in the currency of the plan's value; negative
   * is dislike.
   */
  taste: Partial<Record<TechniqueId, number>>
  /** Ways that are planned only where somebody works so, and this school does; its camps name more. */
  uses?: readonly TechniqueId[]
}

/**
 * Four ready schools. Safety never depends on a school. Common practice: good practitioners differ.
 */
const ROWS = {
  warmCloth: {
    name: 'Warm Cloth',
    sentence: 'Milk, warm cloths, steam, a long massage, cream masks.',
    camps: { steam: 'always', massage: 'long', masks: 'allOver' },
    taste: {
      enzyme: 400,
      hydratingMask: 500,
      creamMask: 700,
      tip: -900,
      crystals: -1200,
      highFrequency: -300,
      microcurrent: -600,
      needling: -2000,
      vacuumGlide: -600,
    },
  },
  brightLamp: {
    name: 'Bright Lamp',
    sentence: 'Two cleanses, machine or acid, lamp, little massage, a calming mask.',
    camps: { massage: 'elsewhere', firstCleanse: 'foamTwice' },
    taste: {
      tip: 1800,
      crystals: 1200,
      needling: 0,
      acidMask: 600,
      blueLamp: 700,
      redLamp: 600,
      highFrequency: 600,
      microcurrent: 300,
      hydratingMask: 500,
      spatula: 300,
    },
  },
  oilAndWater: {
    name: 'Oil and Water',
    sentence: 'Oil cleanse to skin-feel, no machine, stones, mists and oil on damp skin.',
    camps: {
      firstCleanse: 'oilAlone',
      massage: 'tools',
      tone: 'mist',
      layering: 'waterAgain',
      courses: 'monthOn',
      steam: 'beforeExtraction',
    },
    taste: {
      grain: 400,
      tip: -2500,
      crystals: -2500,
      needling: -2500,
      vacuumGlide: -1500,
      highFrequency: -1200,
      microcurrent: -900,
      blueLamp: -900,
      redLamp: -600,
      spatula: -900,
      steam: -300,
    },
  },
  stillBowl: {
    name: 'Still Bowl',
    sentence: 'Fresh mixed powders, short and cool, few products, gentle skin.',
    camps: {
      steam: 'seldom',
      massage: 'short',
      dwell: 'clock',
      courses: 'few',
      finish: 'cool',
      works: 'one',
      masks: 'allOver',
    },
    taste: {
      tip: -2500,
      crystals: -2500,
      needling: -2500,
      vacuumGlide: -1500,
      grain: -600,
      enzyme: 400,
      cold: 600,
      freshMask: 1400,
      hydratingMask: 500,
      highFrequency: -1500,
      microcurrent: -1500,
      blueLamp: -900,
      redLamp: -900,
    },
  },
} satisfies Readonly<Record<string, School>>

/** The closed list of schools: made by the rows, so that a new one is one row. */
export type SchoolId = keyof typeof ROWS
export const SCHOOLS: Readonly<Record<SchoolId, School>> = ROWS
export const SCHOOL_IDS = Object.keys(ROWS) as [SchoolId, ...SchoolId[]]

/**
 * What a house has decided on its own: camps over the school's, and techniques it does not offer.
 */
export interface HousePolicy {
  camps: Partial<Record<PointId, string>>
  without: readonly TechniqueId[]
}
export const NO_POLICY: HousePolicy = { camps: {}, without: [] }

/** A school as this house works it: one camp a point, and the liking that comes of them. */
export interface Method {
  camps: Readonly<Record<PointId, Camp>>
  taste: Readonly<Partial<Record<TechniqueId, number>>>
  /** Ways that are planned only where somebody works so, and this house or school does. */
  uses: ReadonlySet<TechniqueId>
  layout: Readonly<Partial<Record<LayoutId, number>>>
  /** How many exfoliations a resilient skin may have in one visit. */
  exfoliationLimit: 1 | 2
  peelWithMachine: boolean
  /** What each further step costs, in the currency of liking: the house's pace. */
  turnCost: number
  /** Whether each step gets all its time, not only the usual. */
  unhurried: boolean
  /** Whether a first visit here may have strong work. */
  boldFirst: boolean
  inTurn: boolean
  dwell: 'short' | 'long' | undefined
}

const known = new WeakMap<HousePolicy, Map<SchoolId, Method>>()

/**
 * How a school works in this house; put together once for each.
 * @throws RangeError for a camp that does not exist
 */
export function methodOf(school: SchoolId, policy: HousePolicy = NO_POLICY): Method {
  const ofHouse = known.get(policy) ?? new Map<SchoolId, Method>()
  known.set(policy, ofHouse)
  const found = ofHouse.get(school) ?? putTogether(school, policy)
  ofHouse.set(school, found)
  return found
}

function putTogether(school: SchoolId, policy: HousePolicy): Method {
  const own: School = SCHOOLS[school]
  const camps = Object.fromEntries(
    POINTS.map((point) => [
      point.id,
      campOf(point.id, policy.camps[point.id] ?? own.camps[point.id] ?? point.default),
    ]),
  ) as Record<PointId, Camp>
  const taste: Partial<Record<TechniqueId, number>> = { ...own.taste }
  const layout: Partial<Record<LayoutId, number>> = {}
  for (const id of POINT_IDS) {
    for (const [key, value] of Object.entries(camps[id].taste ?? {}) as [TechniqueId, number][])
      taste[key] = (taste[key] ?? 0) + value
    for (const [key, value] of Object.entries(camps[id].layout ?? {}) as [LayoutId, number][])
      layout[key] = (layout[key] ?? 0) + value
  }
  return {
    camps,
    taste,
    uses: new Set([...(own.uses ?? []), ...POINT_IDS.flatMap((id) => camps[id].uses ?? [])]),
    layout,
    exfoliationLimit: camps.works.exfoliationLimit ?? 1,
    peelWithMachine: camps.peelWithMachine.peelWithMachine === true,
    turnCost: camps.pace.turnCost ?? 0,
    unhurried: camps.pace.unhurried === true,
    boldFirst: camps.firstVisit.boldFirst === true,
    inTurn: camps.masks.inTurn === true,
    dwell: camps.dwell.dwell,
  }
}

/** What the hand does in this method: the school's own way where a camp has one. */
export function handOf(method: Method, technique: { id: TechniqueId; hand: string }): string {
  for (const id of POINT_IDS) {
    const own = method.camps[id].hand?.[technique.id]
    if (own !== undefined) return own
  }
  return technique.hand
}

/** From here on a liking is named when schools are told apart; weaker ones only tip the scales. */
const OUTSPOKEN = 500
/**
 * What a method likes (1) or would rather not do (-1), the strongest first; what only follows from
 * other steps is not named.
 */
export function outspoken(method: Method, sign: 1 | -1): TechniqueId[] {
  const liking = (technique: TechniqueId) => sign * (method.taste[technique] ?? 0)
  return TECHNIQUE_IDS.filter(
    (technique) => canPin(technique) && liking(technique) >= OUTSPOKEN,
  ).sort((one, other) => liking(other) - liking(one))
}

/** What a house has decided, in words: its camps, and what it does not offer. */
export function policyWords({ camps, without }: HousePolicy): string {
  const decided = POINTS.flatMap((point) => {
    const camp = point.camps.find((own) => own.id === camps[point.id])
    return camp ? [camp.sentence.replace(/\.$/, '')] : []
  })
  const left = without.map((id) => `no ${TECHNIQUES[id].name.toLowerCase()}`)
  return [...decided, ...left].join('; ') || 'nothing of its own'
}

/** What a house says on one point: its own camp, or the school's. */
export const decidedOn = (policy: HousePolicy, id: PointId): string =>
  POINTS.find((point) => point.id === id)?.camps.find((camp) => camp.id === policy.camps[id])
    ?.sentence ?? AS_THE_SCHOOL
export const AS_THE_SCHOOL = 'as the school does it'

/** Only what is decided: points left to the school are not in it. */
export const cleanCamps = (
  camps: Partial<Record<PointId, string | null>>,
): Partial<Record<PointId, string>> =>
  Object.fromEntries(
    POINTS.flatMap(({ id }) => {
      const camp = camps[id]
      return camp ? [[id, camp]] : []
    }),
  )

/** Whether two policies decide the same. */
export const samePolicy = (one: HousePolicy, other: HousePolicy): boolean => {
  const text = ({ camps, without }: HousePolicy) =>
    JSON.stringify([cleanCamps(camps), [...without].sort()])
  return text(one) === text(other)
}
