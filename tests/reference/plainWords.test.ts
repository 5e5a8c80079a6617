import { describe, expect, it } from 'vitest'
import { wordsIn, wordsOfCode, wordsOfComponent } from '../../scripts/docs/words.mjs'
import { FOLDERS, screenOf } from '../../scripts/docs/wordsPage.mjs'

/** Turns of phrase that have to be read twice. The usual word stands beside each. */
const MANNERED: readonly (readonly [form: RegExp, plain: string])[] = [
  [/\ball the same\b/i, 'anyway'],
  [/\bof now\b/i, 'current'],
  [/\bof it\b/i, 'name it'],
  [/\bwhat becomes\b/i, 'what happens to'],
  [/\b(take|takes|taken|taking|took) (it )?in\b/i, 'import, add'],
  [/\b(take|takes|taken|taking|took) (it )?out\b/i, 'export, remove'],
  [/\b(put|puts) (it |them )?(down|up)\b/i, 'add'],
  [/\bstand(s|ing)?\b|\bstood\b/i, 'is'],
  [/\btold\b/i, 'named, answered'],
  [/\bthe house\b|\bthis house\b/i, 'the practice, the server, here'],
  [/\bby itself\b/i, 'on its own'],
  [/\bset(s)? aside\b/i, 'override'],
  [/\bspeaks? against\b/i, 'is wrong with'],
  [/\bmeanwhile: theirs\b/i, 'their version'],
  [/\bany more$/i, 'no longer'],
]
/** A turn that is the usual one where it stands, and why. */
const USUAL = new Map([
  ['All of it, over everything: round the eyes, ears, neck.', 'the amount on the fingers'],
  ['congested: take out what is ripe', 'extraction, as the trade says it'],
  ['nothing there to take out', 'extraction'],
  ['takes out what is ripe and softened', 'extraction'],
  [
    'Do not touch your face or press where something was taken out; a fresh pillowcase.',
    'extraction, said to the client',
  ],
])
const MOST_WORDS = 20

const all = FOLDERS.flatMap(wordsIn)
/** What is filled in is a word of its own and read where it is written. */
const plain = (words: string) => words.replace(/\{[^}]*\}/g, '…')
const sentences = (words: string) => plain(words).split(/[.!?:;](?:\s|$)/)
const mannered = (words: string) =>
  MANNERED.filter(([form]) => form.test(plain(words))).map(([, usual]) => usual)

describe('what stands on a screen', () => {
  it('is found wherever it is written', () => {
    expect(
      wordsOfComponent(
        `<script setup lang="ts">const gone = 'Discard the bottle'</script>
        <template><p class="no words" :aria-label="\`Move \${name}\`">Was {{ n }} mL</p></template>`,
      ),
    ).toEqual(['Move {name}', 'Was {n} mL', 'Discard the bottle'])
    expect(wordsOfCode("if (way === 'oil mask') say({ name: 'peel', id: 'peel' })")).toEqual([
      'peel',
    ])
  })

  it('belongs to a screen of docs/words.md', () => {
    expect(all.filter(({ file }) => !screenOf(file)).map(({ file }) => file)).toEqual([])
    expect(all.length).toBeGreaterThan(1)
  })

  it('is said in the usual words', () => {
    const found = all.flatMap(({ file, words }) =>
      words
        .filter((one) => !USUAL.has(one))
        .flatMap((one) => mannered(one).map((usual) => `${file}: “${one}” (${usual})`)),
    )
    expect(found).toEqual([])
  })

  it('is no sentence of more than twenty words', () => {
    const found = all.flatMap(({ file, words }) =>
      words
        .flatMap(sentences)
        .filter((one) => one.trim().split(/\s+/).length > MOST_WORDS)
        .map((one) => `${file}: ${one}`),
    )
    expect(found).toEqual([])
  })

  it('needs each exception', () => {
    const said = new Set(all.flatMap(({ words }) => words))
    const idle = [...USUAL.keys()].filter((one) => !said.has(one) || mannered(one).length === 0)
    expect(idle).toEqual([])
  })
})
