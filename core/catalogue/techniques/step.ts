import type { Side } from '../../face/sides'
import type { RegionId } from '../../face/zones'
import type { Minutes } from '../../units'
import type { OwnWay, TechniqueId } from './techniques'

/** Why a step is there or is as it is: the rule's id and one short sentence. */
export interface Why {
  rule: string
  text: string
}

/** One step of a plan as the therapist reads it: hands-on minutes in whole half-minutes. */
export interface PlanStep {
  /** Stable through edits and versions, so that events and drags can point at it. */
  key: string
  technique: TechniqueId
  /** The house's own way of it, as it was when this was planned. */
  own?: OwnWay
  regions: readonly RegionId[]
  /** Of zones with a left and a right only this half: something else, or nothing, goes on the other. */
  half?: Side
  minutes: Minutes
  passes?: number
  setting?: number
  productId?: string
  pinned?: boolean
  why: readonly Why[]
}

/**
 * One main step of a protocol that the house keeps: what, and about how long. Zones, products and
 * connecting steps follow from the client.
 */
export interface ProtocolStep {
  technique: TechniqueId
  own?: OwnWay
  minutes: number
}
