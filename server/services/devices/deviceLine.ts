import type { z } from 'zod'
import type { devicePost } from '#contracts/visit'
import { DEVICE_NAMES, type DeviceKind } from '#core/catalogue/kinds'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { dialOf, type Dial } from '#core/treatment/order/atHand'
import { deviceSays, type DeviceSays } from '#core/treatment/step/onTheLine'
import { fold } from '#core/treatment/fold/fold'
import { toPlanInput } from '#core/visit/planInput'
import { foldContext } from '#core/visit/roomContext'
import { ProblemError, refused } from '../../problem/problem'
import type { Visit } from '../access'
import { readBundle } from '../visits/bundle'
import { Line, type Said } from './spoken'
import type { Staff } from '../session/session'
import { mustAccept } from '../visits/holding'

const door = () => useRuntimeConfig().meters
const BY_HAND = 'go on by hand'

/**
 * Asks the device of a step how it stands, sets its level or starts and stops it. What it reads back
 * counts, not what it was told.
 * @throws ProblemError for a level over today's cap before anything is sent, and for a device that is
 *   away, late, another one, or makes no sense
 */
export async function askDevice(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof devicePost>,
): Promise<DeviceSays> {
  mustAccept(visit, 'device')
  if (!door()) throw refused('No device of this practice is connected: set it by hand.')
  const { device, dial } = await stepOf(me, visit, body.key)
  if (body.level !== undefined && (!dial || body.level > dial.most || body.level < dial.least))
    throw refused(`${capWords(dial)} It stays as it is.`, [
      {
        field: 'level',
        given: String(body.level),
        allowed: dial ? `${dial.least} to ${dial.most} ${dial.unit}` : 'none',
      },
    ])
  const { said, unit } = await spokenWith(device, body)
  // A dial that is no level of the device's own, as the distance of a steamer, is turned by hand.
  return deviceSays(said, dial?.unit === unit ? dial : undefined, body.level)
}
const capWords = (dial: Dial | undefined) =>
  dial ? `${dial.most} ${dial.unit} is the most today.` : 'This device has no level.'

async function stepOf(me: Staff, visit: Visit, key: string) {
  const bundle = await readBundle(me, visit)
  const input = toPlanInput(bundle)
  const state = fold(bundle.events, foldContext(bundle, input))
  const plan = bundle.plans.find(({ version }) => version === state.version)
  const step = plan?.steps.find((own) => own.key === key)
  const device = step && techniqueOf(step).device
  if (!step || !device) throw refused('This step works with no device.')
  // What answers on the line is a device of the nearest kind, not the one in the hand.
  const own = step.own?.device
  if (own) throw refused(`The ${own.name} is not connected: ${BY_HAND}.`)
  return { device, dial: dialOf(state, step, input) }
}

async function spokenWith(
  device: DeviceKind,
  { level, run }: z.infer<typeof devicePost>,
): Promise<{ said: Said; unit: unknown }> {
  const spoken = { name: DEVICE_NAMES[device], kept: BY_HAND }
  const line = await Line.open(door(), spoken)
  try {
    const hello = await line.ask({ open: device })
    if (hello.error === 'busy')
      throw new ProblemError(
        409,
        'In use',
        `Another tablet is speaking with the ${spoken.name}. Try again in a moment.`,
      )
    if (hello.error === 'unknown') throw refused(`The ${spoken.name} is not connected: ${BY_HAND}.`)
    if (hello.device !== device)
      throw new ProblemError(
        502,
        'Another device',
        `Something else answered in place of the ${spoken.name}; ${BY_HAND}.`,
      )
    const ask = level !== undefined ? { level } : run !== undefined ? { run } : { status: true }
    return { said: await line.ask(ask), unit: hello.unit }
  } finally {
    line.close()
  }
}
