import { differenceCiede2000 } from 'culori'

/** CIELAB under D65, as a colour meter gives it. */
interface Lab {
  L: number
  a: number
  b: number
}

/**
 * Individual typology angle classes. A bound belongs to the darker class. Source: Chardon, Cretois
 * & Hourseau, Int J Cosmet Sci 1991 (values from memory).
 */
const ITA_CLASSES = [
  {
    id: 'veryLight',
    name: 'very light',
    above: 55,
  },
  { id: 'light', name: 'light', above: 41 },
  {
    id: 'intermediate',
    name: 'intermediate',
    above: 28,
  },
  { id: 'tan', name: 'tan', above: 10 },
  { id: 'brown', name: 'brown', above: -30 },
  {
    id: 'dark',
    name: 'dark',
    above: Number.NEGATIVE_INFINITY,
  },
] as const
type ItaClass = (typeof ITA_CLASSES)[number]

/**
 * Individual typology angle, degrees.
 * @returns undefined where b* is not above zero: the angle has no meaning there, say so and go by
 *   L*
 */
export function itaDegrees({ L: lightness, b: yellowness }: Lab): number | undefined {
  return yellowness > 0 ? (Math.atan((lightness - 50) / yellowness) * 180) / Math.PI : undefined
}
/** The class of an individual typology angle in degrees (Chardon 1991). */
export function itaClass(degrees: number): ItaClass {
  return ITA_CLASSES.find((itaKlass) => degrees > itaKlass.above) ?? ITA_CLASSES[5]
}

const ciede2000 = differenceCiede2000()
/**
 * CIEDE2000 between two colour readings; about 1 is just seen side by side. Source: ISO/CIE
 * 11664-6.
 */
export function colourDifference(one: Lab, two: Lab): number {
  return ciede2000(
    { mode: 'lab65', l: one.L, a: one.a, b: one.b },
    { mode: 'lab65', l: two.L, a: two.a, b: two.b },
  )
}

/** From here on two colours beside each other can be told apart (ΔE00; common practice, value from memory). */
const SEEN_FROM = 1
/** How far a place's colour has moved, in words. */
export function colourMoved(then: Lab, now: Lab): string {
  const difference = colourDifference(then, now)
  const said = `ΔE ${difference.toFixed(1)} since last time`
  if (difference < SEEN_FROM) return `${said}, not to be seen`
  return `${said}, ${now.a > then.a ? 'redder' : 'less red'}`
}
