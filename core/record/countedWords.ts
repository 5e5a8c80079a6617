import type { RecordLine } from './build'

/** "pads 2, 1, 0; water added 8 times; device at 12": what was counted and said in a step, as it is read. */
export function countedWords({
  pads,
  water,
  deviceLevel,
  fittings = [],
  felt,
}: Pick<RecordLine, 'pads' | 'water' | 'deviceLevel' | 'fittings' | 'felt'>): string {
  return [
    pads && pads.length > 0 ? `pads ${pads.join(', ')}` : '',
    water === undefined ? '' : `water added ${water} ${water === 1 ? 'time' : 'times'}`,
    fittings.join(', then '),
    deviceLevel === undefined ? '' : `device at ${deviceLevel}`,
    felt === undefined ? '' : `felt ${felt}`,
  ]
    .filter(Boolean)
    .join('; ')
}
