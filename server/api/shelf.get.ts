import { lotBars } from '#core/screening/products'
import { route } from '../http/route'
import { thePractice } from '../services/practice'
import { dayIn } from '../services/dates'
import { suspectedProducts } from '../services/reactionsOf'
import { readShelf } from '../services/shelf'

export default route({}, async () => {
  const today = dayIn((await thePractice()).timeZone, Date.now())
  const [items, suspected] = await Promise.all([readShelf(), suspectedProducts()])
  return {
    today,
    items: items.map((item) => ({
      ...item,
      /** In how many reactions it was suspected. */
      suspected: suspected.get(item.product.id) ?? 0,
      lots: item.lots.map((lot) => ({
        ...lot,
        trouble: lotBars(lot, item.product, today)[0]?.text ?? null,
      })),
    })),
  }
})
