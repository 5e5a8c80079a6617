import { COMMON_PRACTICE } from '../kinds'

/** Tools that touch skin and are used again: each is made clean between two clients. */
export const TOOL_IDS = [
  'diamondTip',
  'crystalHead',
  'vacuumCup',
  'spatulaBlade',
  'electrode',
  'currentProbes',
  'needlingHandle',
  'stones',
  'globes',
  'goggles',
  'bowl',
  'brushHead',
  'ballTool',
] as const
export type ToolId = (typeof TOOL_IDS)[number]

export interface Tool {
  id: ToolId
  name: string
  /** How it is washed before anything disinfects it. */
  wash: string
  /** How it is disinfected: what may not be laid in a bath is wiped and kept wet. */
  disinfect: string
  /**
   * Minutes that the disinfectant must stay wet on it, until the house has copied its own label: the
   * longest that common labels ask for.
   */
  contactMinutes: number
  /** A part that is worn by use: changed after so many visits, or as its maker says. */
  wears?: { part: string; after: number }
  /** How it is laid out, where that is not plainly one of it. */
  laid?: { count?: number; say: string }
  /** How many a house is taken to have until it has said: one, but of what every room has several. */
  usual?: number
  source: string
}
/** Its disinfectant is a bath: a bath that is over its time disinfects nothing. */
export const needsBath = ({ disinfect }: Pick<Tool, 'disinfect'>): boolean => disinfect === BATH
const BATH = 'covered by the bath'
const WIPED = 'wiped, and kept wet with the disinfectant: never laid in a bath'
const tool = (
  id: ToolId,
  name: string,
  wash: string,
  disinfect: string,
  more: Pick<Tool, 'wears' | 'laid' | 'usual'> = {},
): Tool => ({
  id,
  name,
  wash,
  disinfect,
  contactMinutes: 10,
  ...more,
  source: COMMON_PRACTICE,
})

export const TOOLS: Readonly<Record<ToolId, Tool>> = {
  diamondTip: tool(
    'diamondTip',
    'diamond tip',
    'brush and soap until no skin is left in it',
    BATH,
    { wears: { part: 'tip', after: 200 } },
  ),
  crystalHead: tool('crystalHead', 'crystal head', 'emptied, brush and soap', BATH, {
    wears: { part: 'hose filter', after: 10 },
  }),
  vacuumCup: tool('vacuumCup', 'vacuum cup', 'soap and a bottle brush', BATH, {
    wears: { part: 'hose filter', after: 20 },
  }),
  spatulaBlade: tool('spatulaBlade', 'ultrasonic blade', 'soap on a cloth', WIPED),
  electrode: tool('electrode', 'glass electrode', 'soap on a cloth, the metal end dry', WIPED),
  currentProbes: tool(
    'currentProbes',
    'microcurrent probes',
    'soap, no gel left in a joint',
    WIPED,
  ),
  needlingHandle: tool('needlingHandle', 'needling handle', 'soap on a cloth', WIPED),
  stones: tool('stones', 'set of stones', 'hot water and soap, no oil left', BATH, {
    laid: { say: 'in warm water' },
  }),
  globes: tool('globes', 'pair of globes', 'soap and water', WIPED, {
    laid: { say: 'fetched cold' },
  }),
  goggles: tool('goggles', 'pair of goggles', 'soap and water, the strap as well', WIPED, {
    laid: { count: 2, say: 'for the client and for you' },
  }),
  brushHead: tool('brushHead', 'brush head', 'soap and warm water, brushed out', BATH, {
    wears: { part: 'bristles', after: 60 },
    usual: 2,
  }),
  ballTool: tool('ballTool', 'small ball tool', 'soap and water, no oil left', BATH),
  bowl: tool('bowl', 'glass bowl and brush', 'hot water and soap, no paste left', BATH, {
    laid: { say: 'no metal: it takes the strength out of clay' },
    usual: 4,
  }),
}
