import { TECHNIQUES } from '../catalogue/techniques'
import type { LayoutId, TechniqueId } from '../catalogue/technique'
import { GROUPS } from '../face/regions'
import type { RegionId } from '../face/zones'
import { dwellWindow } from '../timing/schedule'
import { stagger, type MaskTask, type Stagger } from '../timing/stagger'
import { minutes as min, toTicks } from '../units'
import { isSensitive } from './adapt'
import type { Allowance } from './allowed'
import { bottles, regionSets, type OptionMaker } from './options'
import type { Move, Option } from './planCase'

interface Layout { id: string, layout: LayoutId, sets: readonly (readonly RegionId[])[], /** Minutes to put each on, where they are set by hand. */ on?: readonly number[] }

/** Blocks of what rests side by side on disjoint regions: the exact stagger, a few lengths, and one filler in the hands-free interval. */
export class BlockMaker {
  private readonly sensitive: (r: RegionId) => boolean
  constructor(private readonly make: OptionMaker) { this.sensitive = isSensitive(make.input.profile) }

  /** One mask on each of its region groups, or two to three side by side: the first on the T-zone, the next on the rest, one for the eyes. */
  blocks(list: readonly Allowance[], name: string): Option[] {
    if (list.some((a) => a.never.length > 0)) return []
    return this.layouts(list).flatMap((l) => this.laid(list, name, l))
  }

  /** Just these, where the therapist has pinned them. */
  pinned(list: readonly Allowance[], sets: readonly (readonly RegionId[])[], on: readonly number[]): Option[] {
    return this.laid(list, 'pinned', { id: list.map((a) => a.technique.id).join('+'), layout: list.length > 1 ? 'byZone' : 'one', sets, on })
  }

  private laid(list: readonly Allowance[], name: string, layout: Layout): Option[] {
    const { sets } = layout
    const tasks: MaskTask[] = []
    const ends: { task: string, ticks: number }[] = []
    for (const [i, a] of list.entries()) {
      const t = a.technique
      const regions = sets[i] ?? []
      const on = layout.on?.[i] ?? t.minutes.choices[0] ?? t.minutes.least
      const window = dwellWindow({ key: '', technique: t.id, regions, minutes: on, why: [] }, this.sensitive)
      if (!window || !t.dwell) continue
      tasks.push({ id: t.id, on: toTicks(min(on)), off: toTicks(min(offMinutes(t.id, regions))), earliest: window.earliest * 2, latest: window.latest * 2 })
      for (const end of [t.dwell.sensitive.latest, t.dwell.latest]) ends.push({ task: t.id, ticks: end * 2 })
    }
    const best = stagger(tasks)
    if (!best) return []
    // The same few lengths on every skin, less those past the latest: a more sensitive skin never gains one.
    const slack = Math.min(...tasks.map((t) => t.latest - (best.dwell[t.id] ?? 0)))
    const extras = [...new Set([0, ...ends.map((e) => e.ticks - (best.dwell[e.task] ?? 0))])].filter((x) => x >= 0 && x <= slack).sort((a, b) => a - b)
    const { dwell } = this.make.method
    const chosen = dwell === 'short' ? extras.slice(0, 1) : dwell === 'long' ? extras.slice(-1) : extras
    const calms = list.some((a) => bottles(a).length > 1) ? [false, true] : [false]
    return chosen.flatMap((extra) => calms.flatMap((calm) => this.block(`${name}:${layout.id}${calm ? ':calm' : ''}`, list, layout, tasks, best, extra, calm)))
  }

  private block(id: string, list: readonly Allowance[], layout: Layout, tasks: readonly MaskTask[], best: Stagger, extra: number, calm: boolean): Option[] {
    const free = (best.handsFree + extra) / 2
    const { make } = this
    const at = (tid: string) => list.findIndex((a) => a.technique.id === tid)
    const lay = best.onOrder.flatMap((tid): Move[] => {
      const i = at(tid)
      const a = list[i]
      if (!a) return []
      const own = bottles(a)
      return [{ ...make.move(a, layout.sets[i] ?? [], (tasks[i]?.on ?? 2) / 2, own[calm ? own.length - 1 : 0] ?? {}), dwell: ((best.dwell[tid] ?? 0) + extra) / 2 }]
    })
    const lift = best.offOrder.flatMap((tid): Move[] => { const i = at(tid); return i < 0 ? [] : [{ technique: liftOf(tid as TechniqueId), regions: layout.sets[i] ?? [], minutes: (tasks[i]?.off ?? 2) / 2 }] })
    const base = make.aims.map(() => 0)
    let favour = 0
    let byLayout = 0
    for (const [i, a] of list.entries()) {
      const dwell = ((best.dwell[a.technique.id] ?? 0) + extra) / 2
      make.effects.of(a.technique, layout.sets[i] ?? [], Math.min(1, dwell / (a.technique.dwell?.latest ?? 1))).forEach((e, k) => { base[k] = (base[k] ?? 0) + e })
      favour += a.favour
      byLayout = Math.max(byLayout, a.favourLayout[layout.layout] ?? 0)
    }
    const fillers = fillersFor(list, free)
    return fillers.map((f) => {
      const filler = f ? meanwhile(f, free) : []
      const effects = [...base]
      let liked = favour + byLayout
      for (const m of filler) {
        make.effects.of(TECHNIQUES[m.technique], [], Math.min(1, m.minutes / 10)).forEach((e, k) => { effects[k] = (effects[k] ?? 0) + e })
        liked += (make.method.taste[m.technique] ?? 0) + make.allow(m.technique).favour
      }
      const idle = filler.reduce((t, m) => t + (m.technique === 'stay' ? m.minutes * 2 : 0), 0)
      return make.option(`${id}:${extra}:${f ?? 'none'}`, list.map((a) => a.technique.id), [...lay, ...filler, ...lift], effects, idle, liked, layout.layout)
    })
  }

  private layouts(list: readonly Allowance[]): Layout[] {
    const [first, second, third] = list
    if (!first) return []
    if (!second) return regionSets(first, this.make.input).map((s) => ({ id: s.group, layout: s.layout, sets: [s.regions] }))
    const t = GROUPS.tZone.filter((r) => !first.barred.has(r))
    const rest = GROUPS.cheeksJawNeck.filter((r) => !second.barred.has(r) && !t.includes(r))
    const eyes = GROUPS.orbital.filter((r) => !third?.barred.has(r))
    if (t.length === 0 || rest.length === 0 || (third && eyes.length === 0)) return []
    return [{ id: third ? 'tZone+rest+eyes' : 'tZone+rest', layout: 'byZone', sets: third ? [t, rest, eyes] : [t, rest] }]
  }
}

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
  const body = (technique: TechniqueId, minutes: number): Move[] => (minutes > 0 ? [{ technique, regions: [], minutes }] : [])
  return [...body(f, first), ...body(then, second), ...body('stay', rest - second)]
}

/** What hands may do meanwhile: stay by what is watched by the second, say nothing under a hardening mask, else hands and shoulders. */
function fillersFor(list: readonly Allowance[], free: number): (TechniqueId | undefined)[] {
  if (free <= 0) return [undefined]
  if (list.some((a) => a.technique.attended)) return ['stay']
  return free >= 5 ? ['shouldersScalp', 'handsArms'] : free >= 2 ? ['handsArms', 'stay'] : ['stay']
}
