import { lotBars } from '#core/screening/products'
import { route } from '../http/route'
import { thePractice } from '../services/practice'
import { dayIn } from '../services/dates'
import { readShelf } from '../services/shelf'

export default route({}, async () => {
  const today = dayIn((await thePractice()).timeZone, Date.now())
  return {
    today,
    items: (await readShelf()).map((i) => ({
      ...i,
      lots: i.lots.map((lot) => ({
        ...lot,
        trouble: lotBars(lot, i.product, today)[0]?.text ?? null,
      })),
    })),
  }
})
