import { z } from 'zod'
import type { ForecastLine } from '#core/aftercare/forecast'
import { HOME_STEP_IDS } from '#core/catalogue/home/homeSteps'
import { NIGHT_IDS } from '#core/catalogue/home/nightRows'
import { OUTCOME_IDS } from '#core/catalogue/rules/grading'
import type { HomeLine, HomeNight, HomeRoutine } from '#core/home/routine'
import type { Short } from '#core/home/wished'
import { homeAsked, homeWishes } from '../home'
import { at, count, id, isoDay, maybe, onRegions, text } from './common'

const lineId = z.enum([...HOME_STEP_IDS, ...NIGHT_IDS])
const night = z.enum(NIGHT_IDS)
const homeLine: z.ZodType<HomeLine> = z.strictObject({
  id: lineId,
  name: text,
  product: maybe,
  amount: text,
  how: text,
  why: text,
  wait: z.strictObject({ minutes: z.number(), sentence: text }).nullable(),
  from: isoDay.nullable(),
})
const homeNight: z.ZodType<HomeNight> = z.strictObject({
  day: isoDay,
  id: night.nullable(),
  bland: maybe,
})
const short: z.ZodType<Short> = z.strictObject({
  id: night,
  wanted: count,
  got: count,
  why: z.array(text),
})
const lines = z.array(homeLine)
export const homeRoutine: z.ZodType<HomeRoutine> = z.strictObject({
  from: isoDay,
  until: isoDay,
  morning: lines,
  evening: lines,
  byNight: z.partialRecord(night, lines),
  nights: z.array(homeNight),
  short: z.array(short),
  left: z.array(z.strictObject({ name: text, why: text })),
  notes: z.array(text),
})
const forecast: z.ZodType<ForecastLine> = z.strictObject({
  rule: text,
  sentence: text,
  advice: text,
  from: at,
  until: at,
  regions: onRegions,
})
const outcome = z.enum(OUTCOME_IDS)

/** A question to the client after a visit, and what became of it. */
export const checkIn = z.strictObject({
  id,
  dueOn: isoDay,
  answeredAt: at.nullable(),
  byTelephone: z.boolean(),
  outcome: outcome.nullable(),
  /** What was answered beside the mildest. */
  said: z.array(text),
  picture: z.boolean(),
  done: z.strictObject({ at, by: text, note: text }).nullable(),
  /** The bottle that was suspected, by name. */
  suspected: maybe,
})
export type CheckIn = z.infer<typeof checkIn>
export const message = z.strictObject({
  id,
  visitId: id,
  clientId: id,
  client: text,
  carries: z.enum(['question', 'card']),
  channel: z.enum(['mail', 'text']),
  sentTo: text,
  status: z.enum(['waiting', 'sent', 'failed', 'stopped']),
  tries: count,
  nextAt: at,
  trouble: maybe,
  at,
  endedAt: at.nullable(),
})
export type Message = z.infer<typeof message>
export const messagesReply = z.strictObject({
  connected: z.boolean(),
  timeZone: text,
  messages: z.array(message),
})
export type MessagesReply = z.infer<typeof messagesReply>
export const referral = z.strictObject({
  id,
  at,
  by: text,
  regions: onRegions,
  seen: text,
  since: text,
  answer: z.strictObject({ text, at }).nullable(),
})
export type Referral = z.infer<typeof referral>
/** All that lies after a visit. */
export const homeReply = z.strictObject({
  asked: z.strictObject({ at, by: text, asked: homeAsked }).nullable(),
  fromClient: homeAsked.nullable(),
  routine: z
    .strictObject({
      at,
      by: text,
      visitId: id,
      asked: homeAsked,
      wishes: homeWishes,
      routine: homeRoutine,
    })
    .nullable(),
  versions: z.array(z.strictObject({ at, by: text })),
  checkIns: z.array(checkIn),
  messages: z.array(message),
  referrals: z.array(referral),
  contact: z.strictObject({
    phone: maybe,
    email: maybe,
    messages: z.enum(['none', 'mail', 'text']),
  }),
  /** There is a post office on a line: without one nothing is sent. */
  sends: z.boolean(),
})
export type HomeReply = z.infer<typeof homeReply>
export const howOpened = z.strictObject({
  practice: text,
  phone: text,
  emergency: text,
  answered: z.boolean(),
})
export type HowOpened = z.infer<typeof howOpened>
export const howAnswered = z.strictObject({ outcome, says: text })
/** The card on the client's own device. */
export const cardReply = z.strictObject({
  practice: z.strictObject({
    name: text,
    phone: text,
    emergency: text,
    timeZone: text,
    cardText: text,
  }),
  therapist: text,
  at,
  lines: z.array(z.strictObject({ rule: text, sentence: text, why: text, until: at })),
  forecast: z.array(forecast),
  routine: homeRoutine.nullable(),
  next: at.nullable(),
})
export type CardReply = z.infer<typeof cardReply>
export const cardLinkReply = z.strictObject({ token: text, sent: z.boolean() })
