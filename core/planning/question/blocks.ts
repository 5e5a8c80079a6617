import type { LayoutId } from '../../catalogue/techniques/technique'
import { exfoliates } from '../../catalogue/techniques/traits'
import type { RegionId } from '../../face/zones'
import { removalMinutes, removalOf } from '../../timing/removal'
import { productIn } from '../../catalogue/products/products'
import { doneAs } from '../../catalogue/techniques/ownWay'
import { dwellOf } from '../../timing/dwell'
import { dwellWindow } from '../../timing/schedule'
import { stagger, type MaskTask, type Stagger } from '../../timing/stagger'
import { fromTicks, toTicks, minutes, type Minutes } from '../../units'
import { shortDwell } from '../today/adapt'
import type { Allowance } from '../today/allowance'
import { STAY } from '../../catalogue/techniques/roles'
import { fillersFor, plus } from './fillers'
import { bottles, type Bottle } from './bottles'
import type { OptionMaker, Traits } from './options'
import { marksOf, type Move, type Option } from './planCase'

/** What rests where: one set of regions for each of the techniques laid together. */
interface Layout {
  id: string
  layout: LayoutId
  sets: readonly (readonly RegionId[])[]
  /** Minutes to put each on, where they are set by hand. */
  on?: readonly number[]
}

/** One mask of a block: where, how long it takes on and off, and its window. */
interface Laid {
  allowance: Allowance
  bottle: Bottle
  regions: readonly RegionId[]
  /** What stands straight before it goes on: the mixing of a powder. */
  before: readonly Move[]
  task: MaskTask
  /** Ends of its windows, ticks: lengths that may be wanted. */
  ends: readonly number[]
  /** All its minutes: what does all that it can. */
  whole: Minutes
  /** The longest it rests where something was taken off before, ticks. */
  shortEnd: number
  /** The longest that the agenda has it rest, ticks. */
  mostDwell: number
}

/** A way of laying: its masks, how they are staggered, and what hands do for each action. */
interface Laying {
  /** With the calming stand-ins. */
  calm: boolean
  masks: readonly Laid[]
  best: Stagger
  /** By action. */
  moves: readonly (readonly Move[])[]
  traits: Traits
}

/**
 * Blocks of what rests side by side on disjoint regions: the exact stagger, a few lengths, and one
 * filler in the hands-free interval.
 */
export class BlockMaker {
  private readonly short: ReturnType<typeof shortDwell>
  constructor(private readonly make: OptionMaker) {
    this.short = shortDwell(make.input)
  }

  /**
   * One mask on each of its region groups, or two to three side by side: the first on the T-zone,
   * the next on the rest, one for the eyes.
   */
  blocks(list: readonly Allowance[], name: string): Option[] {
    if (list.some((allowance) => allowance.never.length > 0)) return []
    return this.layouts(list).flatMap((layout) => this.laid(list, name, layout))
  }

  /** Just these, where the therapist has pinned them. */
  pinned(
    list: readonly Allowance[],
    sets: readonly (readonly RegionId[])[],
    on: readonly number[],
  ): Option[] {
    return this.laid(list, 'pinned', {
      id: list.map((allowance) => allowance.technique.id).join('+'),
      layout: list.length > 1 ? 'byZone' : 'one',
      sets,
      on,
    })
  }

  private layouts(list: readonly Allowance[]): Layout[] {
    const [first, second] = list
    if (!first) return []
    if (second) return this.make.sets.byZone(list)
    return this.make.sets
      .of(first)
      .map((set) => ({ id: set.group, layout: set.layout, sets: [set.regions] }))
  }

  private laid(list: readonly Allowance[], name: string, layout: Layout): Option[] {
    const favour =
      list.reduce((sum, allowance) => sum + allowance.favour, 0) +
      Math.max(0, ...list.map((allowance) => allowance.favourLayout[layout.layout] ?? 0))
    return this.layings(list, layout)
      .flatMap((laying) =>
        this.lengths(laying).map((extra) => ({
          extra,
          options: this.lasting(laying, extra, { name, layout, favour }),
        })),
      )
      .sort((one, other) => one.extra - other.extra)
      .flatMap(({ options }) => options)
  }

  /** Everything put on in order; once with the best bottles, once with calming stand-ins. */
  private layings(list: readonly Allowance[], layout: Layout): Laying[] {
    const needsCalm = list.some((allowance) => bottles(allowance).length > 1)
    return (needsCalm ? [false, true] : [false]).flatMap((calm) => {
      const masks = list.flatMap((allowance, i) => this.maskOf(allowance, i, layout, calm) ?? [])
      const best = stagger(masks.map((mask) => mask.task))
      if (!best) return []
      const moves = best.actions.map((action) =>
        action.do === 'on' ? this.puttingOn(masks, action.id) : removalMove(masks, action.id),
      )
      const main = masks.map((mask) => mask.allowance.technique.id)
      return [
        { calm, masks, best, moves, traits: this.make.traits(main, moves.flat(), layout.layout) },
      ]
    })
  }

