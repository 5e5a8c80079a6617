import { z } from 'zod'
import { unanswered, type SignAnswers } from '#core/aftercare/grading'
import { SIGN_IDS, SIGNS, type SignId } from '#core/catalogue/rules/grading'
import { HOME_SINCE_IDS } from '#core/catalogue/home/homeWords'
import { HOME_STEP_COUNTS, HOME_STEP_IDS } from '#core/catalogue/home/homeSteps'
import { HOME_STRENGTH_IDS, NIGHT_IDS } from '#core/catalogue/home/nightRows'
import { PACK_LEFT_IDS } from '#core/catalogue/rules/adherence'
import { MOST_A_WEEK } from '#core/catalogue/rules/recovery'
import type { HomeAsked, HomeUse, HomeWishes } from '#core/home/asked'
import { WEEK_DAYS } from '#core/units'
import { PHOTOGRAPH_LIMIT, photographPost } from './care'
import { day, id, line, regions, said } from './common'

const nightId = z.enum(NIGHT_IDS)
const strength = z.enum(HOME_STRENGTH_IDS)
const perWeek = (least: number) =>
  z.int('a whole number').min(least, `at least ${least}`).max(MOST_A_WEEK, `at most ${MOST_A_WEEK}`)
const use: z.ZodType<HomeUse> = z.strictObject({
  perWeek: perWeek(0),
  strength,
  since: z.enum(HOME_SINCE_IDS),
})
const weekday = z.int().min(1, 'from Monday').max(WEEK_DAYS, 'to Sunday')
const once = (list: readonly unknown[]) => new Set(list).size === list.length

/** What a client says of home. */
export const homeAsked: z.ZodType<HomeAsked> = z.strictObject({
  steps: z.literal(HOME_STEP_COUNTS),
  wearsCover: z.boolean(),
  uses: z.partialRecord(nightId, use),
  // What older rows do not hold was not asked then.
  oilAtHome: z.boolean().default(false),
  packs: z.partialRecord(z.enum(HOME_STEP_IDS), z.enum(PACK_LEFT_IDS)).default({}),
  vitaminC: z.boolean(),
  usesNow: line(600),
  shaves: z.array(weekday).max(WEEK_DAYS).refine(once, 'each day once'),
  away: z
    .strictObject({ from: day, to: day })
    .refine(({ from, to }) => from <= to, 'ends before it begins')
    .nullable(),
  sunDays: z.array(day).max(10, 'at most 10'),
  outdoors: z.boolean(),
  phased: z.strictObject({ name: said(80), since: day }).nullable(),
})
export const homeWishes: z.ZodType<HomeWishes> = z.strictObject({
  nights: z
    .array(z.strictObject({ id: nightId, perWeek: perWeek(1), strength }))
    .max(NIGHT_IDS.length)
    .refine((list) => once(list.map((wish) => wish.id)), 'each once'),
  vitaminC: z.boolean(),
  named: z.record(said(40), said(60).nullable()),
})
export const homeAskedPost = z.strictObject({ id, asked: homeAsked })
/** The routine is worked out by the house from these; what the page showed is not taken over. */
export const routinePost = z.strictObject({ id, asked: homeAsked, wishes: homeWishes })

const valuesOf = (sign: SignId) =>
  SIGNS.find((row) => row.id === sign)?.choices.map(({ value }) => value) ?? []
/** Each sign with one of its own answers. */
export const signAnswers: z.ZodType<SignAnswers> = z
  .partialRecord(z.enum(SIGN_IDS), z.string().max(20))
  .refine(
    (answers) =>
      SIGN_IDS.every((sign) => {
        const given = answers[sign]
        return given === undefined || valuesOf(sign).includes(given)
      }),
    'answers of the question',
  )
  // Silence is no answer: what was not said is not graded.
  .refine((answers) => unanswered(answers).length === 0, 'every question answered')
export const ANSWER_LIMIT = PHOTOGRAPH_LIMIT + 10_000
export const howOpen = z.strictObject({ token: z.string().max(60) })
export const howSubmit = z.strictObject({
  token: z.string().max(60),
  answers: signAnswers,
  /** A picture the client sends along, of their own will. */
  jpeg: photographPost.shape.jpeg.nullable(),
})
/** What a client says on the telephone, written down by whoever heard it. */
export const toldPost = z.strictObject({ checkInId: id, answers: signAnswers })
export const answeredPost = z.strictObject({
  checkInId: id,
  note: said(600),
  /** The bottle that is suspected; none is preselected. */
  suspected: said(60).nullable(),
})
export const referralPost = z.strictObject({
  id,
  regions,
  seen: said(600),
  since: said(200),
})
export const referralAnswerPost = z.strictObject({ referralId: id, answer: said(2000) })
export const cardLinkPost = z.strictObject({ id, send: z.boolean() })
export const messageDo = z.strictObject({ does: z.enum(['again', 'stop']) })
