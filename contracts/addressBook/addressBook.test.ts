import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { guessMapping } from './columns'
import { readCsv, writeCsv } from './csv'
import { orderIn, readDay } from './days'
import { dayOrderOf, saidIn, toClient, twiceIn } from './rows'
import { readVcards, writeVcards } from './vcards'

const clientsIn = (file: ReturnType<typeof readCsv>) => {
  if (!file) throw new Error('nothing read')
  const mapping = guessMapping(file.headers)
  return file.rows.map((row) => toClient(saidIn(row, mapping), dayOrderOf(file, mapping)))
}

describe('a table of clients', () => {
  it('says of every bad row what is wrong with it, and keeps the good ones', () => {
    const rows = clientsIn(
      readCsv('name,born,email\nOne,1988-02-03,\n,1988-02-03,\nThree,,nobody\n'),
    )
    expect(rows.map(({ wrong }) => wrong.map(({ field }) => field))).toEqual([
      [],
      ['name'],
      ['email'],
    ])
  })
  it('loses nobody for a birthday that cannot be read: it stands in the notes', () => {
    const [one] = clientsIn(readCsv('name,born,notes\nEdda Rask,31.31.1988,likes silence\n'))
    expect(one?.wrong).toEqual([])
    expect(one?.unread).toBe('31.31.1988')
    expect(one?.fields.born).toBe('')
    expect(one?.fields.notes).toBe('likes silence\nBirthday in the file: 31.31.1988')
  })
  it('has no rows where there is only a line of names', () => {
    expect(readCsv('name,born\n')).toBeUndefined()
    expect(readCsv('')).toBeUndefined()
  })
  it('says the line of the file each row began in, over breaks inside a cell', () => {
    expect(readCsv('name,notes\nOne,"a\nb"\n\nTwo,\n')?.lines).toEqual([2, 5])
  })
  it('brings back every name, note and phone that was given out, whatever is in it', () => {
    const text = fc
      .string({ minLength: 1, maxLength: 120, unit: 'binary' })
      .filter((own) => own.trim() === own && own.length <= 120 && !/[\0\r\uFEFF]/.test(own))
    fc.assert(
      fc.property(
        fc.array(fc.record({ name: text, notes: text }), { minLength: 1, maxLength: 6 }),
        (people) => {
          const rows = people.map(({ name, notes }) => [name, notes])
          const back = clientsIn(readCsv(writeCsv(['name', 'notes'], rows))).map(
            ({ fields: { name, notes } }) => ({ name, notes }),
          )
          // An apostrophe before a sign is what older files have: the one thing not told apart.
          const odd = people.some((own) =>
            [own.name, own.notes].some((word) => /^'[=+\-@\t\r]/.test(word)),
          )
          if (!odd) expect(back).toEqual(people)
        },
      ),
    )
  })
  it('gives a spreadsheet nothing to run', () => {
    const cells = ['=1+1', '+358 40 1', '-1', '@sum', 'plain']
    const [, ...lines] = writeCsv(
      ['name'],
      cells.map((cell) => [cell]),
    ).split('\r\n')
    for (const line of lines) expect(line).not.toMatch(/^"?[=+\-@]/)
  })
})

describe('who stands in a file twice', () => {
  const row = (name: string, born: string, phone: string) =>
    toClient({ ...saidIn([], {}), name, born, phone })
  it('is the same name with nothing that tells them apart', () => {
    const rows = [
      row('Edda Rask', '1988-02-03', ''),
      row('edda  rask', '1988-02-03', '+358 1'),
      row('Edda Rask', '1990-01-01', ''),
      row('Liv Moen', '', '040 1234'),
      row('Liv Moen', '', '040-1234'),
      row('Liv Moen', '', '040 9999'),
    ]
    expect([...twiceIn(rows)]).toEqual([
      [1, 0],
      [4, 3],
    ])
  })
})

describe('days as people write them', () => {
  it('are read where they can mean one day only', () => {
    const same = ['1988-02-03', '3.2.1988', '03.02.88', '19880203', '1988/2/3', '3 Feb 1988']
    for (const text of [...same, '3. Februar 1988', '3 février 1988', '3-Feb-88', 'Feb 3, 1988'])
      expect(readDay(text, undefined, 2026), text).toBe('1988-02-03')
    expect(readDay('13/2/1988')).toBe('1988-02-13')
    expect(readDay('2/13/1988')).toBe('1988-02-13')
    for (const text of ['02/03/1988', '--03-15', '31.2.1988', 'soon', ''])
      expect(readDay(text), text).toBeUndefined()
  })
  it('are read in the order that the column shows or that is said', () => {
    expect(orderIn(['02/03/1988', '13/01/1990'])).toBe('day first')
    expect(orderIn(['02/03/1988', '01/13/1990'])).toBe('month first')
    expect(orderIn(['02/03/1988', '01/12/1990'])).toBeUndefined()
    expect(readDay('02/03/1988', 'day first')).toBe('1988-03-02')
    expect(readDay('02/03/1988', 'month first')).toBe('1988-02-03')
  })
  it('of two digits are the latest that have been', () => {
    expect(readDay('1.1.26', undefined, 2026)).toBe('2026-01-01')
    expect(readDay('1.1.27', undefined, 2026)).toBe('1927-01-01')
  })
})

describe('cards', () => {
  it('that were given out come in again, whoever is on them, and hold no word of health', () => {
    const name = fc
      .string({ minLength: 1, maxLength: 60, unit: 'grapheme' })
      .filter((own) => own.trim() === own && !/[\p{Cc}\p{Zl}\p{Zp}]/u.test(own))
    fc.assert(
      fc.property(fc.array(name, { minLength: 1, maxLength: 5 }), (names) => {
        const people = names.map((one) => ({
          ...{ id: crypto.randomUUID(), name: one, born: '1988-02-03', phone: '+358 40 1' },
          ...{ email: 'e@r.example', work: 'rower; coach', medicines: 'a secret' },
        }))
        const text = writeVcards(people)
        expect(text).not.toContain('a secret')
        expect(clientsIn(readVcards(text)).map(({ fields }) => fields)).toMatchObject(
          people.map((own) => ({
            ...{ name: own.name, born: own.born, phone: own.phone },
            ...{ email: own.email, work: own.work },
          })),
        )
      }),
    )
  })
})
