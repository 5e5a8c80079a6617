import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { TECHNIQUE_IDS, type LayoutId, type TechniqueId } from '../../catalogue/techniques/technique'
import type { RegionId } from '../../face/zones'
import { dwellWindow } from '../../timing/schedule'
import { stagger, type MaskTask } from '../../timing/stagger'
import { minutes as min, toTicks } from '../../units'
import { isSensitive } from '../today/adapt'
import type { Allowance } from '../today/allowed'
import { bottles, type OptionMaker } from './options'
import type { Move, Option } from './planCase'

interface Layout {
  id: string
  layout: LayoutId
  sets: readonly (readonly RegionId[])[]
  /** Minutes to put each on, where they are set by hand. */ on?: readonly number[]
}

/**
 * Blocks of what rests side by side on disjoint regions: the exact stagger, a few lengths, and one
 * filler in the hands-free interval.
 */
export class BlockMaker {
  private readonly sensitive: (r: RegionId) => boolean
  constructor(private readonly make: OptionMaker) {
    this.sensitive = isSensitive(make.input.profile)
  }

  /**
   * One mask on each of its region groups, or two to three side by side: the first on the T-zone,
   * the next on the rest, one for the eyes.
   */
  blocks(list: readonly Allowance[], name: string): Option[] {
    if (list.some((a) => a.never.length > 0)) return []
    return this.layouts(list).flatMap((l) => this.laid(list, name, l))
  }

  /** Just these, where the therapist has pinned them. */
  pinned(
    list: readonly Allowance[],
    sets: readonly (readonly RegionId[])[],
    on: readonly number[],
  ): Option[] {
    return this.laid(list, 'pinned', {
      id: list.map((a) => a.technique.id).join('+'),
      layout: list.length > 1 ? 'byZone' : 'one',
      sets,
      on,
    })
  }

  private laid(list: readonly Allowance[], name: string, layout: Layout): Option[] {
    const { sets } = layout
    const tasks: MaskTask[] = []
    const ends: { task: string; ticks: number }[] = []
    for (const [i, a] of list.entries()) {
      const t = a.technique
      const regions = sets[i] ?? []
      const on = layout.on?.[i] ?? t.minutes.choices[0] ?? t.minutes.least
      const window = dwellWindow(
        { key: '', technique: t.id, regions, minutes: on, why: [] },
        this.sensitive,
      )
      if (!window || !t.dwell) continue
      tasks.push({
        id: t.id,
        on: toTicks(min(on)),
        off: toTicks(min(offMinutes(t.id, regions))),
        earliest: window.earliest * 2,
        latest: window.latest * 2,
      })
      for (const end of [t.dwell.sensitive.latest, t.dwell.latest])
        ends.push({ task: t.id, ticks: end * 2 })
    }
    const best = stagger(tasks)
    if (!best) return []
    // The same few lengths on every skin, less those past the latest: a more sensitive skin never
    // gains one.
    const slack = Math.min(...tasks.map((t) => t.latest - (best.dwell[t.id] ?? 0)))
    const extras = [...new Set([0, ...ends.map((e) => e.ticks - (best.dwell[e.task] ?? 0))])]
      .filter((x) => x >= 0 && x <= slack)
      .sort((a, b) => a - b)
    const { dwell } = this.make.method
    const chosen =
      dwell === 'short' ? extras.slice(0, 1) : dwell === 'long' ? extras.slice(-1) : extras
    const main = list.map((a) => a.technique.id)
    const index = (id: string): number => main.indexOf(id as TechniqueId)
    const lift = best.offOrder.map((id): Move => {
      const i = index(id)
      return {
        technique: liftOf(id as TechniqueId),
        regions: sets[i] ?? [],
        minutes: (tasks[i]?.off ?? 2) / 2,
      }
    })
    const favour =
      list.reduce((sum, a) => sum + a.favour, 0) +
      Math.max(0, ...list.map((a) => a.favourLayout[layout.layout] ?? 0))
    const calms = list.some((a) => bottles(a).length > 1) ? [false, true] : [false]
    const lays = calms.map((calm) =>
      best.onOrder.flatMap((id): Move[] => {
        const i = index(id)
        const a = list[i]
        if (!a) return []
        const own = bottles(a)
        return [
          this.make.move(
            a,
            sets[i] ?? [],
            (tasks[i]?.on ?? 2) / 2,
            own[calm ? own.length - 1 : 0] ?? {},
          ),
        ]
      }),
    )
    const traits = lays.map((lay) => this.make.traits(main, lay, layout.layout))
    const free = best.handsFree / 2
    return chosen.flatMap((extra) => {
      const dwell = main.map((id) => ((best.dwell[id] ?? 0) + extra) / 2)
      const effects = list
        .map((a, i) =>
          this.make.effects.of(
            a.technique,
            sets[i] ?? [],
            Math.min(1, (dwell[i] ?? 0) / (a.technique.dwell?.latest ?? 1)),
          ),
        )
        .reduce<readonly number[]>(
          plus,
          this.make.aims.map(() => 0),
        )
      const fillers = this.fillers(list, free + extra / 2, effects)
      return lays.flatMap((lay, k) => {
        const kind = traits[k]
        const laid = lay.map((m): Move => ({ ...m, dwell: dwell[index(m.technique)] ?? 0 }))
        return kind
          ? fillers.map((f) =>
              this.make.option(
                `${name}:${layout.id}${calms[k] ? ':calm' : ''}:${extra}:${f.name}`,
                kind,
                [...laid, ...f.moves, ...lift],
                f.effects,
                f.idle,
                favour + f.liking,
              ),
            )
          : []
      })
    })
  }

