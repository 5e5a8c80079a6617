import { techniqueOf, type DoneAs } from './ownWay'
import { nameWhere } from '../../face/sides'
import { EXFOLIATING, STRONG, type StageId } from '../kinds'
import type { PlanStep } from './step'
import { TECHNIQUES, type TechniqueId } from './techniques'

/** Takes something off the skin's surface: counts as an exfoliation of the visit. */
export const exfoliates = (id: TechniqueId): boolean =>
  TECHNIQUES[id].families.some((family) => EXFOLIATING.includes(family))

/** Cleansing and toning: an acid in the bottle makes an exfoliation of them. */
const WASHING: readonly StageId[] = ['surfaceCleanse', 'deepCleanse', 'tone']
/**
 * Counts as an exfoliation of the visit: what takes something off, the ultrasonic spatula, and a
 * cleanser or toner with acid in it (common practice).
 * @param active what of its bottle takes something off: free acid, enzyme; none is nought
 */
export const countsAsExfoliation = (id: TechniqueId, active = 0): boolean =>
  exfoliates(id) ||
  TECHNIQUES[id].families.includes('ultrasound') ||
  (active > 0 && WASHING.includes(TECHNIQUES[id].stage))

/** After it only calming products follow. */
export const isStrong = (id: TechniqueId): boolean =>
  TECHNIQUES[id].families.some((family) => STRONG.includes(family))

/** A main step: neither opens, closes or connects every visit nor follows from another step. */
export const isMain = (id: TechniqueId): boolean => TECHNIQUES[id].part === undefined

/** Fills the hands while something rests. */
export const fillsHands = (id: TechniqueId): boolean => (TECHNIQUES[id].fillsFrom ?? 0) > 0

/** Tells two plans apart: a main step, or what hands do while a mask rests. */
export const tellsApart = (id: TechniqueId): boolean => isMain(id) || fillsHands(id)

/** May be asked for by itself, so it can be pinned; what follows from another step cannot. */
export const canPin = (id: TechniqueId): boolean => TECHNIQUES[id].part !== 'follows'

/** Has one place in the order of the visit, so that it says how far a visit has come. */
export const hasPlace = (id: TechniqueId): boolean => canPin(id) && !TECHNIQUES[id].floats

/** The name without its "on" or its particulars: `setting clay` of "Setting clay on". */
export const shortName = (way: TechniqueId | DoneAs): string =>
  (typeof way === 'string' ? TECHNIQUES[way] : techniqueOf(way)).name.replace(/ on$|,.*$/, '')

/** Only connects: put in where the skin wants it, and nowhere else. */
export const onlyConnects = (id: TechniqueId): boolean =>
  TECHNIQUES[id].connects !== undefined && !hasPlace(id)

/** Where a step is done, in words: its place away from the face, or its zones; empty where neither. */
export const placeOf = ({
  technique,
  ...where
}: Pick<PlanStep, 'technique' | 'regions' | 'half'>): string =>
  TECHNIQUES[technique].place ?? (where.regions.length > 0 ? nameWhere(where) : '')
