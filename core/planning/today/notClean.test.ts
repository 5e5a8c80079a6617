import { describe, expect, it } from 'vitest'
import { TOOL_IDS, TOOLS } from '../../catalogue/techniques/tools'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { planInput } from '../../testing/fixtures'
import { usualStep } from '../../testing/steps'
import { trayFor } from '../../tray/tray'
import { propose } from '../answer/propose'
import { allowance } from './allowed'

const using = (tool: (typeof TOOL_IDS)[number]) =>
  TECHNIQUE_IDS.filter((id) => TECHNIQUES[id].tools?.includes(tool))
const stops = (id: (typeof TECHNIQUE_IDS)[number], held: readonly (typeof TOOL_IDS)[number][]) =>
  allowance(id, planInput({ held })).never.some(({ rule }) => rule === 'not-clean')

describe('a tool that is not clean', () => {
  it.each(TOOL_IDS)('%s holds every technique that needs it, and none that does not', (tool) => {
    expect(using(tool).length).toBeGreaterThan(0)
    for (const id of TECHNIQUE_IDS) expect(stops(id, [tool]), id).toBe(using(tool).includes(id))
    const others = TOOL_IDS.filter((own) => own !== tool)
    for (const id of using(tool))
      expect(stops(id, others), id).toBe(TECHNIQUES[id].tools?.some((own) => own !== tool) ?? false)
  })
  it.each(TOOL_IDS)('%s is on no tray and in no plan while it is held', (tool) => {
    const [technique] = using(tool)
    if (!technique) throw new Error('nothing uses it')
    const steps = [usualStep(technique)]
    const tray = (held: readonly (typeof TOOL_IDS)[number][]) =>
      trayFor(planInput({ held }), steps).tools.find((own) => own.tool === tool)
    expect(tray([])?.clean).toBe(true)
    expect(tray([tool])?.clean).toBe(false)
    expect(trayFor(planInput({ held: [tool] }), steps).missing.join()).toContain(TOOLS[tool].name)
    const plan = propose(planInput({ held: TOOL_IDS, slotMinutes: 90 })).steps
    expect(plan.flatMap((step) => TECHNIQUES[step.technique].tools ?? [])).toEqual([])
  })
})
