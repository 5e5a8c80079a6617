/**
 * Every colour of the application, by name: linen, oak and enamel by day; near-black and warm in the
 * room. Meaning never rests on colour alone. Styles use them as `var(--name)` (`assets/main.css`),
 * drawings and charts by import.
 */
export const DESK = {
  linen: '#F5F1E8',
  paper: '#FFFDF9',
  chalk: '#FFFFFF',
  'linen-deep': '#EADFCB',
  'linen-shade': '#EFE7D8',
  'paper-warm': '#FBF7EF',
  line: '#DDCDB3',
  oak: '#4A3626',
  'oak-deep': '#5A4430',
  'oak-grain': '#8A7355',
  'oak-light': '#B79C78',
  ink: '#2B2621',
  'ink-soft': '#5E5245',
  'ink-brown': '#3E342B',
  basin: '#1E6A66',
  'basin-mid': '#A8CFCB',
  'basin-soft': '#A9C7C6',
  'basin-pale': '#DCEBE8',
  'basin-mist': '#E6F0ED',
  'basin-haze': '#EAF2EF',
  'basin-ink': '#17302F',
  'basin-ink-soft': '#2E4A48',
  water: '#236A8A',
  clay: '#A03F1F',
  'clay-deep': '#8A3A1C',
  'clay-pale': '#F5DDD3',
  'clay-rose': '#E2B3A6',
  berry: '#8E1F3F',
  'berry-mid': '#B4506A',
  'berry-soft': '#E6B3BE',
  'berry-pale': '#F7E1E5',
  'berry-mist': '#F9E9EC',
  amber: '#7A4A05',
  'amber-deep': '#8A5406',
  'amber-pale': '#F6E6C6',
  'amber-haze': '#F7E6CF',
  'amber-mist': '#FBF2E0',
  moss: '#45662F',
  'moss-deep': '#4C7037',
  'moss-pale': '#E4EBDD',
} as const

export const ROOM = {
  night: '#14100C',
  hearth: '#1E1813',
  cellar: '#1C1610',
  ember: '#241C15',
  'ember-line': '#4A3D2F',
  bark: '#352B22',
  brass: '#6E5B43',
  'brass-light': '#8A7355',
  'brass-dim': '#A08E74',
  candle: '#F8EBD6',
  'candle-soft': '#EAD6B6',
  'candle-dim': '#C3AC8B',
  'candle-key': '#D9C3A0',
  glow: '#F0C274',
  leaf: '#A9C78F',
  coal: '#F3A38E',
  'coal-ink': '#2A0E0A',
  enamel: '#1F5C58',
  'enamel-light': '#3B8A85',
  'enamel-water': '#3B7A7C',
  snow: '#FFFFFF',
  'warn-ground': '#3A1D19',
  'warn-key': '#4A201A',
  'warn-text': '#F9C9BA',
  'warn-soft': '#FBD9CE',
  'stop-ground': '#2A0F0C',
  'stop-key': '#3A1713',
  'stop-here': '#7A2E22',
  'stop-line': '#8E4A3C',
  'stop-field': '#1C0A08',
  'stop-text': '#FBE7DC',
  'stop-done': '#D9B5A8',
  'stop-dim': '#E0B9AC',
  'card-ink': '#2B1A10',
  'card-dim': '#6A5442',
  ash: '#40332C',
  'ash-text': '#D8C9B8',
} as const

/** The surface of the skin on the strip, by what lies on it. */
export const SURFACE_COLOURS = {
  madeUp: '#CDB9C4',
  soiled: '#DDD2C6',
  wet: '#BCD7DF',
  damp: '#CFE0E2',
  dry: '#F1E7DA',
  masked: '#D8CEBF',
  oiled: '#ECD9A6',
  layered: '#E4E8DA',
  sealed: '#E7DDC4',
  protected: '#EFE4B8',
} as const

/** What rests, by kind; the name always stands in it. */
export const REST_COLOURS = {
  clay: '#C2A888',
  water: '#A7C4D6',
  cream: '#EAD8BE',
  works: '#B4C08C',
  light: '#C9BEDD',
  firm: '#C9B3A4',
} as const

/** A plan folded small on Day: each part says its name too. */
export const STRIP_COLOURS = {
  hands: '#E8D59A',
  works: '#BF9E86',
  device: '#CDB3C6',
  rests: '#97BDC7',
} as const

/** The face, in both moods, and what is marked on it. */
export const FACE_COLOURS = {
  desk: {
    base: '#EBDFCB',
    under: '#DCCBB0',
    line: '#5A4430',
    gap: '#F7EFE0',
    lid: '#FFFDF9',
    text: '#2B2621',
  },
  room: {
    base: '#3A3027',
    under: '#2A221B',
    line: '#CBB594',
    gap: '#14100C',
    lid: '#14100C',
    text: '#F8EBD6',
  },
  worked: '#8A7550',
  ended: '#7A3A2A',
  reaction: '#C26F55',
  planned: '#A8CFCB',
  barred: '#E2B3A6',
} as const

/**
 * What rests in the room, in the order in which it was laid: on the face and in its vessel, so that an eye
 * two metres off tells them apart; the name always stands beside it.
 */
export const RESTING_COLOURS = ['#4E7F86', '#8B6A94', '#8F7A35', '#5F7E4E'] as const

/** What a visit is for, the first first: beside its steps, and on the face; its number stands with it. */
export const INTENTION_COLOURS = [
  { edge: '#1E6A66', face: '#7FA99E' },
  { edge: '#5C8FB5', face: '#A7C4D6' },
  { edge: '#B5833A', face: '#DFC391' },
] as const

/** The basin that must not overflow. */
export const BASIN_COLOURS = {
  desk: { bowl: '#FFFFFF', line: '#4A3626' },
  room: { bowl: '#241C15', line: '#CBB594' },
  before: '#2C6C70',
  today: '#7FB3B5',
  over: '#B4506A',
  overLine: '#8E1F3F',
} as const

/** Five grades of a reading, palest first. */
export type Ramp = readonly [string, string, string, string, string]
export const RAMPS = {
  earth: ['#F3EBD9', '#E4DCC6', '#CBC3A6', '#AFA681', '#968C66'],
  rose: ['#F3EBD9', '#F3DACD', '#EDBEAE', '#E39B8C', '#D67B74'],
  honey: ['#F3EBD9', '#EFDFB4', '#E8CF87', '#DDB95A', '#CDA03A'],
  water: ['#F1DDC8', '#E9E3D2', '#CFE0E2', '#A6CBD6', '#7FB3C8'],
  heather: ['#F3EBD9', '#E9DCE6', '#DBC2D8', '#C9A4C6', '#B888B4'],
  sand: ['#F3EBD9', '#E8D6BE', '#D6BA97', '#BF9B72', '#A67F55'],
} as const satisfies Record<string, Ramp>
