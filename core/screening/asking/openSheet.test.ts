import { describe, expect, it } from 'vitest'
import { OPEN_SHEET } from '../../catalogue/consultation/openSheet'
import { FINDING_IDS } from '../../catalogue/consultation/findings'
import { allowance } from '../../planning/today/allowed'
import { allNo, planInput, TODAY } from '../../testing/fixtures'
import type { Answers } from './answers'
import { openSheetBars } from './openSheet'
import { screen } from '../verdict/verdict'

/** Common practice: who does not know the client does not go deep. */
describe('several open questions', () => {
  const rulesFor = (answers: Answers) => screen(answers, TODAY).bars.map((bar) => bar.rule)
  it('one alone stops only what a yes to it would', () => {
    for (const one of FINDING_IDS)
      expect(rulesFor(allNo({ [one]: { say: 'unsure' } })), one).not.toContain(OPEN_SHEET.rule)
  })
  it('two, whichever they are and however open, leave gentle work', () => {
    for (const [index, one] of FINDING_IDS.entries()) {
      const other = FINDING_IDS[(index + 7) % FINDING_IDS.length] ?? 'fever'
      const { [other]: _unasked, ...rest } = allNo({ [one]: { say: 'unsure' } })
      expect(rulesFor(rest), `${one}, ${other}`).toContain(OPEN_SHEET.rule)
    }
  })
  it('extraction waits, a mask that gives water does not', () => {
    const answers = allNo({ epilepsy: { say: 'unsure' }, thyroid: { say: 'unsure' } })
    const input = planInput({ answers, verdict: screen(answers, TODAY) })
    const rules = (id: 'extraction' | 'hydratingMask') =>
      allowance(id, input).never.map(({ rule }) => rule)
    expect(rules('extraction')).toContain(OPEN_SHEET.rule)
    expect(rules('hydratingMask')).not.toContain(OPEN_SHEET.rule)
  })
  it('is the row: without it nothing more waits', () => {
    expect(openSheetBars(['fever', 'metal'], [], { ...OPEN_SHEET, least: 99 })).toEqual([])
  })
})
