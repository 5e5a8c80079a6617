import { describe, expect, it } from 'vitest'
import { guessMapping } from './columns'
import { readCsv } from './csv'
import { dayOrderOf, saidIn, toClient } from './rows'
import { encodingOf, textOf, type Encoding } from './text'
import { readVcards } from './vcards'

/** Files as ordinary offices and telephones write them, byte for byte. */
interface Ordinary {
  from: string
  encoding: Encoding
  bytes: Uint8Array
  /** Name, birthday and phone of each, as they have to be read at first sight. */
  people: readonly (readonly [name: string, born: string, phone: string])[]
}
/** Letters of old one-byte sets that the files use. */
const LETTERS: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  'windows-1252': {
    ä: 0xe4,
    ö: 0xf6,
    ü: 0xfc,
    é: 0xe9,
    è: 0xe8,
    ñ: 0xf1,
    Å: 0xc5,
    ç: 0xe7,
    ß: 0xdf,
  },
  'windows-1250': { š: 0x9a, č: 0xe8, ř: 0xf8, ž: 0x9e, á: 0xe1, í: 0xed, ě: 0xec, Š: 0x8a },
  macintosh: { ä: 0x8a, ö: 0x9a, ü: 0x9f, é: 0x8e, å: 0x8c, Å: 0x81 },
}
function inOldLetters(text: string, set: string): Uint8Array {
  return Uint8Array.from([...text], (letter) => {
    const code = LETTERS[set]?.[letter] ?? letter.charCodeAt(0)
    if (code > 0xff) throw new Error(`no ${letter} in ${set}`)
    return code
  })
}
const utf8 = (text: string) => new TextEncoder().encode(text)
const utf16 = (text: string, big = false) => {
  const marked = `\uFEFF${text}`
  const bytes = new Uint8Array(marked.length * 2)
  const view = new DataView(bytes.buffer)
  for (const [at, letter] of [...marked].entries())
    view.setUint16(at * 2, letter.charCodeAt(0), !big)
  return bytes
}
const card = (...lines: string[]) => ['BEGIN:VCARD', ...lines, 'END:VCARD', ''].join('\r\n')

