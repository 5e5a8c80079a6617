import { describe, expect, it } from 'vitest'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { PRODUCT_KINDS } from '#core/catalogue/kinds'
import { TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import { filesUnder, foundIn, foundInFile, foundInTemplate, type Found } from '../support/tradeGate'

/**
 * Numbers and lists of the trade are rows of the catalogue, with reason and source; everything else
 * knows no technique, kind or contraindication by its name. What may stand elsewhere is listed here,
 * each with why.
 */
const IDS: ReadonlySet<string> = new Set([
  ...TECHNIQUE_IDS,
  ...PRODUCT_KINDS,
  ...CONTRAINDICATIONS.map(({ id }) => id),
])

interface Exception {
  why: string
  file: RegExp
  /** Of a file only what fits: the constant's name, the text itself, what stands around it. */
  name?: RegExp
  text?: RegExp
  around?: RegExp
}
const EXCEPTIONS: readonly Exception[] = [
  {
    why: 'definitions of units: minutes, grams, inches of mercury (NIST SP 811)',
    file: /^core\/units\.ts$/,
  },
  { why: 'the zones of a face and their areas are rows themselves', file: /^core\/face\// },
  {
    why: 'published scales of the skin, each with its source; what a meter or a sign sets',
    file: /^core\/skin\//,
  },
  {
    why: 'bounds of the search, hashes and grids: they change how long it takes, not what it finds',
    file: /^core\/(planning\/(search|steps)\/|timing\/stagger|screening\/asking\/days|home\/nights)/,
  },
  {
    why: 'how much may be said at once, and which moments a clock may name',
    file: /^core\/(shapes|treatment\/taps\/eventShapes)\.ts$/,
  },
  {
    why: 'the film of milk, and the end of a visit: not a technique',
    file: /^core\/(surface\/words|visit\/stops)\.ts$/,
  },
  { why: 'the day of a moment as it is written', file: /./, around: /\.slice\(0, 10\)/ },
  {
    why: 'how much of a text is taken or typed',
    file: /./,
    around: /slice\(0, \d+\)|maxlength|counter|text\.length|toString\(16\)/,
  },
  {
    why: 'a time, size or count of the machine, under a name that says so',
    file: /^(app|server)\//,
    name: new RegExp(
      '(_MS|_PX|_BYTES|_MB|_LIMIT|_SECONDS|DIGITS|TRIES|TRIES_AT_ONE|TRIES_FROM|ROUNDS|PAGE_SIZE|' +
        'BATCH|LOCK|COST|QUALITY|_MEGAPIXELS|RECOVERY_CODES|_SIZE|BYTES|STEP)$',
    ),
  },
  { why: 'answers of the web', file: /^(app|server)\//, text: /^(40\d|409|415|422|429|500)$/ },
  {
    why: 'an event of a window, not the end of a visit',
    file: /^(app|server)\//,
    text: /^(close|stay)$/,
  },
  {
    why: 'places on paper',
    file: new RegExp(
      '^app/components/(face/|course/LedgerChart|common/BasinBowl|day/(MiniBasins|DayBowl)|' +
        'room/(RednessCourse|RestingVessel|RoomButton)|plan/(PlanStrip|ComparePlans)|' +
        'visit/ConsentSigning)',
    ),
  },
  {
    why: 'places on paper, sounds and colours',
    file: new RegExp(
      '^app/(composables/(plan/(strip|lines|dragging|history)|room/sounds|dayLayout|picture)\\.ts|' +
        'plugins/vuetify\\.ts|pages/index\\.vue)',
    ),
  },
  {
    why: 'how many lines a page shows or a reply holds',
    file: /^(app|server)\//,
    name: /^(SHOWN|MOST|PARTS_MOST|KNOWN_MOST|WORKING_MOST|LONGEST_NAME)$/,
  },
  {
    why: 'how many pages are named, how many lines a query gives',
    file: /^(app|server)\//,
    around: /totalvisible|^database\(\)/,
  },
  {
    why: 'the stores of the machine: a scheme, a pool, a salt, a size',
    file: new RegExp(
      '^(app/composables/keep(Tables)?|server/(http/body|middleware/01\\.headers|services/(database|' +
        'session/(passwords|commonPasswords)|visits/records)))\\.ts$',
    ),
  },
  {
    why: 'how long the page waits for the next letter',
    file: /^app\//,
    around: /debounce|refDebounced/i,
  },
]
const allowed = (found: Found): boolean =>
  EXCEPTIONS.some(
    ({ file, name, text, around }) =>
      file.test(found.file) &&
      (name?.test(found.name) ?? true) &&
      (text?.test(found.text) ?? true) &&
      (around?.test(found.around) ?? true),
  )

const files = ['core', 'app', 'server']
  .flatMap(filesUnder)
  .filter((file) => !/^core\/(catalogue|testing)\//.test(file))

describe('the trade stands in its catalogue', () => {
  it('and nowhere else: no number, no technique, kind or contraindication by name', () => {
    expect(files.length).toBeGreaterThan(450)
    const found = files.flatMap((file) => foundInFile(file, IDS)).filter((own) => !allowed(own))
    expect(found.map(({ file, name, around }) => `${file}: ${name} ${around}`)).toEqual([])
  })
  it('no exception is without use', () => {
    const all = files.flatMap((file) => foundInFile(file, IDS))
    for (const { why, file, name, text, around } of EXCEPTIONS)
      expect(
        all.some(
          (own) =>
            file.test(own.file) &&
            (name?.test(own.name) ?? true) &&
            (text?.test(own.text) ?? true) &&
            (around?.test(own.around) ?? true),
        ),
        why,
      ).toBe(true)
  })
})

describe('what would slip in is found, wherever it stands', () => {
  const inCode = (code: string, file = 'core/planning/today/x.ts') =>
    foundIn(file, code, IDS).filter((own) => !allowed(own))
  it.each([
    'const ACID_MOST = 10; export const fits = (acid: number) => acid > ACID_MOST',
    'export const some = (count: number) => Math.min(3, count)',
    'export const less = (minutes: number) => minutes - 5',
    'export const choices = [5, 10, 15]',
    'export const most = (a: boolean) => (a ? 12 : 8)',
    'export const next = (today: string) => addDays(today, 14)',
    'export const wait = (minutes = 20) => minutes',
    'export const row = { hours: 48 }',
    'switch (grade) { case 3: stop() }',
    "if (step.technique === 'tip') stop()",
    "export const strong = why.rule.includes('tip')",
    "const GENTLE = ['enzyme', 'milk']",
    "if (bar.rule === 'pregnancy-heat') stop()",
    'export const percent = `${amount * 40} %`',
  ])('%s', (code) => {
    expect(inCode(code)).not.toEqual([])
    expect(inCode(code, 'server/services/visits/x.ts')).not.toEqual([])
    expect(inCode(code, 'app/composables/plan/x.ts')).not.toEqual([])
  })
  it('in a template, as what may be typed and in an expression', () => {
    for (const template of [
      '<VTextField max="14" />',
      '<i v-if="grade > 3" />',
      '<b>{{ minutes * 5 }}</b>',
      '<VSlider :max="90" />',
      `<i v-if="step.technique === 'steam'" />`,
    ])
      expect(
        foundInTemplate('app/components/plan/X.vue', template, IDS).filter((own) => !allowed(own)),
        template,
      ).not.toEqual([])
  })
  it('and a stage of the visit that is called as a technique is is not', () => {
    expect(inCode("export const soaks = TECHNIQUES[id].stage === 'eyesOff'")).toEqual([])
  })
})
