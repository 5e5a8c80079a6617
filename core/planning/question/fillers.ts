import { BODY_WHOLE_MINUTES } from '../../catalogue/rules/value'
import { FILLERS, STAY } from '../../catalogue/techniques/roles'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { toTicks, minutes } from '../../units'
import type { Allowance } from '../today/allowance'
import type { OptionMaker } from './options'
import type { Move } from './planCase'

/** What hands do while something rests, valued. */
interface Filler {
  name: string
  moves: readonly Move[]
  /** Those of what rests counted in. */
  effects: readonly number[]
  liking: number
  idle: number
}

/**
 * What hands may do meanwhile, less what another way of doing it for the same minutes beats or
 * equals in everything: any plan with it is no better than the same plan with the other.
 * @param free hands-free minutes
 * @param base effects of what rests
 */
export function fillersFor(
  make: OptionMaker,
  list: readonly Allowance[],
  free: number,
  base: readonly number[],
): Filler[] {
  const all = namesFor(make, list, free).map((name) => fillerOf(make, name, free, base))
  return all.filter(
    (filler) =>
      !all.some((other) => other !== filler && sameMinutes(other, filler) && beats(other, filler)),
  )
}

/**
 * Stay by what is watched by the second; else the two that a rest of this length is long enough
 * for, the longer first.
 */
function namesFor(
  make: OptionMaker,
  list: readonly Allowance[],
  free: number,
): (TechniqueId | undefined)[] {
  if (free <= 0) return [undefined]
  if (list.some((allowance) => allowance.technique.attended)) return [STAY]
  const long = FILLERS.filter(
    (id) =>
      (TECHNIQUES[id].fillsFrom ?? 0) <= free &&
      (!TECHNIQUES[id].byChoice || make.allow(id).never.length === 0),
  )
  return long.length > 0 ? long : [STAY]
}

function fillerOf(
  make: OptionMaker,
  name: TechniqueId | undefined,
  free: number,
  base: readonly number[],
): Filler {
  const moves = name ? meanwhile(name, free) : []
  const share = (move: Move) => Math.min(1, move.minutes / BODY_WHOLE_MINUTES)
  const liking = (move: Move) =>
    (make.method.taste[move.technique] ?? 0) + make.allow(move.technique).favour
  const idleTicks = (move: Move) => (techniqueOf(move).idle ? toTicks(move.minutes) : 0)
  return {
    name: name ?? 'none',
    moves,
    effects: moves
      .map((move) => make.effects.of(techniqueOf(move), [], share(move)))
      .reduce<readonly number[]>(plus, base),
    liking: moves.reduce((sum, move) => sum + liking(move), 0),
    idle: moves.reduce((sum, move) => sum + idleTicks(move), 0),
  }
}

/** One filler; where the mask rests longer than that takes, somebody stays by. */
function meanwhile(name: TechniqueId, free: number): Move[] {
  const first = Math.min(free, TECHNIQUES[name].minutes.most)
  const body = (technique: TechniqueId, took: number): Move[] =>
    took > 0 ? [{ technique, regions: [], minutes: minutes(took) }] : []
  return [...body(name, first), ...body(STAY, free - first)]
}

const sameMinutes = (one: Filler, other: Filler): boolean =>
  one.moves.length === other.moves.length &&
  one.moves.every((move, i) => move.minutes === other.moves[i]?.minutes)

function beats(one: Filler, other: Filler): boolean {
  const less = one.effects.some((effect, i) => effect < (other.effects[i] ?? 0))
  if (one.liking < other.liking || one.idle > other.idle || less) return false
  return (
    one.liking > other.liking ||
    one.idle < other.idle ||
    one.effects.some((effect, i) => effect > (other.effects[i] ?? 0)) ||
    one.name < other.name
  )
}

/** Two rows of effects added up, aim by aim. */
export const plus = (one: readonly number[], other: readonly number[]): readonly number[] =>
  one.map((effect, i) => effect + (other[i] ?? 0))
