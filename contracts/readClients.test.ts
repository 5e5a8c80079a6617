import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { guessMapping, readCsv, readDay, readVcards, toClient } from './readClients'

const read = (text: string) => {
  const file = readCsv(text)
  if (!file) throw new Error('nothing read')
  const mapping = guessMapping(file.headers)
  return file.rows.map((row) => toClient(row, mapping))
}

describe('a file of clients', () => {
  it('is read by its own names of columns, by comma or semicolon, with a byte order mark', () => {
    const [one] = read(
      '\uFEFFFull name;Date of birth;Mobile;E-mail\r\nEdda Rask;3.2.1988;+358 40 1;e@r.example\r\n',
    )
    expect(one?.wrong).toEqual([])
    expect(one?.fields).toMatchObject({ name: 'Edda Rask', born: '1988-02-03', phone: '+358 40 1' })
  })
  it('says of every bad row what is wrong with it, and keeps the good ones', () => {
    const rows = read(
      'name,born,email\nOne,1988-02-03,\n,1988-02-03,\nThree,31.31.1988,\nFour,,nobody\n',
    )
    expect(rows.map(({ wrong }) => wrong.map(({ field }) => field))).toEqual([
      [],
      ['name'],
      ['born'],
      ['email'],
    ])
  })
  it('has no rows where there is only a line of names', () => {
    expect(readCsv('name,born\n')).toBeUndefined()
    expect(readCsv('')).toBeUndefined()
  })
  it('brings back every name, note and phone that the house gave out, whatever is in it', () => {
    const text = fc
      .string({ minLength: 1, maxLength: 120, unit: 'binary' })
      .filter(
        (own) => own.trim() === own && own.length <= 120 && !/[\0\r\uFEFF]/.test(own) && own !== '',
      )
    fc.assert(
      fc.property(
        fc.array(fc.record({ name: text, notes: text }), { minLength: 1, maxLength: 6 }),
        (people) => {
          const csv = Papa.unparse(people, { escapeFormulae: true, newline: '\r\n' })
          const file = readCsv(csv)
          const back = file?.rows.map((row) => toClient(row, guessMapping(file.headers)).fields)
          // A word that begins with an apostrophe before a sign is the one thing that is not told apart.
          const odd = people.some((own) =>
            [own.name, own.notes].some((word) => /^'[=+\-@\t\r]/.test(word)),
          )
          if (!odd) expect(back?.map(({ name, notes }) => ({ name, notes }))).toEqual(people)
        },
      ),
    )
  })
})

describe('days as people write them', () => {
  it('are read where they can mean one day only', () => {
    expect(readDay('1988-02-03')).toBe('1988-02-03')
    expect(readDay('3.2.1988')).toBe('1988-02-03')
    expect(readDay('19880203')).toBe('1988-02-03')
    expect(readDay('1988/2/3')).toBe('1988-02-03')
    expect(readDay('02/03/1988')).toBe('02/03/1988')
  })
})

describe('cards', () => {
  const card = (version: string, more: string) =>
    [
      'BEGIN:VCARD',
      `VERSION:${version}`,
      'FN:Edda Rask',
      more,
      'TEL;TYPE=cell:+358 40 1',
      'END:VCARD',
      '',
    ].join('\r\n')
  it('of vCard 3 and 4 are rows like any other', () => {
    for (const text of [card('3.0', 'BDAY:1988-02-03'), card('4.0', 'BDAY:19880203')]) {
      const file = readVcards(text)
      const one = file && toClient(file.rows[0] ?? [], guessMapping(file.headers))
      expect(one?.wrong).toEqual([])
      expect(one?.fields).toMatchObject({
        name: 'Edda Rask',
        born: '1988-02-03',
        phone: '+358 40 1',
      })
    }
    expect(readVcards(card('4.0', 'NOTE:a') + card('4.0', 'NOTE:b'))?.rows).toHaveLength(2)
  })
})
