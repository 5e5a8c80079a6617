import { howMany } from '#core/words'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { placeOf, shortName } from '#core/catalogue/techniques/traits'
import { SIDE_NAMES } from '#core/face/sides'
import { doseOf } from '#core/dosing/layers'
import type { PlanInput } from '#core/planning/input'
import { isLink } from '#core/planning/steps/link'
import type { PlanFinding } from '#core/planning/checks/check'

/** Pixels that words take on the strip: of the largest letters, so that nothing is ever cut. */
export const LINE = { head: 25, chip: 24, name: 19, why: 18, pad: 5, mend: 28 } as const
const LETTER = { name: 8.2, detail: 6.7, why: 6.7, chip: 7.2 } as const
/** Room around a word: minutes beside a name, and the dot between two small steps. */
const AROUND = { minutes: 56, chip: 46 } as const

/** A small step by name, with the half that it is done on. */
export const chipName = (step: PlanStep): string =>
  [shortName(step), ...(step.half ? [SIDE_NAMES[step.half]] : [])].join(', ')

/** Where, how much, how often and at which level: what stands beside a step's name. */
export function detailOf(step: PlanStep, input: PlanInput): string {
  const item = input.shelf.find((one) => one.product.id === step.productId)
  const amount = item && step.regions.length > 0 ? doseOf(step, item.product, input).words : ''
  return [placeOf(step), amount, passesOf(step), settingOf(step)].filter(Boolean).join(' · ')
}
const passesOf = ({ passes }: PlanStep): string => (passes ? howMany(passes, 'pass') : '')
function settingOf({ technique, setting }: PlanStep): string {
  const own = TECHNIQUES[technique].setting
  if (!own || setting === undefined) return ''
  const [before, after] = own.unit ? [setting, own.unit] : [own.label.toLowerCase(), setting]
  // A number and its unit stay on one line.
  return `${before}\u00a0${after}`
}

/** Rows that say what every step of a kind is for, or repeat what stands beside it. */
const GENERAL = /^(technique-|dwell$)/
/**
 * Why a step is there, and what of this client makes it less than usual; nothing where it only
 * connects and its name says so.
 */
export function whyOf(step: PlanStep): string {
  const [first, second] = step.why
  if (!first || isLink(step)) return ''
  return [first, ...(second && !GENERAL.test(second.rule) ? [second] : [])]
    .map(({ text }) => text)
    .join(' · ')
}

interface Line {
  step: PlanStep
  detail: string
  why: string
  findings: readonly PlanFinding[]
}
const linesFor = (pixels: number, width: number): number => Math.max(1, Math.ceil(pixels / width))

/** What a step needs that is shown in full: its name with its particulars, and its reason or finding. */
export function heightOf({ step, detail, why: own, findings }: Line, width: number): number {
  const { name } = techniqueOf(step)
  const head = name.length * LETTER.name + AROUND.minutes + detail.length * LETTER.detail
  const [finding] = findings
  const why = finding?.text ?? own
  const mend = finding && finding.mends.length > 0 ? LINE.mend : 0
  return (
    linesFor(head, width) * LINE.name +
    (why ? linesFor(why.length * LETTER.why, width) * LINE.why : 0) +
    mend +
    LINE.pad
  )
}

/** What small steps need that stand in lines like words. */
export function wrapped(lines: readonly Line[], width: number): number {
  let rows = 1
  let left = width
  for (const { step } of lines) {
    const own = chipName(step).length * LETTER.chip + AROUND.chip
    if (own > left && left < width) {
      rows += 1
      left = width
    }
    left -= own
  }
  return rows * LINE.chip + LINE.pad
}
