import type { ProtocolStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { ticksWithin } from '../../units'
import type { Option } from './planCase'

/** Options of one stage done one after the other, as one; undefined of none. */
export function inARow([first, ...others]: readonly Option[]): Option | undefined {
  if (!first) return undefined
  return others.reduce(
    (all, option) => ({
      id: `${all.id}+${option.id}`,
      main: [...all.main, ...option.main],
      moves: [...all.moves, ...option.moves],
      effects: all.effects.map((effect, i) => effect + (option.effects[i] ?? 0)),
      taste: all.taste + option.taste,
      costCents: all.costCents + option.costCents,
      idleTicks: all.idleTicks + option.idleTicks,
      exfoliates: all.exfoliates || option.exfoliates,
      marks: all.marks | option.marks,
    }),
    first,
  )
}

/**
 * What a protocol names several of for one stage, done one after the other as it names them: of each the
 * way nearest to its minutes that covers most. What rests is laid by itself, and of two that take something
 * off one is enough: neither is put in a row.
 */
export function rowOf(options: readonly Option[], protocol: readonly ProtocolStep[]): Option[] {
  const own = protocol.flatMap((step, i) => {
    const first = protocol.findIndex(({ technique }) => technique === step.technique)
    if (techniqueOf(step).dwell || first < i) return []
    const ways = options.filter(({ main }) => main.length === 1 && main[0] === step.technique)
    return bestFor(ways, step) ?? []
  })
  if (own.length < 2 || own.filter(({ exfoliates }) => exfoliates).length > 1) return []
  return [inARow(own) ?? []].flat()
}

/** The way nearest to the minutes of the protocol; of several the one on most zones. */
function bestFor(ways: readonly Option[], step: ProtocolStep): Option | undefined {
  const moveIn = ({ moves }: Option) => moves.find(({ technique }) => technique === step.technique)
  const away = (way: Option) => ticksWithin(Math.abs((moveIn(way)?.minutes ?? 0) - step.minutes))
  const zones = (way: Option) => moveIn(way)?.regions.length ?? 0
  return [...ways].sort((one, other) => away(one) - away(other) || zones(other) - zones(one))[0]
}
