import { expect } from '@playwright/test'
import type { RecordDraft } from '#core/record/build'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { TreatmentEvent } from '#core/treatment/taps/events'
import type { VisitBundle } from '#core/visit/bundle'
import { readParts, recordParts } from '#core/visit/record'

/** What the taps alone say of one step: read off with a list and a watch, by nothing of the house. */
interface Told {
  key: string
  /** Minutes between the tap that ended it and the one before, less what was held. */
  minutes: number
  /** With it the ticks inside it, which share these minutes. */
  inside: readonly string[]
  because?: string
}

/** The steps that ended, in their order; one taken back counts from its next end on. */
function told(events: readonly TreatmentEvent[]): Told[] {
  const ordered = [...events].sort((one, other) => one.at - other.at || one.seq - other.seq)
  const lastEnd = (key: string, before: number) =>
    ordered.findLastIndex(
      ({ body }, at) => at < before && body.kind === 'stepDone' && body.key === key,
    )
  const gone = new Set<number>()
  ordered.forEach(({ body }, at) => {
    if (body.kind === 'takenBack') gone.add(lastEnd(body.key, at))
  })
  const out: Told[] = []
  let from = ordered.find(({ body }) => body.kind === 'started')?.at ?? 0
  let held = 0
  let since: number | undefined
  ordered.forEach(({ at, body }, place) => {
    if (body.kind === 'held') since ??= at
    if (body.kind === 'resumed' && since !== undefined) {
      held += at - Math.max(since, from)
      since = undefined
    }
    if (body.kind !== 'stepDone' || gone.has(place)) return
    if (out.some(({ key }) => key === body.key)) return
    const minutes = (at - from - held) / 60_000
    const because = body.because === undefined ? {} : { because: body.because }
    out.push({ key: body.key, minutes, inside: body.with ?? [], ...because })
    from = at
    held = 0
  })
  return out
}

/** The record as the house would seal it, of what its page shows. */
export function recordOf(bundle: VisitBundle): RecordDraft {
  const { treatment } = readParts(recordParts(bundle, ''))
  if (!treatment) throw new Error('no treatment on the record')
  return treatment
}

/**
 * The record equals what was done, line by line: the minutes of each step with its ticks, why one
 * ended before its cue, the amount that was tapped, the pads, the water, what was swapped.
 */
export function recordEqualsTaps(bundle: VisitBundle): void {
  const { lines, startedAt, finishedAt } = recordOf(bundle)
  const { events } = bundle
  const done = told(events)
  const line = (key: string) => {
    const own = lines.find((one) => one.key === key)
    if (!own) throw new Error(`no line for ${key}`)
    return own
  }
  for (const { key, minutes, inside, because } of done) {
    const all = [key, ...inside].map(line)
    const sum = all.reduce((total, own) => total + (own.actualMinutes ?? Number.NaN), 0)
    // Each line is written to the half minute.
    expect(Math.abs(sum - minutes), key).toBeLessThanOrEqual(0.25 * all.length + 1e-9)
    if (because !== undefined) expect(line(key).deviation, key).toContain(because)
  }
  const over = new Set(done.flatMap(({ key, inside }) => [key, ...inside]))
  for (const own of lines) expect(own.actualMinutes !== null, own.key).toBe(over.has(own.key))
  const last = <Kind extends TreatmentEvent['body']['kind']>(kind: Kind) =>
    events.flatMap(({ body }) =>
      body.kind === kind ? [body as Extract<TreatmentEvent['body'], { kind: Kind }>] : [],
    )
  for (const tap of last('amountTaken'))
    expect(line(tap.key).product?.takenMl, tap.key).toBeCloseTo(
      last('amountTaken').findLast(({ key }) => key === tap.key)?.millilitres ?? -1,
      2,
    )
  for (const { key, productId } of last('productSwapped'))
    expect(line(key).product?.id).toBe(
      last('productSwapped').findLast((own) => own.key === key)?.productId ?? productId,
    )
  for (const { key } of last('padGraded'))
    expect(line(key).pads).toEqual(
      last('padGraded').flatMap((own) => (own.key === key ? [own.grade] : [])),
    )
  const at = (kind: 'started' | 'finished') => events.find(({ body }) => body.kind === kind)?.at
  const iso = (ms: number | undefined) => (ms === undefined ? null : new Date(ms).toISOString())
  expect(startedAt).toBe(iso(at('started')))
  expect(finishedAt).toBe(iso(at('finished')))
  for (const { key, technique } of bundle.plans.at(-1)?.steps ?? [])
    expect(line(key).name).toBe(TECHNIQUES[technique].name)
}
