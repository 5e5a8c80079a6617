import { AIM_CASES } from './cases/aims'
import { DEMO_CASES } from './cases/demo'
import type { Case } from './cases/expectations'
import { HISTORY_CASES } from './cases/history'
import { REACH_CASES } from './cases/reaches'
import { RESTRAINT_CASES } from './cases/restraint'
import { SKIN_CASES } from './cases/skin'
import { HOME_CASES } from './cases/home'
import { SENTENCE_CASES } from './cases/sentences'
import { TOLD_CASES } from './cases/told'

export type { Plan } from './cases/expectations'

/** All written cases, by what they are about. */
export const CASE_GROUPS: readonly { title: string; cases: readonly Case[] }[] = [
  { title: 'The clients of the demo', cases: DEMO_CASES },
  { title: 'The skin as read', cases: SKIN_CASES },
  { title: 'What the client minds', cases: AIM_CASES },
  { title: 'Restraint and rhythm', cases: RESTRAINT_CASES },
  { title: 'Sentence by sentence', cases: SENTENCE_CASES },
  { title: 'What a bar reaches', cases: REACH_CASES },
  { title: 'What was and what is coming', cases: HISTORY_CASES },
  { title: 'What was told', cases: TOLD_CASES },
  { title: 'What was done at home', cases: HOME_CASES },
]
export const CASES: readonly Case[] = CASE_GROUPS.flatMap((group) => group.cases)
