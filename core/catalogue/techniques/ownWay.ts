import { minutes, type Minutes } from '../../units'
import { DEVICE_NAMES, type DeviceKind, type FamilyId } from '../kinds'
import type { RegionId } from '../../face/zones'
import type { DeviceKey, OwnKind } from './ownShapes'
import type { DwellWindow, Setting } from './technique'
import { TECHNIQUES, type OwnWay, type Technique, type TechniqueId } from './techniques'

/** What a step names: a technique, and the house's own way of it where it is done so. */
export interface DoneAs {
  technique: TechniqueId
  own?: OwnWay
}

/**
 * Families that a device of a house's own may have beside its nearest kind's. What takes something off
 * the skin begins from a technique that does: its rung, rest and residue hang on that.
 */
export const ALSO_FAMILIES = [
  'heat',
  'vapour',
  'vacuum',
  'highFrequency',
  'microcurrent',
  'ultrasound',
  'lamp',
  'cold',
  'oil',
  'covering',
  'alcohol',
] as const satisfies readonly FamilyId[]

/** Skin load of a kind of a house's own, per cent of the nearest kind's: never less. */
export const OWN_LOAD = { least: 100, most: 300 }

/** The technique of a step as it is done: the catalogue's row, narrowed by the house's own way. */
export const techniqueOf = ({ technique, own }: DoneAs): Technique =>
  own ? narrowed(own, technique) : TECHNIQUES[technique]

/** What a step of this technique names. */
export const doneAs = ({ id, own }: Pick<Technique, 'id' | 'own'>): DoneAs => ({
  technique: id,
  ...(own ? { own } : {}),
})

/** A device that a step works with, what it is called, and the kind that it works like. */
export interface UsedDevice {
  kind: DeviceKey
  name: string
  like: DeviceKind
}
/** The device of a technique as it is done. */
export function deviceOf({
  device,
  own,
}: Pick<Technique, 'device' | 'own'>): UsedDevice | undefined {
  if (!device) return undefined
  return own?.device
    ? { kind: own.device.id, name: own.device.name, like: device }
    : { kind: device, name: DEVICE_NAMES[device], like: device }
}

/**
 * Steps in the ways that a house has now: what it has made stricter since holds for them too. One that
 * is no longer offered stays as it was planned.
 */
export function asWorkedNow<Step extends DoneAs>(
  steps: readonly Step[],
  ways: readonly OwnWay[] | undefined,
): readonly Step[] {
  if (!ways || !steps.some(({ own }) => own)) return steps
  return steps.map((step) => {
    const now = ways.find(({ id }) => id === step.own?.id)
    return now ? { ...step, own: now } : step
  })
}

/** What a house has ready, and which way it was asked for: what the way of today hangs on. */
export interface WaysToday {
  ways?: readonly OwnWay[]
  devices: readonly DeviceKey[]
  protocol?: readonly DoneAs[]
  pins?: readonly DoneAs[]
}

/**
 * How a technique is done today where nobody has said: as a pin or the protocol has it; else the way
 * that this house plans instead of it; with a device of its own where only that stands ready.
 */
export function techniqueToday(id: TechniqueId, input: WaysToday): Technique {
  const plain = TECHNIQUES[id]
  if (!input.ways && !input.pins && !input.protocol) return plain
  const isIt = ({ technique }: DoneAs) => technique === id
  const asked = input.pins?.find(isIt) ?? input.protocol?.find(isIt)
  if (asked) return techniqueOf(asked)
  if (!input.ways) return plain
  const ready = input.ways
    .filter(({ from }) => from === id)
    .map((own) => techniqueOf({ technique: id, own }))
    .filter((way) => isReady(way, input.devices))
  const usual = ready.find(({ own }) => own?.usual)
  if (usual) return usual
  return isReady(plain, input.devices) ? plain : (ready[0] ?? plain)
}
/** A technique as a step names it, or as it would be done today where only its id is known. */
export const rowFor = (way: TechniqueId | DoneAs, input: WaysToday): Technique =>
  typeof way === 'string' ? techniqueToday(way, input) : techniqueOf(way)

const isReady = (technique: Technique, devices: readonly DeviceKey[]): boolean => {
  const device = deviceOf(technique)
  return device === undefined || devices.includes(device.kind)
}

const known = new WeakMap<OwnWay, Technique>()
function narrowed(own: OwnWay, id: TechniqueId): Technique {
  const before = known.get(own)
  if (before?.id === id) return before
  const row = narrow(TECHNIQUES[id], own)
  known.set(own, row)
  return row
}

const between = (least: number, own: number, most: number): number =>
  Math.min(most, Math.max(least, own))

