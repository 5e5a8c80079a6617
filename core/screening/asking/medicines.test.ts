import { describe, expect, it } from 'vitest'
import { allNo, TODAY } from '../../testing/fixtures'
import { stopping } from '../../planning/today/bars'
import { screen } from '../verdict/verdict'
import { MEDICINE_GROUPS } from '../../catalogue/consultation/medicines'
import { medicinesIn, saidOfMedicines, withMedicines } from './medicines'

describe('medicines that are written down', () => {
  it('are known by their group, in the spellings of several languages', () => {
    expect(medicinesIn('Doxycycline 100 mg, Marcoumar; warfarina\nPrednisolon')).toEqual([
      { word: 'Doxycycline 100 mg', findings: ['lightMedicine'] },
      { word: 'Marcoumar', findings: [] },
      { word: 'warfarina', findings: ['bloodThinner'] },
      { word: 'Prednisolon', findings: ['steroids'] },
    ])
    for (const { words, finding } of MEDICINE_GROUPS)
      for (const word of words) expect(medicinesIn(word)[0]?.findings).toContain(finding)
  })

  it('stop what a yes to their question stops, even where the question was answered with no', () => {
    const lamps = (text: string) =>
      stopping(screen(withMedicines(allNo(), text), TODAY)).filter(({ families }) =>
        families.includes('lamp'),
      )
    expect(lamps('')).toEqual([])
    expect(lamps('vitamin d')).toEqual([])
    expect(lamps('doxycycline').map(({ rule }) => rule)).toEqual(['light-lamp'])
  })

  it('leave a yes as it was told, with its day', () => {
    const told = allNo({ isotretinoin: { say: 'yes', date: '2026-02-01' } })
    expect(withMedicines(told, 'isotretinoin')).toEqual(told)
  })

  it('are said: what each counts as, and what nobody here knows; none is none', () => {
    expect(saidOfMedicines('doxycycline, zzyx').map(({ say }) => say)).toEqual([
      '“doxycycline” counts as a medicine that light makes burn',
      'Ask a doctor or pharmacist about “zzyx”: no list here knows it',
    ])
    for (const text of ['', ' ', 'none', '-', 'None, ']) expect(saidOfMedicines(text)).toEqual([])
  })
})
