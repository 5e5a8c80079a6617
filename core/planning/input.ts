import type { ConcernId, LicenceId } from '../catalogue/kinds'
import type { DeviceKey } from '../catalogue/techniques/ownShapes'
import type { Lot, Product } from '../catalogue/products/products'
import type { MakeUpId } from '../catalogue/consultation/makeUp'
import type { Preferences } from '../catalogue/consultation/preferences'
import type { Season } from '../catalogue/skin/season'
import type { HousePolicy, SchoolId } from '../catalogue/schools/schools'
import type { Learned } from '../dosing/learned'
import type { PlanStep, ProtocolStep } from '../catalogue/techniques/step'
import type { ToolId } from '../catalogue/techniques/tools'
import type { OwnWay, TechniqueId } from '../catalogue/techniques/techniques'
import type { FaceSize } from '../face/regions'
import type { RegionId } from '../face/zones'
import type { PastWork } from '../load/rest'
import type { Answers } from '../screening/asking/answers'
import type { Verdict } from '../screening/verdict/verdict'
import type { Profile } from '../skin/profile'
import type { DeviceTime } from '../timing/sharedDevices'

export interface ShelfItem {
  product: Product
  lots: readonly Lot[]
}

/** A device that another room uses for a while: "in the Stove room from 10:20 to 10:35". */
export interface DeviceInUse extends DeviceTime {
  words: string
}

/**
 * Everything that planning looks at. Plain data: the same document gives the same plan anywhere.
 */
export interface PlanInput {
  /** ISO day of the visit. */
  today: string
  daylight: boolean
  slotMinutes: number
  /** What is worn on the face as the client comes; nothing is a bare face. */
  makeUp: readonly MakeUpId[]
  profile: Profile
  answers: Answers
  verdict: Verdict
  past: readonly PastWork[]
  /** Products that this client had here before. */
  usedBefore: readonly string[]
  /** What was planned before: work that is kept to need goes no further than it. */
  within?: readonly PlanStep[]
  /** Nothing was done here on this client before. */
  firstVisit: boolean
  /** What is still in each basin from earlier visits and from home, hundredths. */
  residual: Readonly<Record<RegionId, number>>
  shelf: readonly ShelfItem[]
  /** Products that wait for a patch test, or reacted at one: why, by product. */
  patch: Readonly<Record<string, string>>
  /** Where each device ended at the last visit, where that was taken well. */
  lastSettings?: Partial<Record<TechniqueId, number>>
  /** Products suspected of a reaction of this client, each with why it stays on the shelf. */
  suspected: Readonly<Record<string, string>>
  devices: readonly DeviceKey[]
  /** Techniques as this house does them. */
  ways?: readonly OwnWay[]
  /** Devices that other rooms use during this visit: minutes from its start, and where and when in words. */
  inUse?: readonly DeviceInUse[]
  /** Tools of which none is clean: nothing that needs one can be done. */
  held?: readonly ToolId[]
  licences: readonly LicenceId[]
  school: SchoolId
  /** The house's own camps over the school's, and what it does not offer. */
  policy?: HousePolicy
  /** The season outside, where it changes the work. */
  season?: Season
  /** How the client lives and what they like, where it changes the work. */
  life?: Preferences
  /** Steps that stay as they are, whatever is planned around them. */
  pins?: readonly PlanStep[]
  /** Strong work that was booked or asked for by name. */
  named?: readonly TechniqueId[]
  /** Must be in the plan, whatever has to go for it. */
  wanted?: readonly TechniqueId[]
  /** The house's own protocol that is followed, where one is. */
  protocol?: readonly ProtocolStep[]
  /** What the client minds, the most first; at most five. */
  aims: readonly ConcernId[]
  faceSize: FaceSize
  /** Zones that drank what they were given, today or last time: they take a second layer. */
  thirsty?: readonly RegionId[]
  /** What earlier visits taught of this client's amounts, per cent of the usual. */
  learned?: Learned
}
