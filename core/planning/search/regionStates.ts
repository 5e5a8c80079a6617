import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import {
  ageRegion,
  leaveOn,
  unmetNeeds,
  type RegionSurface,
  type Surface,
} from '../../surface/surface'
import { connect, type Connection } from '../steps/mend'
import { toTicks, type Minutes } from '../../units'

/** The state of each region by its number, in the order of the regions. */
export type Skin = readonly number[]
/**
 * A connecting step of a chain: what it is, and whether it is done where the next one is (a wait is
 * done nowhere).
 */
export interface Link {
  technique: TechniqueId
  no: number
  minutes: Minutes
  ticks: number
  there: boolean
}

type Standing = 'fits' | 'mends' | 'never'
const ALL = REGION_IDS.map((_, i) => i)
const NO_LINKS: readonly Link[] = []

const NO = new Map(TECHNIQUE_IDS.map((technique, i) => [technique, i]))
export const numberOf = (technique: TechniqueId): number => NO.get(technique) ?? 0

/**
 * The states that one region's skin can be in, numbered as they are met, and what time and
 * techniques make of each: the surface model's own
 * steps, each worked out once. A face has twelve regions but few states, and no region's skin
 * hangs on another's.
 */
export class RegionStates {
  private readonly states: RegionSurface[] = []
  private readonly numbers = new Map<string, number>()
  /** By ticks, then state. */
  private readonly aged: number[][] = []
  /** By technique, then state. */
  private readonly left: number[][] = []
  private readonly cooled: number[] = []
  /** By technique, then state. */
  private readonly stands: Standing[][] = []
  private readonly chains = new Map<string, readonly Link[] | null>()
  /** @param without connecting steps that cannot be had today */
  constructor(private readonly without: readonly TechniqueId[] = []) {}

  /**
   * Only what planning asks after tells two states apart: not how heavy a layer lies, nor how red,
   * nor whether it is cool or neutral.
   */
  number(surface: RegionSurface): number {
    const { soil, moisture, film, skin, settling, dampAge, warmAge } = surface
    const warm = surface.warmth === 'warm' ? 1 : 0
    const key = `${soil}.${moisture}.${film}.${warm}.${skin}.${settling}.${dampAge}.${warmAge}`
    let found = this.numbers.get(key)
    if (found === undefined) {
      found = this.states.length
      this.states.push(surface)
      this.numbers.set(key, found)
    }
    return found
  }
  state(number: number): RegionSurface {
    const states = this.states[number]
    if (!states) throw new Error(`no state of the skin has the number ${number}`)
    return states
  }
  skinOf(surface: Surface): number[] {
    return REGION_IDS.map((region) => this.number(surface[region]))
  }
  surfaceOf(skin: Skin): Surface {
    return Object.fromEntries(
      REGION_IDS.map((region, i) => [region, this.state(skin[i] ?? 0)]),
    ) as Record<RegionId, RegionSurface>
  }

  isWarm(number: number): boolean {
    return this.state(number).warmth === 'warm'
  }
  isIntact(number: number): boolean {
    return this.state(number).skin === 'intact'
  }
  /** The same with its warmth forgotten. */
  unwarmed(number: number): number {
    return (this.cooled[number] ??= this.isWarm(number)
      ? this.number({ ...this.state(number), warmth: 'neutral', warmAge: 0 })
      : number)
  }

  /** Does a technique on some regions, in place: its ticks pass everywhere. */
  work(skin: number[], technique: number, regions: readonly number[], ticks: number): void {
    if (ticks > 0) {
      const aged = (this.aged[ticks] ??= [])
      for (let i = 0; i < skin.length; i++) {
        const code = skin[i] as number
        skin[i] = aged[code] ??= this.number(ageRegion(this.state(code), ticks))
      }
    }
    const left = (this.left[technique] ??= [])
    const id = TECHNIQUE_IDS[technique]
    if (id === undefined) return
    for (const i of regions) {
      const code = skin[i] as number
      skin[i] = left[code] ??= this.number(leaveOn(this.state(code), TECHNIQUES[id]))
    }
  }

  /** Whether a technique can stand on a state as it is, after something to connect, or never. */
  private standing(technique: number, state: number): Standing {
    const own = (this.stands[technique] ??= [])
    let found = own[state]
    if (found === undefined) {
      const id = TECHNIQUE_IDS[technique]
      const unmet = id
        ? unmetNeeds(this.surfaceOf(REGION_IDS.map(() => state)), TECHNIQUES[id], ['forehead'])
        : []
      found =
        unmet.length === 0
          ? 'fits'
          : unmet.some((unmet) => unmet.part === 'skin' || unmet.part === 'warmth')
            ? 'never'
            : 'mends'
      own[state] = found
    }
    return found
  }

  /**
   * The connecting steps before a technique; null where none help. They hang on which states the
   * regions are in, not on which regions: one of each is looked at.
   */
  chain(skin: Skin, technique: number, regions: readonly number[]): readonly Link[] | null {
    const met: number[] = []
    const where: RegionId[] = []
    let fits = true
    for (const i of regions.length > 0 ? regions : ALL) {
      const code = skin[i] as number
      if (met.includes(code)) continue
      met.push(code)
      where.push(REGION_IDS[i] ?? 'forehead')
      const stands = this.standing(technique, code)
      if (stands === 'never') return null
      fits &&= stands === 'fits'
    }
    if (fits) return NO_LINKS
    const key = `${technique}${regions.length > 0 ? ':' : '*'}${met.sort((one, other) => one - other).join()}`
    let found = this.chains.get(key)
    if (found === undefined) {
      const id = TECHNIQUE_IDS[technique]
      const link: Connection | undefined =
        id &&
        connect(this.surfaceOf(skin), TECHNIQUES[id], regions.length > 0 ? where : [], this.without)
      found = link
        ? link.steps.map((step) => ({
            technique: step.technique,
            no: numberOf(step.technique),
            minutes: step.minutes,
            ticks: toTicks(step.minutes),
            there: !TECHNIQUES[step.technique].connects?.handsOff,
          }))
        : null
      this.chains.set(key, found)
    }
    return found
  }
}
