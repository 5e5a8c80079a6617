/** Published scales that grade a whole face; each with its source. Values from memory. */

/**
 * Areas of the Global Acne Grading System with their factors. Source: Doshi, Zaheer & Stiller, Int
 * J Dermatol 1997.
 */
export const ACNE_AREAS = {
  forehead: 2,
  cheekR: 2,
  cheekL: 2,
  nose: 1,
  chin: 1,
  chestBack: 3,
} as const
export type AcneArea = keyof typeof ACNE_AREAS
export const LESIONS = ['none', 'comedone', 'papule', 'pustule', 'nodule'] as const
export type Lesion = (typeof LESIONS)[number]
type AcneSeverity = 'none' | 'mild' | 'moderate' | 'severe' | 'verySevere'
export const ACNE_WORDS: Readonly<Record<AcneSeverity, string>> = {
  none: 'no acne',
  mild: 'mild',
  moderate: 'moderate',
  severe: 'severe',
  verySevere: 'very severe',
}

/**
 * Acne grade by the worst lesion of each area: factor × grade, summed.
 * @returns `missing` areas count as not looked at: the sum is then a lower bound, never the grade
 */
export function acneGrade(worst: Partial<Record<AcneArea, Lesion>>): {
  sum: number
  severity: AcneSeverity
  missing: readonly AcneArea[]
} {
  const areas = Object.keys(ACNE_AREAS) as AcneArea[]
  const sum = areas.reduce(
    (sum, area) => sum + ACNE_AREAS[area] * Math.max(0, LESIONS.indexOf(worst[area] ?? 'none')),
    0,
  )
  return {
    sum,
    severity:
      sum === 0
        ? 'none'
        : sum <= 18
          ? 'mild'
          : sum <= 30
            ? 'moderate'
            : sum <= 38
              ? 'severe'
              : 'verySevere',
    missing: areas.filter((area) => worst[area] === undefined),
  }
}

/**
 * How skin answers the first strong sun, in the wording of the six types. Source: Fitzpatrick, Arch
 * Dermatol 1988.
 */
export const PHOTOTYPES = [
  {
    id: 1,
    name: 'I',
    words: 'always burns, never tans',
  },
  {
    id: 2,
    name: 'II',
    words: 'usually burns, tans a little',
  },
  {
    id: 3,
    name: 'III',
    words: 'sometimes burns, tans slowly',
  },
  {
    id: 4,
    name: 'IV',
    words: 'rarely burns, tans well',
  },
  {
    id: 5,
    name: 'V',
    words: 'very rarely burns, tans deeply',
  },
  {
    id: 6,
    name: 'VI',
    words: 'never burns, deeply pigmented',
  },
] as const
export type Phototype = (typeof PHOTOTYPES)[number]['id']
export const BURNS = ['always', 'usually', 'sometimes', 'rarely', 'very rarely', 'never'] as const
export const TANS = ['never', 'a little', 'slowly', 'well', 'deeply', 'always deep'] as const

/**
 * Phototype from its two questions. Where they point to different types, sun and marks each get
 * the cautious one:
 * `sun` the lower (burns sooner), `marks` the higher (marks sooner).
 */
export function phototype(
  burns: (typeof BURNS)[number],
  tans: (typeof TANS)[number],
): { sun: Phototype; marks: Phototype; agree: boolean } {
  const one = (BURNS.indexOf(burns) + 1) as Phototype
  const two = (TANS.indexOf(tans) + 1) as Phototype
  return {
    sun: Math.min(one, two) as Phototype,
    marks: Math.max(one, two) as Phototype,
    agree: one === two,
  }
}
/** Marks stay longer from this type on: gentler and slower. Common practice. */
export const MARKS_FROM: Phototype = 4

/** Photoageing by lines. Source: Glogau, Semin Cutan Med Surg 1996. */
export const PHOTOAGEING = [
  { id: 1, name: 'I', words: 'no wrinkles' },
  {
    id: 2,
    name: 'II',
    words: 'wrinkles in motion',
  },
  {
    id: 3,
    name: 'III',
    words: 'wrinkles at rest',
  },
  { id: 4, name: 'IV', words: 'only wrinkles' },
] as const