/** Whatever is said of the way, no bound of its technique is passed. */
function narrow(from: Technique, own: OwnWay): Technique {
  const { dwell, setting, passes, takesAlso = [] } = from
  const { device, restMost, passesMost } = own
  return {
    ...from,
    ...wordsOf(from, own),
    ...askedMore(from, device),
    own,
    minutes: narrowMinutes(from, own),
    ...(dwell && restMost !== undefined ? { dwell: narrowRest(dwell, restMost) } : {}),
    ...(setting && device?.levels ? { setting: narrowSetting(setting, device.levels) } : {}),
    ...(passes && passesMost !== undefined ? { passes: narrowPasses(passes, passesMost) } : {}),
    ...(device?.medium ? { takesAlso: [...takesAlso, device.medium] } : {}),
  }
}

/** Its name, and what is said beside what the technique says. */
function wordsOf(
  { hand, confirm = [] }: Technique,
  own: OwnWay,
): Pick<Technique, 'name' | 'hand'> & Partial<Pick<Technique, 'say' | 'confirm'>> {
  const first = [...confirm, ...(own.confirm ? [own.confirm] : [])]
  return {
    name: own.name,
    hand: own.hand ? `${own.hand} ${hand}` : hand,
    ...(own.say ? { say: own.say } : {}),
    ...(first.length > 0 ? { confirm: first } : {}),
  }
}

/** What its device asks of the skin beside what the nearest kind asks. */
function askedMore(
  { families, load }: Technique,
  device: OwnKind | undefined,
): Pick<Technique, 'families'> & Partial<Pick<Technique, 'load'>> {
  if (!device) return { families }
  const percent = Math.max(OWN_LOAD.least, device.loadPercent)
  const hundredths = Math.ceil(((load?.hundredths ?? 0) * percent) / 100)
  return {
    families: [...new Set([...families, ...device.also])],
    ...(load ? { load: { ...load, hundredths } } : {}),
  }
}

function narrowMinutes({ minutes: from }: Technique, own: OwnWay): Technique['minutes'] {
  const least = between(from.least, own.minutesLeast ?? from.least, from.most)
  const most = between(least, own.minutesMost ?? from.most, from.most)
  // Its usual time is one that may be chosen: what has one gets that, or is left out.
  const usual = from.usual === undefined ? undefined : between(least, from.usual, most)
  const listed = from.choices.filter((choice) => choice >= least && choice <= most)
  const choices = new Set<number>([...listed, ...(usual === undefined ? [] : [usual])])
  return {
    least: minutes(least),
    most: minutes(most),
    choices: (choices.size > 0 ? [...choices] : [most])
      .sort((one, other) => one - other)
      .map(minutes),
    ...(usual === undefined ? {} : { usual: minutes(usual) }),
  }
}

function narrowRest(from: DwellWindow, most: number): DwellWindow {
  const cap = (window: { earliest: Minutes; latest: Minutes }) => ({
    earliest: window.earliest,
    latest: minutes(between(window.earliest, most, window.latest)),
  })
  return { ...cap(from), sensitive: cap(from.sensitive), late: from.late }
}

function narrowSetting(from: Setting, levels: NonNullable<OwnKind['levels']>): Setting {
  const widest = from.more?.most ?? from.most
  const least = between(from.least, levels.least, widest)
  const most = between(least, levels.most, widest)
  const usual = Math.max(least, Math.min(most, from.most))
  return {
    ...from,
    least,
    most: usual,
    start: between(least, from.start, usual),
    step: levels.step,
    ...(from.more ? { more: { ...from.more, most: Math.min(from.more.most, most) } } : {}),
  }
}

const narrowPasses = (from: { usual: number; limit: number }, most: number) => {
  const limit = between(1, most, from.limit)
  return { usual: Math.min(from.usual, limit), limit }
}

/** What of a step has to change for it to be done in another way: nothing beyond what that way bears. */
export function inWay(
  { technique, minutes: own, passes, setting, regions }: StepNumbers,
  way: OwnWay | undefined,
): Omit<StepNumbers, 'technique'> {
  const row = techniqueOf({ technique, ...(way ? { own: way } : {}) })
  const never = new Set(way?.never)
  return {
    own: way,
    minutes: minutes(between(row.minutes.least, own, row.minutes.most)),
    regions: regions.filter((region) => !never.has(region)),
    ...(passes === undefined ? {} : { passes: Math.min(passes, row.passes?.limit ?? passes) }),
    ...(setting === undefined || !row.setting
      ? {}
      : { setting: between(row.setting.least, setting, row.setting.most) }),
  }
}
interface StepNumbers extends DoneAs {
  minutes: Minutes
  regions: readonly RegionId[]
  passes?: number
  setting?: number
}
