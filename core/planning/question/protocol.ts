import type { PlanStep, ProtocolStep } from '../../catalogue/techniques/step'
import { canPin, onlyConnects } from '../../catalogue/techniques/traits'
import type { Option, Stage } from './planCase'
import { ticksWithin } from '../../units'

/**
 * Worth more than anything an aim can add: what the protocol names is done wherever this skin and
 * this hour allow it.
 */
const NAMED = 1_000_000
const PER_HALF_MINUTE = 2000

/**
 * A stage as the protocol has it: only what it names, as near to its minutes as may be. What every
 * visit needs stays.
 */
export function byProtocol(stage: Stage, protocol: readonly ProtocolStep[]): Stage {
  const wanted = (o: Option) => o.main.every((t) => protocol.some((p) => p.technique === t))
  const named = stage.options.filter(wanted)
  if (stage.must) return named.length > 0 ? { ...stage, options: named } : stage
  return {
    ...stage,
    options: named.map((o) => ({
      ...o,
      taste: o.taste + NAMED * o.main.length - PER_HALF_MINUTE * awayFrom(o, protocol),
    })),
  }
}
function awayFrom(o: Option, protocol: readonly ProtocolStep[]): number {
  return o.main.reduce((sum, t) => {
    const m = o.moves.find((x) => x.technique === t)
    const p = protocol.find((x) => x.technique === t)
    return sum + (m && p ? ticksWithin(Math.abs((m.dwell ?? m.minutes) - p.minutes)) : 0)
  }, 0)
}

/**
 * What one version of a protocol changed against another: what is new, what is gone, and what takes
 * other minutes.
 */
export function changedProtocol(
  was: readonly ProtocolStep[],
  now: readonly ProtocolStep[],
): {
  added: ProtocolStep[]
  gone: ProtocolStep[]
  other: { technique: ProtocolStep['technique']; was: number; is: number }[]
} {
  const before = (s: ProtocolStep) => was.find((w) => w.technique === s.technique)
  return {
    added: now.filter((s) => !before(s)),
    gone: was.filter((w) => !now.some((s) => s.technique === w.technique)),
    other: now.flatMap((s) => {
      const w = before(s)
      return w && w.minutes !== s.minutes
        ? [{ technique: s.technique, was: w.minutes, is: s.minutes }]
        : []
    }),
  }
}

/** Minutes of the main work that a protocol names. */
export const protocolMinutes = (steps: readonly ProtocolStep[]): number =>
  steps.reduce((sum, s) => sum + s.minutes, 0)

/**
 * What a plan would be kept as: its main steps with their minutes on the hands, or on the skin
 * where they rest.
 */
export function asProtocol(
  steps: readonly PlanStep[],
  restedFor: (key: string) => number | undefined,
): ProtocolStep[] {
  return steps
    .filter((s) => canPin(s.technique) && !onlyConnects(s.technique))
    .map((s) => ({ technique: s.technique, minutes: restedFor(s.key) ?? s.minutes }))
}
