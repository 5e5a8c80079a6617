import type { RecordLine } from './build'

/** "pads 2, 1, 0; water added 8 times; device at 12": what was counted in a step, as it is read. */
export function countedWords({
  pads,
  water,
  deviceLevel,
}: Pick<RecordLine, 'pads' | 'water' | 'deviceLevel'>): string {
  return [
    pads && pads.length > 0 ? `pads ${pads.join(', ')}` : '',
    water === undefined ? '' : `water added ${water} ${water === 1 ? 'time' : 'times'}`,
    deviceLevel === undefined ? '' : `device at ${deviceLevel}`,
  ]
    .filter(Boolean)
    .join('; ')
}
