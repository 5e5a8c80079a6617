import { zonesOf } from '#core/face/regions'
import { SIDE_IDS, type Side, type Where } from '#core/face/sides'
import { ZONES, type ZoneId } from '#core/face/zones'

type Colours = Partial<Record<ZoneId, string>>
/** Colours of whole zones, and of the halves of those in the middle of the face. */
export interface FaceFill {
  fill: Colours
  halves: Record<Side, Colours>
}
export const noFill = (): FaceFill => ({ fill: {}, halves: { L: {}, R: {} } })

/** Lays a colour where something is: over what lay there before, on its own half alone. */
export function layColour(on: FaceFill, { regions, half }: Where, colour: string): void {
  for (const zone of regions.flatMap(zonesOf)) {
    const { side } = ZONES[zone]
    if (half !== undefined && side !== 'mid' && side !== half) continue
    if (half === undefined || side !== 'mid') on.fill[zone] = colour
    for (const own of half === undefined ? SIDE_IDS : [half])
      if (side === 'mid') on.halves[own][zone] = colour
  }
}
