import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { SCRIPTS } from './lived'
import { saidIn } from './says'

/**
 * Nine visits as they are lived: what the room says from tap to tap, and what is written of it in the
 * end, line by line in `lived.json`. Nothing there is a rule: it is what the rules come to. Somebody who
 * changes one sees what it moves; `npm run effects` writes the file anew once that is meant.
 */
const FILE = 'tests/reference/lived/lived.json'
const said = Object.fromEntries(
  SCRIPTS.flatMap((script) =>
    Object.entries(saidIn(script)).map(([what, lines]) => [`${script.name}: ${what}`, lines]),
  ),
)
const names = Object.keys(said)
if (process.env.OAK_WRITE_EFFECTS)
  writeFileSync(
    FILE,
    `{\n${names.map((name) => `${JSON.stringify(name)}: ${JSON.stringify(said[name])}`).join(',\n')}\n}\n`,
  )
const kept = (existsSync(FILE) ? JSON.parse(readFileSync(FILE, 'utf8')) : {}) as typeof said

describe('visits as they are lived', () => {
  it.each(names)('%s', (name) => {
    expect(said[name]).toEqual(kept[name])
  })
  it('nothing is kept that is not said any more', () => {
    expect(Object.keys(kept).filter((name) => !names.includes(name))).toEqual([])
  })
  it('every kind of thing the room says is said in one of them', () => {
    for (const what of ['rests', 'next off', 'counts', 'pads', 'device', 'medium', 'left', 'stop'])
      expect(
        names.filter((name) => name.endsWith(`: ${what}`) && (said[name]?.length ?? 0) > 1),
        what,
      ).not.toEqual([])
  })
})
