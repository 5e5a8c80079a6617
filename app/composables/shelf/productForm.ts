import { howMany } from '#core/words'
import { fromHundredths, toHundredths } from '#core/units'
import { PRODUCT_KINDS } from '#core/catalogue/kinds'
import { USUAL_OPEN_MONTHS, type Product } from '#core/catalogue/products/products'
import type { ShelfRow } from '#contracts/replies/shelf'
import type { Recipe } from '#core/catalogue/products/recipes'
import type { WayOffId } from '#core/catalogue/techniques/removalWays'
import { INGREDIENTS, ingredientsIn } from '#core/catalogue/products/ingredients'
import { readLabel } from '#core/catalogue/products/label'
import { measureFromWeight } from '#core/dosing/weighed'
import { useApi } from '~/composables/useApi'

const text = (value: number | undefined) => (value === undefined ? '' : String(value))
/** A number as typed, with a comma or a point; nothing where nothing was typed. */
const number = (typed: string) => (typed.trim() === '' ? null : Number(typed.replace(',', '.')))

/** A product that nobody has typed anything of yet. */
const blank = () => ({
  name: '',
  line: '',
  kind: PRODUCT_KINDS[0] as Product['kind'],
  label: '',
  suits: ['all'] as Product['suits'][number][],
  calming: false,
  acid: null as NonNullable<Product['acid']>['name'] | null,
  percent: '',
  pH: '',
  density: '1',
  dispenser: 'pump' as Product['dispenser']['kind'],
  measure: '1',
  pack: '',
  price: '',
  openMonths: text(USUAL_OPEN_MONTHS),
  colourChange: '',
  reorder: '',
  restsFrom: '',
  restsTo: '',
  wayOff: null as WayOffId | null,
  recipe: null as Recipe | null,
})
/** What stands of a product, as it is typed. */
const typedFrom = ({ product, reorderMillilitres }: ShelfRow): ReturnType<typeof blank> => ({
  name: product.name,
  line: product.line,
  kind: product.kind,
  label: product.inci.join(', '),
  suits: [...product.suits],
  calming: product.calming,
  acid: product.acid?.name ?? null,
  percent: text(product.acid?.percent),
  pH: text(product.pH),
  density: text(product.density),
  dispenser: product.dispenser.kind,
  measure: text(product.dispenser.millilitres),
  pack: text(product.packMillilitres),
  price: fromHundredths(product.priceCents).toFixed(2),
  openMonths: text(product.openMonths),
  colourChange: product.colourChange ?? '',
  reorder: text(reorderMillilitres ?? undefined),
  restsFrom: text(product.rests?.from),
  restsTo: text(product.rests?.to),
  wayOff: product.wayOff ?? null,
  recipe: product.recipe
    ? { ...product.recipe, others: product.recipe.others.map((part) => ({ ...part })) }
    : null,
})

/** What is typed of a product, what its label says, and the saving of it. */
export function useProductForm(row?: ShelfRow) {
  const api = useApi()
  const form = reactive(row ? typedFrom(row) : blank())
  const id = row?.product.id ?? crypto.randomUUID()
  const trouble = ref<unknown>(null)
  const busy = ref(false)
  const weighed = ref('')

  const recognised = computed(() => {
    const parts = form.recipe?.others.map((part) => part.label) ?? []
    const label = [form.label, ...parts].flatMap(readLabel)
    if (label.length === 0) return 'Without its label nothing can be held against allergies.'
    const flagged = ingredientsIn(label).map((own) => INGREDIENTS[own].name)
    const read = `${howMany(label.length, 'ingredient')} read`
    return flagged.length > 0
      ? `${read}. Flagged: ${flagged.join(', ')}.`
      : `${read}, none of them flagged.`
  })
  function weigh() {
    const each = measureFromWeight(number(weighed.value) ?? 0, number(form.density) ?? 1)
    if (each !== undefined) form.measure = String(each)
  }
  function body() {
    const {
      acid,
      percent,
      pH,
      density,
      dispenser,
      measure,
      pack,
      price,
      openMonths,
      colourChange,
      reorder,
      restsFrom,
      restsTo,
      ...plain
    } = form
    return {
      id,
      ...plain,
      acid: acid === null ? null : { name: acid, percent: number(percent) },
      pH: number(pH),
      density: number(density),
      dispenser: { kind: dispenser, millilitres: number(measure) },
      packMillilitres: number(pack),
      priceCents: Math.round(toHundredths(number(price) ?? 0)),
      openMonths: number(openMonths),
      colourChange: colourChange.trim() || null,
      rests:
        restsFrom.trim() || restsTo.trim()
          ? { from: number(restsFrom), to: number(restsTo) }
          : null,
      reorderMillilitres: number(reorder),
    }
  }
  /** @returns whether it went well */
  async function save(retired: boolean): Promise<boolean> {
    busy.value = true
    trouble.value = null
    try {
      if (row)
        await api('/api/products', {
          method: 'PUT',
          body: { ...body(), version: row.version, retired },
        })
      else await api('/api/products', { method: 'POST', body: body() })
      return true
    } catch (error) {
      trouble.value = error
      return false
    } finally {
      busy.value = false
    }
  }
  return { form, recognised, trouble, busy, weigh, weighed, save }
}
