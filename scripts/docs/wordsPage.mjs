/**
 * All words of the product in one sitting, screen by screen: those of the templates, those the code
 * says, and the rows of the trade. What is filled in stands in braces.
 */
import { wordsIn } from './words.mjs'

/** The screens in the order a newcomer meets them, each with the folders and files that make it. */
export const SCREENS = [
  [
    'Frame of every page',
    [
      'app/layouts',
      'app/error.vue',
      'app/components/common',
      'app/components/LockScreen.vue',
      'app/app.vue',
    ],
  ],
  [
    'First hour, sign-in, password',
    [
      'app/pages/first-hour.vue',
      'app/pages/sign-in.vue',
      'app/pages/join.vue',
      'app/pages/you.vue',
      'app/pages/tablet.vue',
    ],
  ],
  [
    'Day',
    [
      'app/pages/index.vue',
      'app/components/day',
      'app/composables/day',
      'app/composables/dayLayout.ts',
    ],
  ],
  [
    'People',
    [
      'app/pages/people',
      'app/components/people',
      'app/components/course',
      'app/composables/people.ts',
    ],
  ],
  ['The client’s own form', ['app/pages/form.vue']],
  [
    'Visit: Ask and Read',
    [
      'app/pages/visits/[id].vue',
      'app/pages/visits/[id]/ask.vue',
      'app/pages/visits/[id]/read.vue',
      'app/components/visit',
      'app/components/face',
    ],
  ],
  [
    'Visit: Plan',
    ['app/pages/visits/[id]/plan.vue', 'app/components/plan', 'app/composables/plan'],
  ],
  ['Visit: Set', ['app/pages/visits/[id]/set.vue', 'app/components/set']],
  [
    'Visit: Treat',
    ['app/pages/visits/[id]/treat.vue', 'app/components/room', 'app/composables/room'],
  ],
  ['Visit: Close', ['app/pages/visits/[id]/close.vue', 'app/components/close']],
  ['Shelf', ['app/pages/shelf', 'app/components/shelf', 'app/composables/shelf']],
  ['Method', ['app/pages/method.vue', 'app/components/method']],
  ['Practice', ['app/pages/practice', 'app/components/practice', 'app/components/house']],
  ['Anywhere in the application', ['app']],
  ['Said by the server', ['server']],
  ['Said of what was sent', ['contracts']],
  ['Said by what is computed', ['core']],
  ['Rows of the trade', ['core/catalogue']],
]
/** Where words for people are written. */
export const FOLDERS = ['app', 'server', 'contracts', 'core']

const within = (file, place) => file === place || file.startsWith(`${place}/`)
/** The screen a file belongs to: the one whose place names it most closely. */
export function screenOf(file) {
  const fitting = SCREENS.flatMap(([screen, places]) =>
    places.filter((place) => within(file, place)).map((place) => ({ screen, place })),
  )
  return fitting.sort((one, other) => other.place.length - one.place.length)[0]?.screen
}

const escaped = (words) => words.replace(/([\\`*_[\]<>|])/g, '\\$1')
export function wordsPage() {
  const files = FOLDERS.flatMap(wordsIn)
  const count = files.reduce((sum, { words }) => sum + words.length, 0)
  const lines = [
    '# Every word, screen by screen',
    '',
    'Written by `npm run formats` from the source; do not edit. What is filled in stands in braces.',
    `${count} texts in ${files.length} files.`,
  ]
  for (const [screen] of SCREENS) {
    lines.push('', `## ${screen}`)
    for (const { file, words } of files.filter((one) => screenOf(one.file) === screen))
      lines.push('', `### ${escaped(file)}`, '', ...words.map((one) => `- ${escaped(one)}`))
  }
  return lines.join('\n') + '\n'
}
