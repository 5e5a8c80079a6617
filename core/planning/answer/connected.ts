import { connectorWants, MADE_READY } from '../../catalogue/techniques/roles'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { RegionId } from '../../face/zones'
import { faceOf, lackingOn, workOn } from '../../surface/face'
import { startSurface } from '../../surface/surface'
import { minutes, toTicks } from '../../units'
import type { PlanInput } from '../input'
import { isLink } from '../steps/link'
import { connect, laidTogether, unavailableLinks, wantsWords } from '../steps/mend'
import { allowances } from '../today/allowed'

/** The steps with what connects them put in where the skin wants it. */
export function connected(input: PlanInput, steps: readonly PlanStep[]): PlanStep[] {
  const allow = allowances(input)
  const without = unavailableLinks(allow)
  let face = faceOf(startSurface(input.makeUp.length > 0))
  let resting = false
  const out: PlanStep[] = []
  for (const [at, step] of steps.entries()) {
    const technique = techniqueOf(step)
    const on = (regions: readonly RegionId[]) =>
      connect(lackingOn(face, technique, { ...step, regions }), technique, regions, without)
    // What is laid side by side is made ready for together: nothing connects while one rests.
    const laid = MADE_READY.includes(step.technique) ? at + 1 : technique.dwell ? at : undefined
    const together = laid === undefined ? undefined : on(laidTogether(steps, laid))
    const chain = resting ? undefined : (together ?? on(step.regions))
    for (const link of chain?.steps ?? []) {
      const why = wantsWords(technique, connectorWants(link.technique))
      const bottle = allow(link.technique).products[0]?.product.id
      out.push({
        ...link,
        key: '',
        ...(bottle === undefined ? {} : { productId: bottle }),
        why: [{ rule: 'surface', text: why }],
      })
      face = workOn(face, techniqueOf(link), link, toTicks(link.minutes))
    }
    out.push(step)
    face = workOn(face, technique, step, toTicks(step.minutes))
    if (technique.dwell) resting = true
    else if (technique.removes) resting = false
  }
  return named(joinWaits(out))
}

/** Two waits in a row are one. */
function joinWaits(steps: readonly PlanStep[]): PlanStep[] {
  const out: PlanStep[] = []
  for (const step of steps) {
    const last = out[out.length - 1]
    const waits = techniqueOf(step).connects?.handsOff === true
    if (last && waits && last.technique === step.technique && isLink(step))
      out[out.length - 1] = { ...last, minutes: minutes(last.minutes + step.minutes) }
    else out.push(step)
  }
  return out
}

/** Connecting steps with keys of their own. */
function named(steps: readonly PlanStep[]): PlanStep[] {
  let count = 0
  return steps.map((step) =>
    step.key === '' ? { ...step, key: `${step.technique}-order-${++count}` } : step,
  )
}
