import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import { handDeeds, type Deed } from './deeds'
import type { Steps } from './visit'

/* Steps by the names that the trade calls them together. */

export type Step = Steps[number]
export const isOneOf =
  (...ids: readonly TechniqueId[]) =>
  ({ technique }: Step) =>
    ids.includes(technique)
export const does =
  (...deeds: readonly Deed[]) =>
  ({ technique }: Step) =>
    handDeeds(technique).some((deed) => deeds.includes(deed))

export const EYES_OFF = isOneOf('eyesOff', 'eyesByCleanser', 'lashRoots', 'dampPads')
export const SURFACE = isOneOf('milk', 'micellar', 'wipes')
export const CLEANSES = isOneOf('secondCleanse', 'oilCleanse', 'creamCleanse', 'sonicBrush')
export const LAYS_MASK = isOneOf(
  'clay',
  'hydratingMask',
  'creamMask',
  'sheetMask',
  'freshMask',
  'hardeningMask',
  'eyeMask',
)
export const MASSAGES = isOneOf(
  'massage',
  'toningMassage',
  'stones',
  'stonesOnOil',
  'ridge',
  'drainDown',
  'ballTool',
  'microcurrent',
  'microcurrentGel',
)
export const LAMP = isOneOf('blueLamp', 'redLamp')
/** Water, cloth or pad: whatever is spread on there comes off with it. */
export const WASHES = (step: Step) =>
  SURFACE(step) ||
  CLEANSES(step) ||
  isOneOf('rinse', 'tone', 'maskOff', 'hardeningOff', 'neutralise', 'disinfect')(step)

/** Leave-on layers by their weight, the thinnest first. */
export const WEIGHT: Partial<Record<TechniqueId, number>> = {
  serum: 2,
  ampoule: 2,
  needling: 2,
  eyeProduct: 3,
  moisturiser: 5,
  facialOil: 6,
  sleepMask: 6,
  stonesOnOil: 1,
  microcurrentGel: 1,
  sunProtection: 7,
}

/** Stays on as a layer; what the needle, a stone or current was done with is a part of that work. */
export const stays = (step: Step): boolean =>
  WEIGHT[step.technique] !== undefined && !does('needles', 'presses', 'current')(step)
