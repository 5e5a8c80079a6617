import { describe, expect, it } from 'vitest'
import { CONTRAINDICATIONS } from '../../catalogue/consultation/contraindications'
import { LICENCE_IDS } from '../../catalogue/kinds'
import { WORD_LETTERS } from '../../catalogue/rules/screening'
import { liftTrouble } from './lifts'

describe("a doctor's word", () => {
  const rows = CONTRAINDICATIONS.filter(({ lifts, visit }) => lifts === 'doctor' && !visit)
  const senior = { role: 'owner', licences: LICENCE_IDS }
  it.each(rows)('$id: is taken from so many letters on, and not with one fewer', (row) => {
    expect(liftTrouble(row, senior, 'x'.repeat(WORD_LETTERS))).toBeUndefined()
    expect(liftTrouble(row, senior, 'x'.repeat(WORD_LETTERS - 1))).toMatch(/Write down/)
    expect(liftTrouble(row, senior, ` ${'x'.repeat(WORD_LETTERS - 1)} `)).toMatch(/Write down/)
  })
})
