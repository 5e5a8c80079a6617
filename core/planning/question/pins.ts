import type { StageId } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { canPin } from '../../catalogue/techniques/traits'
import { freeAcidOf } from '../../dosing/freeAcid'
import type { BlockMaker } from './blocks'
import type { PlanInput } from '../input'
import { bottles, type OptionMaker } from './options'
import type { Move, Option } from './planCase'

/**
 * The stages in which the therapist has pinned something, each with only what was pinned: its
 * minutes, zones, passes, setting and bottle as they are.
 */
export function pinnedOptions(
  input: PlanInput,
  make: OptionMaker,
  block: BlockMaker,
): Map<StageId, Option[]> {
  const byStage = new Map<StageId, PlanStep[]>()
  for (const s of input.pins ?? [])
    if (canPin(s.technique)) {
      const id = TECHNIQUES[s.technique].stage
      byStage.set(id, [...(byStage.get(id) ?? []), s])
    }
  const out = new Map<StageId, Option[]>()
  for (const [stage, steps] of byStage) {
    const resting = steps.filter((s) => TECHNIQUES[s.technique].dwell)
    if (resting.length > 0)
      out.set(
        stage,
        block
          .pinned(
            resting.map((s) => {
              const a = make.allow(s.technique)
              const own = a.products.filter((p) => p.product.id === s.productId)
              return own.length > 0 ? { ...a, products: own } : a
            }),
            resting.map((s) => s.regions),
            resting.map((s) => s.minutes),
          )
          .map((o) => ({
            ...o,
            moves: o.moves.map((m) =>
              resting.some((s) => s.technique === m.technique)
                ? { ...m, pinned: true as const }
                : m,
            ),
          })),
      )
    else
      out.set(
        stage,
        steps.slice(0, 1).map((s) => single(s, input, make)),
      )
  }
  return out
}

function single(s: PlanStep, input: PlanInput, make: OptionMaker): Option {
  const t = TECHNIQUES[s.technique]
  const a = make.allow(s.technique)
  const bottle = input.shelf.find((x) => x.product.id === s.productId)?.product
  const acid = bottle ? freeAcidOf(bottle) : 0
  const longest = t.minutes.choices[t.minutes.choices.length - 1] ?? t.minutes.most
  const move: Move = {
    technique: s.technique,
    regions: s.regions,
    minutes: s.minutes,
    ...(s.passes === undefined ? {} : { passes: s.passes }),
    ...(s.setting === undefined ? {} : { setting: s.setting }),
    ...(bottle
      ? {
          productId: bottle.id,
          ...(acid > 0 ? { freeAcid: acid } : {}),
          ...(bottle.calming ? {} : { calm: 'no' as const }),
        }
      : (bottles(a)[0] ?? {})),
    pinned: true,
  }
  const moves = [...(make.before(t, s.regions) ?? []), move]
  return make.option(
    `pinned:${s.technique}`,
    make.traits([s.technique], moves),
    moves,
    make.effects.of(t, s.regions, Math.min(1, s.minutes / longest)),
    0,
    a.favour,
  )
}

/** Why a pinned step cannot stand today, in its rule's words; undefined when all may. */
export function pinTrouble(
  input: PlanInput,
  allow: OptionMaker['allow'],
): { rule: string; text: string } | undefined {
  for (const s of input.pins ?? []) {
    if (!canPin(s.technique)) continue
    const a = allow(s.technique)
    const why =
      a.never[0] ?? s.regions.map((r) => a.barred.get(r)?.[0]).find((w) => w !== undefined)
    if (why)
      return {
        rule: why.rule,
        text: `${TECHNIQUES[s.technique].name} is pinned, but ${why.text.replace(/\.$/, '')}.`,
      }
  }
  return undefined
}