const FILES: readonly Ordinary[] = [
  {
    from: 'a German spreadsheet on Windows: semicolons, points in dates',
    encoding: 'windows-1252',
    bytes: inOldLetters(
      'Vorname;Nachname;Geburtsdatum;Telefon;Bemerkungen\r\n' +
        'Jürg;Häß;3.2.1988;0171/5550;mag Stille\r\nRené;Müller;04.11.75;;\r\n',
      'windows-1252',
    ),
    people: [
      ['Jürg Häß', '1988-02-03', '0171/5550'],
      ['René Müller', '1975-11-04', ''],
    ],
  },
  {
    from: 'a French spreadsheet: days first with slashes',
    encoding: 'windows-1252',
    bytes: inOldLetters(
      'Nom;Prénom;Date de naissance;Téléphone\r\nLefèvre;Françoise;25/12/1969;01 55 50\r\nNoé;Zoé;03/04/1990;\r\n',
      'windows-1252',
    ),
    people: [
      ['Françoise Lefèvre', '1969-12-25', '01 55 50'],
      ['Zoé Noé', '1990-04-03', ''],
    ],
  },
  {
    from: 'an American spreadsheet: commas, months first',
    encoding: 'utf-8',
    bytes: utf8(
      'First Name,Last Name,Birthday,Mobile\r\nAda,Korsen,02/13/1998,(555) 0140\r\nBea,Holt,7/4/1980,\r\n',
    ),
    people: [
      ['Ada Korsen', '1998-02-13', '(555) 0140'],
      ['Bea Holt', '1980-07-04', ''],
    ],
  },
  {
    from: 'a Swedish spreadsheet on a Mac of old letters',
    encoding: 'macintosh',
    bytes: inOldLetters(
      'Förnamn;Efternamn;Födelsedag;Mobil\rÅsa;Sjöberg;1988-02-03;070 555\rPär;Lindén;;\r',
      'macintosh',
    ),
    people: [
      ['Åsa Sjöberg', '1988-02-03', '070 555'],
      ['Pär Lindén', '', ''],
    ],
  },
  {
    from: 'a spreadsheet’s “Unicode text”: UTF-16 with tabs',
    encoding: 'utf-16le',
    bytes: utf16('Nimi\tSyntymäaika\tPuhelin\r\nVäinö Öst\t3.2.1988\t+358 40 1\r\n'),
    people: [['Väinö Öst', '1988-02-03', '+358 40 1']],
  },
  {
    from: 'the same, the other end first',
    encoding: 'utf-16be',
    bytes: utf16('nombre;apellidos;fecha de nacimiento\r\nÍñigo;Núñez;3-2-1988\r\n', true),
    people: [['Íñigo Núñez', '1988-02-03', '']],
  },
  {
    from: 'a Czech office on Windows',
    encoding: 'windows-1250',
    bytes: inOldLetters(
      'name;born;phone\r\nŠárka Dvořáková;3.2.1988;555 010\r\nJiří Běloš;;\r\n',
      'windows-1250',
    ),
    people: [
      ['Šárka Dvořáková', '1988-02-03', '555 010'],
      ['Jiří Běloš', '', ''],
    ],
  },
  {
    from: 'an address book on the web: many columns, kinds beside values',
    encoding: 'utf-8',
    bytes: utf8(
      '\uFEFFFirst Name,Middle Name,Last Name,Birthday,Notes,E-mail 1 - Label,' +
        'E-mail 1 - Value,Phone 1 - Label,Phone 1 - Value\r\n' +
        'Edda,,Rask,1988-02-03,"two lines\nof note",* Work,e@r.example,Mobile,+358 40 1 ::: +358 40 2\r\n',
    ),
    people: [['Edda Rask', '1988-02-03', '+358 40 1']],
  },
  {
    from: 'a messy one: what parts it, a title, an empty line, columns out of order',
    encoding: 'utf-8',
    bytes: utf8(
      'sep=;\r\nOur clients;;;\r\n;;;\r\nphone;e-mail;client;date of birth\r\n' +
        '+47 55;;"Moen, Liv";3 Feb 1988\r\n;;;\r\n;l@m.example;Ola Näs;soon\r\n',
    ),
    people: [
      ['Moen, Liv', '1988-02-03', '+47 55'],
      ['Ola Näs', '', ''],
    ],
  },
  {
    from: 'an old telephone: vCard 2.1, quoted printable over two lines',
    encoding: 'utf-8',
    bytes: utf8(
      card(
        'VERSION:2.1',
        'N;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:M=C3=BCller-L=C3=BCden=',
        'scheid;J=C3=B6rg;;;',
        'FN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:J=C3=B6rg M=C3=BCller-L=',
        '=C3=BCdenscheid',
        'TEL;CELL;PREF:0171 5550',
        'BDAY:19880203',
      ),
    ),
    people: [['Jörg Müller-Lüdenscheid', '1988-02-03', '0171 5550']],
  },
  {
    from: 'a telephone of today: vCard 3 in groups, with a picture and a birthday without its year',
    encoding: 'utf-8',
    bytes: utf8(
      card(
        'VERSION:3.0',
        'PRODID:-//an address book//EN',
        'N:Öst;Väinö;;;',
        'FN:Väinö Öst',
        'item1.TEL;type=CELL;type=VOICE;type=pref:+358 40 1',
        'item1.X-ABLabel:_$!<Mobile>!$_',
        'PHOTO;ENCODING=b;TYPE=JPEG:/9j/4AAQSkZJRg',
        ' ABAQAAAQABAAD',
        'BDAY;X-APPLE-OMIT-YEAR=1604:1604-03-15',
      ) + card('VERSION:3.0', 'N:Rask;Edda;;;', 'FN:', 'BDAY;VALUE=date:1988-02-03'),
    ),
    people: [
      ['Väinö Öst', '', '+358 40 1'],
      ['Edda Rask', '1988-02-03', ''],
    ],
  },
  {
    from: 'an address book of vCard 4',
    encoding: 'utf-8',
    bytes: utf8(
      card(
        'VERSION:4.0',
        'FN:Zoë Noël',
        'N:Noël;Zoë;;;',
        'BDAY:19880203',
        'TEL;VALUE=uri;TYPE="voice,cell":tel:+33-1-55',
        'NOTE:likes silence\\, and dark',
      ),
    ),
    people: [['Zoë Noël', '1988-02-03', '+33-1-55']],
  },
]

describe('a file as an ordinary office writes it', () => {
  it.each(FILES)('$from', ({ bytes, encoding, people }) => {
    expect(encodingOf(bytes)).toBe(encoding)
    const text = textOf(bytes, encoding)
    const file = /^BEGIN:VCARD/.test(text) ? readVcards(text) : readCsv(text)
    if (!file) throw new Error('nothing read')
    const mapping = guessMapping(file.headers)
    const clients = file.rows.map((row) =>
      toClient(saidIn(row, mapping), dayOrderOf(file, mapping)),
    )
    expect(clients.flatMap(({ wrong }) => wrong)).toEqual([])
    expect(clients.map(({ fields: { name, born, phone } }) => [name, born, phone])).toEqual(people)
  })
})
