import { followersOf, hasOccasion, stageRank } from '../../catalogue/techniques/stages'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import type { RegionId } from '../../face/zones'
import { reachOf } from '../agenda/reach'
import type { PlanInput } from '../input'
import type { Minutes } from '../../units'
import type { Allow, Allowance } from '../today/allowance'
import { isNamed } from '../today/named'
import { thatAsk } from '../today/need'
import { bottles, type Bottle } from './bottles'
import type { Move } from './planCase'

/** What puts moves together: what today allows, and a move of it with its bottle. */
interface Making {
  input: PlanInput
  allow: Allow
  move(allowance: Allowance, regions: readonly RegionId[], minutes: Minutes, bottle: Bottle): Move
}

/** What this house does straight after a step: the bud at the lash roots, the rest of the cream. */
export class Followers {
  constructor(private readonly make: Making) {}

  /**
   * Each way to go on from a step: as it is, or with all that the house adds. What is named is in each; a
   * protocol that is followed says all that there is.
   */
  ways(id: TechniqueId, regions: readonly RegionId[]): Move[][] {
    const { input } = this.make
    const own = followersOf(id)
      .filter((follower) => this.hostsOf(follower).includes(id))
      .flatMap((follower) => this.moveOf(follower, regions))
    const named = own.filter(({ technique }) => isNamed(technique, input))
    if (input.protocol || named.length === own.length) return [named]
    return [named, own]
  }

  /**
   * After which steps it is done, once a visit: after the one before it in the protocol that is followed,
   * else in the last stage that has such a step today.
   */
  private hostsOf(id: TechniqueId): readonly TechniqueId[] {
    const { input, allow } = this.make
    const hosts = TECHNIQUES[id].straightAfter ?? []
    const names = (input.protocol ?? []).map(({ technique }) => technique)
    const place = names.indexOf(id)
    if (place >= 0) {
      const own = names.slice(0, place).findLast((name) => hosts.includes(name))
      return own === undefined ? hosts : [own]
    }
    const today = hosts.filter(
      (host) => hasOccasion(TECHNIQUES[host], input) && allow(host).never.length === 0,
    )
    const last = Math.max(-1, ...today.map(stageRank))
    return today.filter((host) => stageRank(host) === last)
  }

  /** Where the step before it went and today allows it; nothing where that is nowhere. */
  private moveOf(id: TechniqueId, regions: readonly RegionId[]): Move[] {
    const allowance = this.make.allow(id)
    if (allowance.never.length > 0) return []
    const technique = TECHNIQUES[id]
    const pin = this.make.input.pins?.find((step) => step.technique === id)
    const reach = reachOf(technique, pin?.regions ?? regions)
    const asks = pin ? reach : thatAsk(technique, reach, this.make.input)
    const open = asks.filter((region) => !allowance.barred.has(region))
    if (open.length === 0 && !technique.groups.includes('body')) return []
    const { choices, least } = technique.minutes
    const bottle = bottles(allowance)[0] ?? {}
    const move = this.make.move(allowance, open, pin?.minutes ?? choices[0] ?? least, bottle)
    return [pin ? { ...move, pinned: true } : move]
  }
}

/** Of the ways of a stage those that keep most of what is pinned; all of them where none keeps any. */
export function keepingPins<Way extends { moves: readonly Move[] }>(
  ways: readonly Way[],
  { pins = [] }: Pick<PlanInput, 'pins'>,
): { ways: readonly Way[]; keeps: boolean } {
  const pinned = pins.filter(({ technique }) => TECHNIQUES[technique].straightAfter !== undefined)
  const keptIn = ({ moves }: Way) =>
    pinned.filter((pin) => moves.some((move) => move.pinned && move.technique === pin.technique))
      .length
  const most = Math.max(0, ...ways.map(keptIn))
  return { ways: ways.filter((way) => keptIn(way) === most), keeps: most > 0 }
}
