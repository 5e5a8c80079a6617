import { howMany } from '#core/words'
import { scanned } from '#contracts/scannedCode'
import { asCounted, countedIn } from '#core/dosing/byHand'
import type { Product } from '#core/catalogue/products/products'
import { useAttempt } from '~/composables/attempt'
import { wholeShelf } from '~/composables/shelf/shelfPage'
import { sayProblem, useApi } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'

/** One bottle of the delivery. Its id is its own: sent twice it comes in once. */
export interface DeliveryLine {
  id: string
  productId: string
  code: string
  expires: string
  held: string
  /** Why it could not come in. */
  problem?: unknown
}
export const bottlesOf = (count: number) => howMany(count, 'bottle')

/** The sheet of a delivery: what is scanned becomes a line, then all lines come in. */
export function useDelivery() {
  const api = useApi()
  const { busy, trouble, attempt } = useAttempt()
  const ready = useAsyncData('delivery', () => wholeShelf(api))
  const { data } = ready
  const products = computed<Product[]>(() => (data.value ?? []).map(({ product }) => product))
  const lines = ref<DeliveryLine[]>([])
  const typed = ref('')
  const done = ref('')
  const draft = useDraft({
    key: () => 'shelf-delivery',
    value: () => lines.value.map(({ problem: _why, ...own }) => own),
    restore: (kept) => {
      lines.value = kept
    },
    open: () => true,
  })
  onMounted(draft.start)
  /** A bottle of the same lot came in before, or the one scanned last was of the same product. */
  const productOf = (code: string): string =>
    (data.value ?? []).find(({ lots }) => lots.some((lot) => lot.code === code))?.product.id ??
    lines.value.findLast((own) => own.code === code)?.productId ??
    lines.value.at(-1)?.productId ??
    ''
  const packOf = (productId: string): string => {
    const product = products.value.find(({ id }) => id === productId)
    return product ? String(asCounted(product, product.packMillilitres)) : ''
  }
  function add() {
    if (typed.value.trim() === '') return
    const { code, expires } = scanned(typed.value)
    const productId = productOf(code)
    const before = lines.value.findLast((own) => own.code === code)
    lines.value.push({
      id: crypto.randomUUID(),
      productId,
      code,
      expires: expires ?? before?.expires ?? '',
      held: packOf(productId),
    })
    typed.value = ''
    done.value = ''
  }
  function choose(line: DeliveryLine, productId: string) {
    line.productId = productId
    line.held = packOf(productId)
  }
  const complete = computed(() =>
    lines.value.every(({ productId, expires, held }) => productId && expires && held.trim()),
  )
  const missing = computed(() =>
    complete.value ? '' : 'Each line needs a product, a date and what is in it.',
  )
  async function receive(line: DeliveryLine): Promise<boolean> {
    const product = products.value.find(({ id }) => id === line.productId)
    if (!product) return false
    const { id, productId, code, expires } = line
    const millilitres = Number(line.held.replace(',', '.')) * countedIn(product).millilitres
    try {
      await api('/api/lots', {
        method: 'POST',
        body: { id, productId, code, expires, millilitres },
      })
      return true
    } catch (error) {
      line.problem = error
      return false
    }
  }
  /** What came in leaves the sheet; what was refused stays, with why at its field. */
  const receiveAll = () =>
    attempt(async () => {
      let came = 0
      for (const line of [...lines.value]) {
        if (!(await receive(line))) continue
        came++
        lines.value = lines.value.filter(({ id }) => id !== line.id)
      }
      if (lines.value.length === 0) await draft.drop()
      done.value = `${bottlesOf(came)} received.`
      const first = lines.value.find(({ problem }) => problem !== undefined)
      if (first) trouble.value = `${first.code}: ${sayProblem(first.problem)}`
    })
  const remove = (id: string) => {
    lines.value = lines.value.filter((own) => own.id !== id)
  }
  return {
    ready,
    busy,
    trouble,
    products,
    lines,
    typed,
    done,
    missing,
    add,
    choose,
    remove,
    receiveAll,
  }
}
