import type { RecordDraft } from '../record/build'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../catalogue/techniques/techniques'

/** How one technique went at the last sealed visit, as far as its record says. */
export interface LastTime {
  technique: TechniqueId
  /** Hands-on minutes as done. */ minutes?: number
  /** Minutes it rested. */ dwell?: number
  /** Where the device ended. */ setting?: number
  millilitres?: number
}

const isTechnique = (id: unknown): id is TechniqueId => TECHNIQUE_IDS.includes(id as TechniqueId)

/** What a sealed record says of each technique that was done; the last of each, if done twice. */
export function lastTimes(treatment: Pick<RecordDraft, 'lines'> | null | undefined): LastTime[] {
  const by = new Map<TechniqueId, LastTime>()
  for (const line of treatment?.lines ?? []) {
    if (!isTechnique(line.technique) || line.actualMinutes === null) continue
    const { dwellMinutes: dwell, setting } = line
    const millilitres = line.product?.takenMl
    by.set(line.technique, {
      technique: line.technique,
      minutes: line.actualMinutes,
      ...(dwell === undefined ? {} : { dwell }),
      ...(setting === undefined ? {} : { setting }),
      ...(millilitres === null || millilitres === undefined ? {} : { millilitres }),
    })
  }
  return [...by.values()]
}

/** "14 min, rested 12, vacuum 12 kPa, 0.8 mL": how it went, shown where it acts. */
export function lastTimeWords({
  technique,
  minutes,
  dwell,
  setting,
  millilitres,
}: LastTime): string {
  const dial = TECHNIQUES[technique].setting
  return [
    minutes === undefined ? '' : `${minutes} min`,
    dwell === undefined ? '' : `rested ${dwell}`,
    setting === undefined || !dial ? '' : `${dial.label.toLowerCase()} ${setting} ${dial.unit}`,
    millilitres === undefined ? '' : `${millilitres} mL`,
  ]
    .filter(Boolean)
    .join(', ')
}

/** Where each device begins today: where it ended last time. */
export const lastSettings = (times: readonly LastTime[]): Partial<Record<TechniqueId, number>> =>
  Object.fromEntries(
    times.flatMap(({ technique, setting }) =>
      setting === undefined ? [] : [[technique, setting]],
    ),
  )