  /**
   * What hands may do meanwhile, less what another way of doing it for the same minutes beats or
   * equals in everything: any plan with it is no better than the same plan with the other.
   */
  private fillers(list: readonly Allowance[], free: number, base: readonly number[]): Filler[] {
    const { make } = this
    const all = fillersFor(list, free).map((f): Filler => {
      const moves = f ? meanwhile(f, free) : []
      return {
        name: f ?? 'none',
        moves,
        effects: moves
          .map((m) => make.effects.of(TECHNIQUES[m.technique], [], Math.min(1, m.minutes / 10)))
          .reduce<readonly number[]>(plus, base),
        liking: moves.reduce(
          (sum, m) => sum + (make.method.taste[m.technique] ?? 0) + make.allow(m.technique).favour,
          0,
        ),
        idle: moves.reduce((t, m) => t + (m.technique === 'stay' ? m.minutes * 2 : 0), 0),
      }
    })
    return all.filter((b) => !all.some((a) => a !== b && sameMinutes(a, b) && beats(a, b)))
  }

  private layouts(list: readonly Allowance[]): Layout[] {
    const [first, second] = list
    if (!first) return []
    return second
      ? this.make.sets.byZone(list).map((l) => ({ ...l, layout: 'byZone' }))
      : this.make.sets.of(first).map((s) => ({ id: s.group, layout: s.layout, sets: [s.regions] }))
  }
}

interface Filler {
  name: string
  moves: readonly Move[]
  /** Those of what rests counted in. */ effects: readonly number[]
  liking: number
  idle: number
}
const sameMinutes = (a: Filler, b: Filler): boolean =>
  a.moves.length === b.moves.length && a.moves.every((m, i) => m.minutes === b.moves[i]?.minutes)
function beats(a: Filler, b: Filler): boolean {
  if (a.liking < b.liking || a.idle > b.idle || a.effects.some((e, i) => e < (b.effects[i] ?? 0)))
    return false
  return (
    a.liking > b.liking ||
    a.idle < b.idle ||
    a.effects.some((e, i) => e > (b.effects[i] ?? 0)) ||
    a.name < b.name
  )
}
const plus = (a: readonly number[], b: readonly number[]): readonly number[] =>
  a.map((x, i) => x + (b[i] ?? 0))

/** How something comes off, and the minutes that takes. */
export const liftOf = (id: TechniqueId): TechniqueId => TECHNIQUES[id].lift ?? 'maskOff'
function offMinutes(id: TechniqueId, regions: readonly RegionId[]): number {
  const { lift } = TECHNIQUES[id]
  return lift ? (TECHNIQUES[lift].minutes.choices[0] ?? 1) : regions.length > 5 ? 2 : 1
}

/** One filler, and hands and forearms after it where the mask rests longer than that takes. */
function meanwhile(f: TechniqueId, free: number): Move[] {
  const first = Math.min(free, TECHNIQUES[f].minutes.most)
  const rest = free - first
  const then: TechniqueId = f === 'handsArms' ? 'shouldersScalp' : 'handsArms'
  const second = f === 'stay' ? 0 : Math.min(rest, TECHNIQUES[then].minutes.most)
  const body = (technique: TechniqueId, minutes: number): Move[] =>
    minutes > 0 ? [{ technique, regions: [], minutes }] : []
  return [...body(f, first), ...body(then, second), ...body('stay', rest - second)]
}

/**
 * What hands may do meanwhile: stay by what is watched by the second; else the two that a rest of
 * this length is long enough for, the longer first.
 */
const FILLERS = TECHNIQUE_IDS.filter((t) => TECHNIQUES[t].fillsFrom !== undefined).sort(
  (a, b) => (TECHNIQUES[b].fillsFrom ?? 0) - (TECHNIQUES[a].fillsFrom ?? 0),
)
function fillersFor(list: readonly Allowance[], free: number): (TechniqueId | undefined)[] {
  if (free <= 0) return [undefined]
  if (list.some((a) => a.technique.attended)) return ['stay']
  return FILLERS.filter((f) => (TECHNIQUES[f].fillsFrom ?? 0) <= free).slice(0, 2)
}