  private maskOf(
    allowance: Allowance,
    place: number,
    layout: Layout,
    calm: boolean,
  ): Laid | undefined {
    const { technique } = allowance
    const regions = layout.sets[place] ?? []
    const { choices, least } = technique.minutes
    const on = minutes(layout.on?.[place] ?? choices[0] ?? least)
    const own = bottles(allowance)
    const bottle = own[calm ? own.length - 1 : 0] ?? {}
    const { productId } = bottle
    const product = productIn(this.make.input.shelf, productId)
    const step = { key: '', ...doneAs(technique), regions, minutes: on, why: [] }
    const window = dwellWindow(
      step,
      this.short({ ...step, ...(productId === undefined ? {} : { productId }) }),
      product,
    )
    const dwell = dwellOf(technique, product)
    const before = this.make.before(technique, regions)
    if (!window || !dwell || !before) return undefined
    return {
      allowance,
      bottle,
      regions,
      before,
      task: {
        id: technique.id,
        on: before.reduce((sum, move) => sum + toTicks(move.minutes), toTicks(on)),
        off: toTicks(removalMinutes(technique.id, regions)),
        earliest: toTicks(window.earliest),
        latest: toTicks(window.latest),
      },
      ends: [dwell.sensitive.latest, dwell.latest].map(toTicks),
      whole: dwell.latest,
      shortEnd: exfoliates(technique.id)
        ? Number.POSITIVE_INFINITY
        : toTicks(dwell.sensitive.latest),
      mostDwell: toTicks(minutes(allowance.work?.exact?.dwellMost ?? Number.MAX_SAFE_INTEGER)),
    }
  }

  /**
   * The same few lengths on every skin, less those past the latest: a more sensitive skin never
   * gains one.
   * @returns ticks beyond the shortest
   */
  private lengths({ masks, best }: Laying): number[] {
    // Longer only where everything lies at once: then one wait lengthens every dwell alike.
    if (!lieTogether(best)) return [0]
    const rests = (mask: Laid) => best.dwell[mask.task.id] ?? 0
    const slack = Math.min(...masks.map((mask) => mask.task.latest - rests(mask)))
    const beyond = masks.flatMap((mask) => mask.ends.map((end) => end - rests(mask)))
    const extras = [...new Set([0, ...beyond])]
      .filter((extra) => extra >= 0 && extra <= slack)
      .filter((extra) => masks.every((mask) => rests(mask) + extra <= mask.mostDwell))
      .sort((one, other) => one - other)
    // Work rests as long as the agenda has it, and no shorter: less would leave room for more.
    if (masks.some((mask) => mask.allowance.work?.exact)) return extras.slice(-1)
    const { dwell } = this.make.method
    if (dwell === 'short') return extras.slice(0, 1)
    if (dwell === undefined) return extras
    // Long, and as long as may be where something was taken off before.
    const short = extras.filter((extra) => !isFull(masks, best, extra)).slice(-1)
    return [...new Set([...short, ...extras.slice(-1)])]
  }

  private puttingOn(masks: readonly Laid[], id: string): Move[] {
    const mask = masks.find((one) => one.task.id === id)
    if (!mask) return []
    const mixing = mask.before.reduce((sum, move) => sum + toTicks(move.minutes), 0)
    const on = fromTicks(mask.task.on - mixing)
    return [...mask.before, this.make.move(mask.allowance, mask.regions, on, mask.bottle)]
  }

  /** The block at one length, with each filler that its hands-free interval is long enough for. */
  private lasting(
    { masks, best, calm, moves, traits: own }: Laying,
    extra: number,
    block: { name: string; layout: Layout; favour: number },
  ): Option[] {
    const { make } = this
    const minutesOf = (id: string) => fromTicks((best.dwell[id] ?? 0) + extra)
    const effects = masks
      .map(({ allowance: { technique }, regions, whole }) =>
        make.effects.of(technique, regions, Math.min(1, minutesOf(technique.id) / whole)),
      )
      .reduce<readonly number[]>(
        plus,
        make.aims.map(() => 0),
      )
    const main = freePlace(best)
    const free = fromTicks((best.actions[main]?.wait ?? 0) + extra)
    const idle = best.actions.reduce((sum, { wait }, i) => sum + (i === main ? 0 : wait), 0)
    const fillers = fillersFor(
      make,
      masks.map((mask) => mask.allowance),
      free,
      effects,
    )
    const full = isFull(masks, best, extra) ? marksOf(['fullDwell']) : 0
    const traits = { ...own, marks: own.marks | full }
    const laid = (place: number): Move[] =>
      (moves[place] ?? []).map((move) =>
        best.dwell[move.technique] === undefined
          ? move
          : { ...move, dwell: minutesOf(move.technique) },
      )
    const id = `${block.name}:${block.layout.id}${calm ? ':calm' : ''}:${extra}`
    return fillers.map((filler) =>
      make.option(
        `${id}:${filler.name}`,
        {
          ...traits,
          marks: traits.marks | marksOf(filler.moves.map(({ technique }) => technique)),
        },
        best.actions.flatMap((action, place) => [
          ...(place === main ? filler.moves : waitMove(action.wait)),
          ...laid(place),
        ]),
        filler.effects,
        filler.idle + idle,
        block.favour + filler.liking,
      ),
    )
  }
}

/** Whether everything is on before the first comes off. */
const lieTogether = ({ actions }: Stagger): boolean =>
  actions.slice(0, actions.length / 2).every((action) => action.do === 'on')

/**
 * Before which action hands are free for something else: before the first off where all lie
 * together, for there a longer rest would be; else in the longest wait.
 */
const freePlace = (best: Stagger): number =>
  lieTogether(best) ? best.actions.findIndex((action) => action.do === 'off') : best.freeAt

const waitMove = (ticks: number): Move[] =>
  ticks > 0 ? [{ technique: STAY, regions: [], minutes: fromTicks(ticks) }] : []

/** Whether something rests longer than it may where something was taken off before. */
const isFull = (masks: readonly Laid[], best: Stagger, extra: number): boolean =>
  masks.some((mask) => (best.dwell[mask.task.id] ?? 0) + extra > mask.shortEnd)

function removalMove(masks: readonly Laid[], id: string): Move[] {
  const mask = masks.find((one) => one.task.id === id)
  if (!mask) return []
  return [
    {
      technique: removalOf(mask.allowance.technique.id),
      regions: mask.regions,
      minutes: fromTicks(mask.task.off),
    },
  ]
}
