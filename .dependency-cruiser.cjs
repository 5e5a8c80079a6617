/** The core's rooms from the top of the hill to the bottom: a room imports itself and those before it, never those after. */
const ROOMS = [
  'units',
  'once',
  'words',
  'dateForms',
  'face',
  'shapes',
  'catalogue',
  'hygiene',
  'skin',
  'screening',
  'surface',
  'load',
  'timing',
  'dosing',
  'planning',
  'tray',
  'treatment',
  'record',
  'aftercare',
  'course',
  'home',
  'claims',
  'visit',
  'cost',
  'stock',
  'rows',
]
const FILES = ['units', 'shapes', 'once', 'words', 'dateForms']
const within = (room) => (FILES.includes(room) ? `^core/${room}\\.ts$` : `^core/${room}/`)
const downhill = ROOMS.map((room, i) => ({
  name: `core-${room}`,
  severity: 'error',
  comment: `${room} stands on the rooms above it only`,
  from: { path: within(room), pathNot: '\\.test\\.ts$' },
  to: { path: '^core/', pathNot: ROOMS.slice(0, i + 1).map(within) },
}))

/**
 * Inside planning: what the day allows, the steps of a plan, what the visit is for, the question, the search, the
 * answer. The checker stands on the first two alone: it knows nothing of how a plan came about.
 */
const FLOORS = {
  today: [],
  steps: ['today'],
  checks: ['today', 'steps'],
  agenda: ['today'],
  question: ['today', 'steps', 'agenda'],
  search: ['steps', 'question'],
  answer: ['today', 'steps', 'checks', 'agenda', 'question', 'search'],
  published: ['question', 'search'],
}
const planningFloors = Object.entries(FLOORS).map(([floor, below]) => ({
  name: `planning-${floor}`,
  severity: 'error',
  from: { path: `^core/planning/${floor}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: '^core/planning/[a-z]+/',
    pathNot: [floor, ...below].map((name) => `^core/planning/${name}/`),
  },
}))

module.exports = {
  forbidden: [
    ...downhill,
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'no framework, database, network or clock in the core',
      from: { path: '^core/', pathNot: ['\\.test\\.ts$', '^core/testing/'] },
      to: {
        pathNot: [
          '^core/',
          '^node_modules/@noble/hashes/',
          '^node_modules/zod/',
          '^node_modules/(@types/)?luxon/',
          '^node_modules/(@types/)?culori/',
        ],
      },
    },
    ...planningFloors,
    {
      name: 'search-knows-no-client',
      severity: 'error',
      comment:
        'the search reads the compiled question, the trade and the surface; nothing of how the ' +
        'question came about',
      from: { path: '^core/planning/search/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^core/planning/',
        pathNot: [
          '^core/planning/search/',
          '^core/planning/question/planCase\\.ts$',
          '^core/planning/steps/mend\\.ts$',
        ],
      },
    },
    {
      name: 'problems-below-services',
      severity: 'error',
      comment: 'a refusal is what services say; it knows none of them',
      from: { path: '^server/problem/' },
      to: { path: '^server/', pathNot: '^server/problem/' },
    },
    {
      name: 'services-below-http',
      severity: 'error',
      from: { path: '^server/services/' },
      to: { path: '^server/(http|api|middleware)/' },
    },
    {
      name: 'core-tests-stay',
      severity: 'error',
      from: { path: '^core/', pathNot: ['\\.test\\.ts$', '^core/testing/'] },
      to: { path: '^core/testing/' },
    },
    {
      name: 'contracts-on-core',
      severity: 'error',
      from: { path: '^contracts/' },
      to: { path: '^(app|server|db|devices)/' },
    },
    {
      name: 'db-below-server',
      severity: 'error',
      from: { path: '^db/' },
      to: { path: '^(app|server)/' },
    },
    {
      name: 'app-not-server',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|db|devices)/' },
    },
    {
      name: 'server-not-app',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^app/' },
    },
    {
      name: 'examiner-from-outside',
      comment: 'who judges the checker has not talked to it',
      severity: 'error',
      from: { path: '^tests/examiner/' },
      to: { path: '^core/(planning|screening)/' },
    },
    {
      name: 'nothing-from-tests',
      severity: 'error',
      from: { path: '^(core|contracts|db|server|app|devices)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(tests|bench)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.imports.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
    },
  },
}
