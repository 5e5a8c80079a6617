import { restKind } from '#core/catalogue/techniques/resting'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { shortName } from '#core/catalogue/techniques/traits'
import type { PhaseId } from '#core/catalogue/techniques/phases'
import type { PhaseOfPlan } from '#core/planning/answer/composed'
import type { Check, PlanFinding } from '#core/planning/checks/check'
import { describeSkin } from '#core/surface/words'
import { SHORTEST_STEP } from '#core/units'
import { heightOf, LINE, whyOf, wrapped } from './lines'

/** Pixels of the whole strip, and how wide its steps are. */
export interface StripSize {
  cloth: number
  width: number
}
const MOST_PER_MINUTE = 9
/** A mask's own name needs so much. */
const LEAST_REST = 48

/** One step on the strip: in full where it matters, a word in a line of others where it does not. */
export interface StripLine {
  place: number
  step: PlanStep
  findings: readonly PlanFinding[]
  whole: boolean
  intention: number | undefined
  detail: string
  why: string
  /** Pixels at least, and those kept free below the last of a line of small ones. */
  height: number
  below: number
  start: string
}
export interface StripPhase {
  id: PhaseId
  name: string
  minutes: number
  first: number
  lines: StripLine[]
}
interface Block {
  lines: StripLine[]
  least: number
  minutes: number
}

/** What is written on the strip, and what each block of it needs. */
export interface StripWords {
  phases: StripPhase[]
  /** Steps that lie in one block: one that matters, or small ones in a row. */
  blocks: readonly { lines: readonly StripLine[]; minutes: number; top: number; height: number }[]
  total: number
}

/**
 * What stands on the strip, and how much room each block of it takes at least. Everything keeps the
 * height that its words need; what room is left goes by the minute, so that time reads as height.
 * @param unfolded parts of the visit whose small steps are shown in full
 */
export function stripWords(
  composed: readonly PhaseOfPlan[],
  check: Check,
  detail: (step: PlanStep) => string,
  size: StripSize,
  unfolded: ReadonlySet<PhaseId>,
): StripWords {
  const times = check.trace.schedule.steps
  const phases = composed.map((phase): StripPhase & { blocks: Block[] } => {
    const lines = phase.steps.map(({ step, matters, intention }, i): StripLine => {
      const place = phase.first + i
      const findings = check.findings.filter(({ key }) => key === step.key)
      return {
        place,
        step,
        findings,
        whole: matters || findings.length > 0 || unfolded.has(phase.id),
        intention,
        detail: detail(step),
        why: whyOf(step),
        height: 0,
        below: 0,
        start: clockOf(times[place]?.start ?? 0),
      }
    })
    const { id, name, minutes, first } = phase
    return { id, name, minutes, first, lines, blocks: blocksOf(lines, size.width) }
  })
  const all = phases.flatMap((phase) => phase.blocks)
  const needed = all.reduce((sum, { least }) => sum + least, phases.length * LINE.head)
  const spare =
    (size.cloth - needed) /
    Math.max(
      1,
      all.reduce((sum, own) => sum + own.minutes, 0),
    )
  const perMinute = Math.max(0, Math.min(MOST_PER_MINUTE, spare))
  let total = 0
  const blocks = phases.flatMap((phase) => {
    total += LINE.head
    return phase.blocks.map(({ lines, least, minutes }) => {
      const height = least + Math.round(minutes * perMinute)
      const last = lines[lines.length - 1]
      if (last?.whole) last.height = height
      else if (last) last.below = height - least
      total += height
      return { lines, minutes, height, top: total - height }
    })
  })
  return { phases: phases.map(({ blocks: _blocks, ...phase }) => phase), blocks, total }
}

/**
 * What lies beside the steps: the clock, the skin, what rests.
 * @param blocks where each block really stands, pixels
 */
export function stripSides({ blocks, total }: StripWords, { trace }: Check) {
  const times = trace.schedule.steps
  const tops: number[] = []
  const heights: number[] = []
  for (const { lines, minutes, top, height } of blocks) {
    let done = 0
    for (const { place, step } of lines) {
      const whole = Math.max(SHORTEST_STEP, minutes)
      tops[place] = top + (done / whole) * height
      heights[place] = (step.minutes / whole) * height
      done += step.minutes
    }
  }
  /** Where a minute of the clock lies on the bent scale. */
  function yOf(minute: number): number {
    const at = times.findIndex((time) => minute <= time.end)
    const time = times[at]
    if (!time) return total
    const share = (minute - time.start) / Math.max(SHORTEST_STEP, time.end - time.start)
    return (tops[at] ?? 0) + share * (heights[at] ?? 0)
  }
  const { resting } = trace.schedule
  return {
    times: blocks.flatMap(({ lines: [first], top }) =>
      first ? [{ key: first.step.key, start: first.start, top }] : [],
    ),
    skin: skinBands(trace.states, tops, heights, total),
    rests: resting.map((rest, i) => ({
      ...rest,
      lane: resting.slice(0, i).filter((other) => other.end > rest.start).length,
      kind: restKind(techniqueOf(rest)),
      name: shortName(rest).replace(/^Setting |( mask| peel)$/g, ''),
      top: yOf(rest.start),
      height: Math.max(LEAST_REST, yOf(rest.end) - yOf(rest.start)),
      outside: rest.end - rest.start > rest.latest || rest.end - rest.start < rest.earliest,
    })),
  }
}

const clockOf = (minute: number): string =>
  Number.isInteger(minute) ? String(minute) : minute.toFixed(1)

/** A step that matters by itself; small ones in a row as one block of lines. */
function blocksOf(lines: readonly StripLine[], width: number): Block[] {
  const blocks: Block[] = []
  for (const line of lines) {
    const last = blocks[blocks.length - 1]
    if (!line.whole && last && !last.lines[0]?.whole) {
      last.lines.push(line)
      last.minutes += line.step.minutes
    } else blocks.push({ lines: [line], least: 0, minutes: line.step.minutes })
  }
  return blocks.map((block) => {
    const [first] = block.lines
    const least = first?.whole ? heightOf(first, width) : wrapped(block.lines, width)
    return { ...block, least }
  })
}

/** What the skin is like, step by step; bands that say the same are one, each down to the next. */
function skinBands(
  states: Check['trace']['states'],
  tops: readonly number[],
  heights: readonly number[],
  total: number,
) {
  const bands: { top: number; height: number; text: string; id: string }[] = []
  states.forEach((state, i) => {
    const { id, text } = describeSkin(state.after)
    const top = bands.length === 0 ? 0 : (tops[i] ?? 0)
    if (bands[bands.length - 1]?.text !== text) bands.push({ top, height: 0, text, id })
  })
  const end = Math.max(total, ...tops.map((top, i) => top + (heights[i] ?? 0)))
  return bands.map((band, i) => ({
    ...band,
    height: (bands[i + 1]?.top ?? end) - band.top,
    text: bandWords(band.text, (bands[i + 1]?.top ?? end) - band.top),
  }))
}

/** A low band says the first of its words, a lower one none. */
function bandWords(text: string, height: number): string {
  if (height < BAND.one) return ''
  return height < BAND.two && text.length > BAND.letters ? (text.split(',')[0] ?? '') : text
}
const BAND = { one: 17, two: 32, letters: 12 } as const
