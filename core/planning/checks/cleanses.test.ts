import { describe, expect, it } from 'vitest'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { planInput } from '../../testing/fixtures'
import { propose } from '../answer/propose'
import { applyEdits } from '../steps/edit'
import { checkPlan } from './check'

const input = planInput({ school: 'brightLamp', aims: ['dullness', 'congestion'] })
const good = propose(input).steps

describe('a cleanse too few', () => {
  it('is mended by one more, of the least minutes, where another cleanse stood', () => {
    const own = { ...input, makeUp: ['layered'] as const }
    const found = checkPlan(own, good).findings.find(({ rule }) => rule === 'cleanse-layers')
    const [mend] = found?.mends ?? []
    const { least } = TECHNIQUES.secondCleanse.minutes
    expect(mend?.minutes).toBe(least)
    const [edit] = mend?.edits ?? []
    expect(edit).toMatchObject({
      do: 'insert',
      step: { technique: 'secondCleanse', minutes: least },
    })
    const mended = applyEdits(good, mend?.edits ?? []).map(({ technique }) => technique)
    const cleanses = mended.flatMap((own, at) =>
      TECHNIQUES[own].stage === 'deepCleanse' ? at : [],
    )
    expect(cleanses.length).toBeGreaterThan(1)
    expect((cleanses.at(-1) ?? 0) - (cleanses.at(-2) ?? 0), 'right after the other').toBe(1)
    expect(
      checkPlan(own, applyEdits(good, mend?.edits ?? [])).findings.map(({ rule }) => rule),
    ).not.toContain('cleanse-layers')
  })
})
