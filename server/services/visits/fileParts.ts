import { z } from 'zod'
import { FINDING_ORDER, FINDINGS } from '#core/catalogue/consultation/findings'
import { SEALED_PART } from '#core/record/walk'
import { readings } from '#core/skin/readingShapes'

/*
 * A file is read as it is written: whatever of it this house has no words for is left aside and
 * named, never guessed at.
 */
const words = z.string().catch('')
const number = z.number().nullable().catch(null)
const listOf = <Item extends z.ZodType>(item: Item) => z.array(item).catch([])
const bottle = z
  .object({
    name: words,
    lot: z.string().nullable().catch(null),
    takenMl: number,
    plannedMl: number,
  })
  .nullable()
  .catch(null)
const treatment = z.object({
  plannedMinutes: number,
  actualMinutes: number,
  stopped: z.object({ reason: words }).nullable().catch(null),
  lines: z.array(
    z.object({
      name: words,
      zones: words,
      plannedMinutes: number,
      actualMinutes: number,
      product: bottle,
      along: listOf(bottle),
      deviation: z.string().nullable().catch(null),
    }),
  ),
  reactions: listOf(z.object({ at: words, text: words, verdict: words })),
  contraActions: listOf(z.object({ what: words, where: words, done: words })),
})
const sentHome = z.array(z.object({ sentence: words, why: words, until: words }))
const consultation = z.object({
  medicines: words,
  answers: z.record(z.string(), z.object({ say: words }).catch({ say: '' })).catch({}),
})
const skin = z.object({
  madeUp: readings.nullable().catch(null),
  bare: readings.nullable().catch(null),
})
/** Parts that are read here; what else a record holds stands in its file. */
const READ_HERE = ['treatment', 'aftercare', 'consultation', 'reading', 'notes'] as const
/** Parts that say the same as the others, for a house to count with. */
const NOTHING_MORE: readonly string[] = ['visit', 'work', SEALED_PART]

interface Part {
  name: string
  salt: string | null
  content: unknown
}

const bottleWords = (of: z.output<typeof bottle>): { name: string; amount: string }[] => {
  if (!of || of.name === '') return []
  const taken = of.takenMl ?? of.plannedMl
  const amount = [taken === null ? '' : `${taken} mL`, of.lot ?? ''].filter(Boolean).join(', ')
  return [{ name: of.name, amount }]
}

/** What was said yes to, and what nobody was sure of, in our own words for the questions. */
const answerWords = (answers: Record<string, { say: string }>): string[] =>
  FINDING_ORDER.flatMap((id) => {
    const say = answers[id]?.say
    if (say === 'yes') return [FINDINGS[id].short]
    return say === 'unsure' ? [`${FINDINGS[id].short} (unsure)`] : []
  })

/** A part as it is understood here; what it would be if it said nothing, where it is not. */
function understood<Shape extends z.ZodType>(shape: Shape, content: unknown, none: unknown) {
  const read = shape.safeParse(content)
  return { ok: read.success, value: (read.data ?? shape.parse(none)) as z.output<Shape> }
}

/** What the sealed parts of one visit say. */
export function partsRead(parts: readonly Part[]) {
  const find = (name: (typeof READ_HERE)[number]) =>
    parts.find((part) => part.name === name)?.content
  const known = {
    treatment: understood(treatment, find('treatment'), { lines: [] }),
    aftercare: understood(sentHome, find('aftercare'), []),
    consultation: understood(consultation, find('consultation'), {}),
    reading: understood(skin, find('reading'), {}),
    notes: understood(z.string(), find('notes'), ''),
  }
  const isRead = (name: string) => READ_HERE.some((own) => own === name && known[own].ok)
  const { plannedMinutes, actualMinutes, stopped, ...did } = known.treatment.value
  return {
    plannedMinutes,
    actualMinutes,
    stopped: stopped?.reason ?? null,
    lines: did.lines.map(({ product, along, ...line }) => ({
      ...line,
      products: [product, ...along].flatMap(bottleWords),
    })),
    reactions: did.reactions.map(({ text, verdict }) => `${text} → ${verdict}`),
    contraActions: did.contraActions.map(
      ({ what, where, done }) => `${what} (${where}). Done: ${done}`,
    ),
    sentHome: known.aftercare.value,
    medicines: known.consultation.value.medicines,
    answers: answerWords(known.consultation.value.answers),
    readings: known.reading.value,
    notes: known.notes.value,
    unread: parts
      .filter(({ name, salt }) => salt === null || !(NOTHING_MORE.includes(name) || isRead(name)))
      .map(({ name }) => name),
  }
}

/** Where, when and with whom: what is sealed of it, not what stands beside the parts. */
export const headPart = z.object({
  practice: words,
  therapist: words,
  room: words,
  minutes: number,
  startsAt: words,
})
