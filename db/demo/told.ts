import { FINDING_ORDER } from '#core/catalogue/consultation/findings'
import { ZONE_IDS } from '#core/face/zones'
import type { Answer, Answers } from '#core/screening/asking/answers'
import { addDays } from '#core/screening/asking/days'
import type { Readings } from '#core/skin/readings'
import type { DemoClient } from './clients'

/** What a client of the demo tells in Ask, dated back from a day. */
export const answersOf = (demoClient: DemoClient, today: string): Answers =>
  Object.fromEntries(
    FINDING_ORDER.map((id): [string, Answer] => {
      const yes = demoClient.yes[id]
      if (!yes) return [id, { say: 'no' }]
      const { daysAgo, ...rest } = yes
      return [
        id,
        {
          say: 'yes',
          ...rest,
          ...(daysAgo === undefined ? {} : { date: addDays(today, -daysAgo) }),
        },
      ]
    }),
  )
/** What is read on the skin of a client of the demo. */
export const readingsOf = (demoClient: DemoClient): Readings => ({
  ...Object.fromEntries(ZONE_IDS.map((zone) => [zone, demoClient.base])),
  ...demoClient.zones,
})
