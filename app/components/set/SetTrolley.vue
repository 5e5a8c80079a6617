<script setup lang="ts">
import { NOT_COPIED } from '#core/catalogue/products/starter'
import { gramsWords, roundingWords } from '#core/dosing/amount'
import type { Product } from '#core/catalogue/products/products'
import type { Tray, TrayProduct } from '#core/tray/tray'
import { clock } from '~/composables/dates'
import { useVisit } from '~/stores/visit'

/**
 * The trolley as it is laid, dish by dish in the order of hands: what, how much, from which bottle, what
 * is mixed when. A dish is ticked by a tap anywhere on it.
 */
const props = defineProps<{
  products: Tray['products']
  mixes: Tray['mixes']
  at: (minute: number) => string
  zone: string
  laid: (key: string) => boolean
  /** The plan may still be changed from here. */
  may: boolean
}>()
const emit = defineEmits<{
  lay: [key: string, laid: boolean]
  instead: [stepKey: string, productId: string]
  receive: [product: Product]
}>()
const visit = useVisit()
const tick = (product: TrayProduct) => `product-${product.key}`
const beside = ({ amount, extra }: TrayProduct) =>
  [gramsWords(amount), roundingWords(amount), extra].filter(Boolean).join('; ')
const mixedAt = ({ stepKey }: TrayProduct, place: number) => {
  const first = props.products.findIndex((own) => own.stepKey === stepKey) === place
  return first ? props.mixes.find(({ key }) => key === stepKey)?.atMinute : undefined
}
const wrong = ({ trouble, short }: TrayProduct) => trouble !== null || short
function receive({ productId }: TrayProduct) {
  const found = visit.bundle?.shelf.find(({ product }) => product.id === productId)
  if (found) emit('receive', found.product)
}
/** A starter bottle has no number until it is copied from the label. */
const bottleWords = (lot: string | null) =>
  lot === null ? 'no bottle' : lot === NOT_COPIED ? lot : `bottle ${lot}`
</script>

<template>
  <ol class="trolley">
    <li
      v-for="(product, place) in products"
      :key="product.key"
      :class="{ ready: laid(tick(product)), bad: wrong(product) }"
    >
      <label class="dish">
        <span class="between">
          <span class="place figures serif">{{ place + 1 }}</span>
          <input
            type="checkbox"
            :checked="laid(tick(product))"
            :aria-label="`${product.name} laid out`"
            @change="emit('lay', tick(product), ($event.target as HTMLInputElement).checked)"
          />
        </span>
        <b>{{ product.name }}</b>
        <span class="much figures">{{ product.amount.words }}</span>
        <span class="soft figures">{{ beside(product) }}</span>
        <span class="soft">{{ product.step }}</span>
        <span class="soft figures">{{ bottleWords(product.lot) }}</span>
        <span v-if="product.half" class="tag watch figures"
          >the other half, until {{ clock(product.half, zone) }}</span
        >
        <span v-if="mixedAt(product, place) !== undefined" class="tag figures"
          >mix at {{ at(mixedAt(product, place) ?? 0) }}</span
        >
        <span v-if="product.trouble" class="tag stop">{{ product.trouble }}</span>
        <span v-else-if="product.short" class="tag stop">too little left</span>
      </label>
      <div v-if="wrong(product) && may" class="ways noprint">
        <VBtn
          v-for="other in product.instead.slice(0, 2)"
          :key="other.id"
          size="small"
          variant="outlined"
          @click="emit('instead', product.stepKey, other.id)"
          >Take {{ other.name }}</VBtn
        >
        <VBtn size="small" variant="outlined" @click="receive(product)"
          >A new bottle has come<span class="sr"> of {{ product.name }}</span></VBtn
        >
      </div>
    </li>
  </ol>
</template>

<style scoped>
.trolley {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(176px, 1fr));
  gap: 10px;
}
.trolley li {
  border: 1px solid var(--line);
  border-radius: 10px;
  display: flex;
  flex-direction: column;
}
.trolley li.ready {
  border-color: var(--basin);
  box-shadow: inset 0 0 0 2px var(--basin);
}
.trolley li.bad {
  border-color: var(--clay-deep);
}
.dish {
  display: flex;
  flex-direction: column;
  gap: 1px;
  padding: 8px 10px;
  cursor: pointer;
  flex: 1;
}
.dish .soft {
  font-size: 0.8125rem;
  line-height: 1.3;
}
.dish input {
  width: 24px;
  height: 24px;
  accent-color: var(--basin);
}
.place {
  color: var(--oak);
  font-size: 1.1rem;
}
.much {
  font-size: 1.15rem;
  font-weight: 650;
}
.ways {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 0 10px 10px;
}
.tag {
  align-self: flex-start;
  white-space: normal;
}
@media print {
  .trolley {
    grid-template-columns: repeat(4, 1fr);
  }
  .trolley li {
    break-inside: avoid;
  }
}
</style>
