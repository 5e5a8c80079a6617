import { TOOLS, type ToolId } from '../catalogue/techniques/tools'
import { toMilliseconds } from '../units'

/** What is done to a tool after a client, in this order; and its worn part changed for a new one. */
export const CLEANING_STEPS = ['washed', 'soaking', 'ready', 'changed'] as const
export type CleaningStep = (typeof CLEANING_STEPS)[number]

/** Moments are milliseconds since 1970. */
export interface Cleaning {
  step: CleaningStep
  pieces: number
  at: number
}
export interface ToolLife {
  tool: ToolId
  /** How many the house has. */
  pieces: number
  /** Minutes that the disinfectant must stay wet. */
  contactMinutes: number
  /** When one was used: once a visit. */
  uses: readonly number[]
  cleanings: readonly Cleaning[]
}
/** Where the pieces of a tool are now; together they are all that the house has. */
export interface ToolStanding {
  clean: number
  /** Used, and nothing done yet. */
  used: number
  washed: number
  /** In the disinfectant, each batch with the moment from which it may come out. */
  soaking: readonly { pieces: number; until: number }[]
}

const soakingIn = ({ soaking }: ToolStanding): number =>
  soaking.reduce((sum, { pieces }) => sum + pieces, 0)

/** Where every piece is after all that was done, in the order in which it was done. */
export function standingOf(life: ToolLife): ToolStanding {
  const deeds = [
    ...life.uses.map((at) => ({ at, step: 'used' as const, pieces: 1 })),
    ...life.cleanings,
  ].sort((one, other) => one.at - other.at)
  let now: ToolStanding = { clean: life.pieces, used: 0, washed: 0, soaking: [] }
  for (const { at, step, pieces } of deeds) now = moved(now, step, pieces, at, life.contactMinutes)
  return now
}

function moved(
  now: ToolStanding,
  step: 'used' | CleaningStep,
  wanted: number,
  at: number,
  contactMinutes: number,
): ToolStanding {
  const pieces = Math.min(wanted, possible(now, step, at))
  if (pieces === 0) return now
  switch (step) {
    case 'used':
      return { ...now, clean: now.clean - pieces, used: now.used + pieces }
    case 'washed':
      return { ...now, used: now.used - pieces, washed: now.washed + pieces }
    case 'soaking': {
      const until = at + toMilliseconds(contactMinutes)
      return {
        ...now,
        washed: now.washed - pieces,
        soaking: [...now.soaking, { pieces, until }],
      }
    }
    case 'changed':
      return now
    case 'ready':
      return { ...now, clean: now.clean + pieces, soaking: takenOut(now.soaking, pieces, at) }
  }
}

/** The batches that are left when so many pieces have come out of those whose time is over. */
function takenOut(
  soaking: ToolStanding['soaking'],
  pieces: number,
  at: number,
): ToolStanding['soaking'] {
  let out = pieces
  return soaking.flatMap((batch) => {
    if (batch.until > at) return [batch]
    const taken = Math.min(out, batch.pieces)
    out -= taken
    return taken < batch.pieces ? [{ ...batch, pieces: batch.pieces - taken }] : []
  })
}

/**
 * With how many pieces a step can be done now: only what is washed is disinfected, and nothing
 * comes out before its time.
 */
export function possible(now: ToolStanding, step: 'used' | CleaningStep, at: number): number {
  if (step === 'used') return now.clean
  if (step === 'washed') return now.used
  if (step === 'changed') return now.clean + now.used + now.washed + soakingIn(now)
  if (step === 'soaking') return now.washed
  return now.soaking.filter(({ until }) => until <= at).reduce((sum, { pieces }) => sum + pieces, 0)
}

/** How much of the life of its worn part is used; none where nothing of it wears. */
export interface Wear {
  part: string
  /** Visits since it was changed, and after how many it is due. */
  uses: number
  after: number
}
/** It is changed before anybody is treated with it. */
export const isWorn = (wear: Wear | undefined): boolean =>
  wear !== undefined && wear.uses >= wear.after

/** Nothing of it is clean, or its worn part is due: no plan may use it until that is seen to. */
export const isHeld = (now: ToolStanding, wear?: Wear): boolean => now.clean <= 0 || isWorn(wear)

/** Why a technique cannot be planned with it. */
export function heldWords(tool: ToolId): string {
  const { name, wears } = TOOLS[tool]
  return wears
    ? `the ${name} is not ready: not clean yet, or its ${wears.part} is due`
    : `the ${name} is not clean yet`
}

/** "1 clean · 1 used · 1 in the disinfectant". */
export const standingWords = (now: ToolStanding): string =>
  [
    `${now.clean} clean`,
    now.used > 0 ? `${now.used} used` : '',
    now.washed > 0 ? `${now.washed} washed` : '',
    soakingIn(now) > 0 ? `${soakingIn(now)} in the disinfectant` : '',
  ]
    .filter(Boolean)
    .join(' · ')
