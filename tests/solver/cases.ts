import { CONCERN_IDS, type ConcernId } from '#core/catalogue/kinds'
import { SCHOOL_IDS } from '#core/catalogue/schools/schools'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { RESILIENT_TOLERANCE } from '#core/catalogue/rules/tolerance'
import { compile } from '#core/planning/question/compile'
import type { PlanCase } from '#core/planning/question/planCase'
import type { PlanInput } from '#core/planning/input'
import { screen } from '#core/screening/verdict/verdict'
import type { Answers } from '#core/screening/asking/answers'
import type { Grade, ReadingId } from '#core/skin/readings'
import { allNo, planInput, readAll, TODAY } from '#core/testing/fixtures'

/**
 * Seeded questions. Bounds of what is drawn: oil, water, congestion 0–4; sensitivity 0–3; redness
 * 0–1, or 2 on one cheek in a fifth of the cases; age 18–85; slot 30–90 min;
 * residue 0–250 hundredths everywhere, or in a quarter of the cases by region up to twice what
 * resilient skin bears; one to five aims; any school; by day or evening; made-up or
 * bare; none to two findings out of nine.
 */
const WITHOUT_MIST = planInput().shelf.filter(({ product }) => product.kind !== 'mist')

export interface Question {
  seed: number
  input: PlanInput
  slotTicks: number
}

export function stream(seed: number): (below: number) => number {
  let x = (seed * 2654435761 + 12345) % 2147483647 || 1
  return (most) => {
    x = (x * 48271) % 2147483647
    return x % most
  }
}
const FINDINGS: readonly (keyof Answers)[] = [
  'pregnancy',
  'bloodThinner',
  'darkMarks',
  'visibleVessels',
  'asthma',
  'retinoid',
  'implantedDevice',
  'inflamedAcne',
  'slowHealing',
]

export function question(seed: number): Question {
  const next = stream(seed)
  const grade = (most: number) => next(most + 1) as Grade
  const skin = (): Record<ReadingId, Grade> => ({
    oil: grade(4),
    water: grade(4),
    redness: grade(1),
    congestion: grade(4),
    sensitivity: grade(3),
  })
  const base = skin()
  const tZone = skin()
  const red = next(5) === 0 ? { cheekL: { ...base, redness: 2 as Grade } } : {}
  const answers = allNo(
    Object.fromEntries(
      Array.from({ length: next(3) }, () => [
        FINDINGS[next(FINDINGS.length)] ?? 'asthma',
        { say: 'yes', zones: ['cheekL', 'cheekR'] },
      ]),
    ),
  )
  const aims = new Set<ConcernId>()
  for (let i = 0, count = 1 + next(5); i < count; i++)
    aims.add(CONCERN_IDS[next(CONCERN_IDS.length)] ?? 'rest')
  const slotMinutes = 30 + next(61)
  const residual = residualOf(next)
  return {
    seed,
    slotTicks: slotMinutes * 2,
    input: planInput({
      readings: readAll(base, { forehead: tZone, nose: tZone, chin: tZone, ...red }),
      age: 18 + next(68),
      makeUp: next(2) === 0 ? ['light'] : [],
      daylight: next(3) > 0,
      school: SCHOOL_IDS[next(SCHOOL_IDS.length)] ?? 'warmCloth',
      aims: [...aims],
      slotMinutes,
      residual,
      // Now and then the mist is out of stock: then water comes from the cloth, or not at all.
      ...(next(6) === 0 ? { shelf: WITHOUT_MIST } : {}),
      answers,
      verdict: screen(answers, TODAY),
    }),
  }
}

/**
 * What the skin still carries: mostly nothing, or the same everywhere, or each region its own, up
 * to twice what resilient skin bears, so that some are over their tolerance from the start.
 */
function residualOf(next: (below: number) => number): Record<RegionId, number> {
  const kind = next(4)
  const everywhere = kind === 0 ? next(251) : 0
  const own = () => (kind === 1 ? next(2 * RESILIENT_TOLERANCE + 1) : everywhere)
  return Object.fromEntries(REGION_IDS.map((region) => [region, own()])) as Record<RegionId, number>
}

const OPTIONAL = [
  'tone',
  'warm',
  'handExfoliation',
  'machine',
  'extraction',
  'calm',
  'massage',
  'lamp',
  'mask',
  'secondMask',
  'cool',
  'afterMask',
  'serum',
  'eyes',
  'lips',
]
/**
 * A small question cut out of a real one: some optional stages, two options each, so that
 * everything can be tried.
 */
export function cut(planCase: PlanCase, seed: number): PlanCase {
  const next = stream(seed + 977)
  const kept = new Set(OPTIONAL.filter(() => next(10) < 5))
  return {
    ...planCase,
    maxExfoliations: 1 + next(2),
    stages: planCase.stages.map((stage) => {
      if (stage.must) return { ...stage, options: stage.options.slice(0, 1) }
      if (!kept.has(stage.id) || stage.options.length === 0) return { ...stage, options: [] }
      const start = next(stage.options.length)
      return {
        ...stage,
        options: [
          ...new Map(
            [0, 1]
              .flatMap((i) => stage.options[(start + i * 3) % stage.options.length] ?? [])
              .map((option) => [option.id, option]),
          ).values(),
        ],
      }
    }),
  }
}
export const realistic = (seed: number): { c: PlanCase; slotTicks: number } => {
  const ownQuestion = question(seed)
  return { c: compile(ownQuestion.input), slotTicks: ownQuestion.slotTicks }
}
export const small = (seed: number): { c: PlanCase; slotTicks: number } => {
  const ownRealistic = realistic(seed)
  return {
    c: cut(ownRealistic.c, seed),
    slotTicks: Math.min(ownRealistic.slotTicks, 24 + stream(seed + 5)(97)),
  }
}
