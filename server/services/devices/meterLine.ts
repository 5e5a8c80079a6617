import { BATTERY_LOW } from '#core/catalogue/skin/meters'
import { METERS, type MeterKind } from '#core/catalogue/skin/meters'
import { refuseValue, REPEATS } from '#core/skin/meters'
import { ProblemError, refused } from '../../problem/problem'
import { Line, senseless } from './spoken'

export interface Taken {
  serial: string
  unit: string
  values: number[]
  battery: number
}

const METER = { name: 'meter', kept: 'nothing was stored' }

/**
 * Takes a row of readings over the bench's line. All or nothing: a fault on the way leaves nothing
 * to store.
 * @throws ProblemError with what happened and what to do
 */
export async function takeReadings(door: string, kind: MeterKind): Promise<Taken> {
  const line = await Line.open(door, METER)
  try {
    const hello = await line.ask({ open: kind })
    if (hello.error === 'busy')
      throw new ProblemError(
        409,
        'In use',
        'Another tablet is reading with this meter. Try again in a moment; nothing was stored.',
      )
    if (hello.meter !== kind)
      throw new ProblemError(
        502,
        'Wrong meter',
        "Something else answered in the meter's place. Nothing was stored.",
      )
    if (hello.unit !== METERS[kind].unit)
      throw refused(refuseValue(kind, 0, hello.unit)?.text ?? '')
    const values: number[] = []
    for (let attempt = 1; attempt <= REPEATS; attempt++) {
      const said = await line.ask({ read: attempt })
      if (said.error === 'battery')
        throw new ProblemError(
          502,
          'Battery flat',
          "The meter's battery is flat. Charge it, then take the reading again; nothing was stored.",
        )
      if (said.read !== attempt) throw senseless(METER)
      const refusal = refuseValue(kind, said.value, said.unit)
      if (refusal)
        throw refused(refusal.text, [
          {
            field: 'value',
            given: String(said.value).slice(0, 20),
            allowed: `${METERS[kind].least} to ${METERS[kind].most} ${METERS[kind].unit}`,
          },
        ])
      values.push(said.value as number)
    }
    return {
      serial: String(hello.serial).slice(0, 60),
      unit: METERS[kind].unit,
      values,
      battery: typeof hello.battery === 'number' ? hello.battery : 0,
    }
  } finally {
    line.close()
  }
}
export const batteryLow = (percent: number) => percent < BATTERY_LOW
