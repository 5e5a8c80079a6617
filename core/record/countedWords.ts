import { howMany } from '../words'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { RecordLine } from './build'

/** "pads 2, 1, 0; water added 8 times; device at 12": what was counted and said in a step, as it is read. */
export function countedWords({
  pads,
  water,
  deviceLevel,
  technique,
  setting,
  passes,
  dwellMinutes,
  fittings = [],
  over = [],
  felt,
}: Pick<
  RecordLine,
  | 'pads'
  | 'water'
  | 'deviceLevel'
  | 'fittings'
  | 'over'
  | 'felt'
  | 'technique'
  | 'setting'
  | 'dwellMinutes'
> &
  Partial<Pick<RecordLine, 'passes'>>): string {
  return [
    pads && pads.length > 0 ? `pads ${pads.join(', ')}` : '',
    water === undefined ? '' : `water added ${howMany(water, 'time')}`,
    fittings.join(', then '),
    over.length === 0 ? '' : `over ${over.join(', then ')}`,
    settingWords(technique, setting),
    passes ? howMany(passes, 'pass') : '',
    dwellMinutes === undefined ? '' : `rested ${dwellMinutes} min`,
    deviceLevel === undefined ? '' : `device at ${deviceLevel}`,
    felt === undefined ? '' : `felt ${felt}`,
  ]
    .filter(Boolean)
    .join('; ')
}

/** "level 2", "suction 12 kPa", "distance 40 cm": where the device ended, as its dial is called. */
function settingWords(technique: string | undefined, setting: number | undefined): string {
  const row = Object.values(TECHNIQUES).find(({ id }) => id === technique)
  if (setting === undefined || !row?.setting) return ''
  return `${row.setting.label.toLowerCase()} ${setting} ${row.setting.unit}`.trim()
}
