<script setup lang="ts">
import { WAYS_OFF, waysOffFor } from '#core/catalogue/techniques/removalWays'
import { restWindow } from '#core/timing/dwell'
import { DISPENSER_NAMES } from '#core/catalogue/products/products'
import type { ShelfRow } from '#contracts/replies/shelf'
import { KIND_NAMES, PRODUCT_KINDS, type ProductKind } from '#core/catalogue/kinds'
import type { KitchenRecipe } from '#core/catalogue/products/recipes'
import { SUIT_IDS } from '#core/catalogue/products/suits'
import { useProductForm } from '~/composables/shelf/productForm'
import { fieldProblem, sayProblem } from '~/composables/useApi'

/** A product as its box says, and how a hand measures it. */
const props = defineProps<{ row?: ShelfRow; currency: string }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const { form, recognised, trouble, busy, weigh, weighed, save } = useProductForm(props.row)
const kinds = PRODUCT_KINDS.map((kind: ProductKind) => ({ value: kind, title: KIND_NAMES[kind] }))
const ACIDS = [
  { value: null, title: 'none' },
  ...['glycolic', 'lactic', 'mandelic', 'salicylic'].map((name) => ({ value: name, title: name })),
]
const dispensers = Object.entries(DISPENSER_NAMES).map(([value, title]) => ({ value, title }))
const suits = SUIT_IDS.map((id) => ({ value: id, title: id }))
/** The minutes and ways off that a label of this kind may name. */
const window = computed(() => restWindow(form.kind))
const ways = computed(() => [
  { value: null, title: 'as is usual' },
  ...waysOffFor(form.kind).map((value) => ({ value, title: WAYS_OFF[value].name })),
])
watch(
  () => form.kind,
  (kind) => {
    if (!restWindow(kind)) Object.assign(form, { restsFrom: '', restsTo: '' })
    if (form.wayOff && !waysOffFor(kind).includes(form.wayOff)) form.wayOff = null
  },
)
const err = (field: string) => fieldProblem(trouble.value, field)
/** A recipe of the kitchen brings its powder's label along, where nothing was typed yet. */
function beginWith({ name, label, kind }: KitchenRecipe) {
  form.kind = kind
  form.name ||= name
  form.label ||= label
  form.dispenser = 'scoop'
}
async function keep(retired = props.row?.retired ?? false) {
  if (await save(retired)) emit('saved')
}
</script>

<template>
  <VDialog
    :model-value="true"
    scrollable
    max-width="760"
    persistent
    :aria-label="row ? 'Change the product' : 'Add a product'"
    @keydown.esc="emit('close')"
  >
    <VCard>
      <form class="stack pa-5" novalidate @submit.prevent="keep()">
        <h2>{{ row ? 'Change the product' : 'Add a product' }}</h2>
        <div class="pair">
          <VTextField v-model="form.name" v-caret label="Name" :error-messages="err('name')" />
          <VTextField v-model="form.line" label="Line" :error-messages="err('line')" />
          <VSelect v-model="form.kind" label="Kind" :items="kinds" />
          <VSelect
            v-model="form.suits"
            label="Suits"
            :items="suits"
            multiple
            :error-messages="err('suits')"
          />
        </div>
        <VTextarea
          v-model="form.label"
          label="Ingredients, as printed on the box"
          rows="3"
          :error-messages="err('label')"
        />
        <p class="soft" role="status">{{ recognised }}</p>
        <div class="pair three">
          <VSelect v-model="form.acid" label="Acid" :items="ACIDS" />
          <VTextField
            v-model="form.percent"
            label="Strength"
            suffix="%"
            inputmode="decimal"
            :disabled="form.acid === null"
            :error-messages="err('acid.percent')"
          />
          <VTextField
            v-model="form.pH"
            label="pH, if known"
            inputmode="decimal"
            :error-messages="err('pH')"
          />
          <VSelect
            v-model="form.dispenser"
            label="Dispenser"
            :items="dispensers"
            :error-messages="err('dispenser')"
          />
          <VTextField
            v-model="form.measure"
            label="One measure gives"
            suffix="mL"
            inputmode="decimal"
            :error-messages="err('dispenser.millilitres')"
          />
          <VTextField
            v-model="weighed"
            label="or: ten measures weigh"
            suffix="g"
            inputmode="decimal"
            @change="weigh"
          />
          <VTextField
            v-model="form.density"
            label="Density"
            suffix="g/mL"
            inputmode="decimal"
            :error-messages="err('density')"
          />
          <VTextField
            v-model="form.pack"
            label="Pack"
            suffix="mL"
            inputmode="numeric"
            :error-messages="err('packMillilitres')"
          />
          <VTextField
            v-model="form.price"
            label="Price of a pack"
            :suffix="currency"
            inputmode="decimal"
            :error-messages="err('priceCents')"
          />
          <VTextField
            v-model="form.openMonths"
            label="Good once open"
            suffix="months"
            inputmode="numeric"
            :error-messages="err('openMonths')"
          />
          <VTextField
            v-model="form.colourChange"
            label="Turns colour when ready"
            placeholder="blue to clear"
            :maxlength="60"
            :error-messages="err('colourChange')"
          />
          <VTextField
            v-model="form.reorder"
            label="Reorder below"
            suffix="mL"
            inputmode="numeric"
            :error-messages="err('reorderMillilitres')"
          />
        </div>
        <div v-if="window" class="pair three">
          <VTextField
            v-model="form.restsFrom"
            :label="`Rests from, by its label (${window.from} to ${window.to})`"
            suffix="min"
            inputmode="decimal"
            :error-messages="err('rests.from') ?? err('rests')"
          />
          <VTextField
            v-model="form.restsTo"
            label="to"
            suffix="min"
            inputmode="decimal"
            :error-messages="err('rests.to')"
          />
          <VSelect
            v-if="ways.length > 1"
            v-model="form.wayOff"
            label="Comes off"
            :items="ways"
            :error-messages="err('wayOff')"
          />
        </div>
        <RecipeParts
          v-model="form.recipe"
          :kind="form.kind"
          :label="form.label"
          @begin="beginWith"
        />
        <VCheckbox
          v-model="form.calming"
          label="Calming: may touch skin just worked by machine, needle or blade"
          hide-details
        />
        <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
        <div class="row">
          <VBtn type="submit" color="primary" :loading="busy">Save the product</VBtn>
          <VBtn variant="outlined" @click="emit('close')">Close</VBtn>
          <VBtn v-if="row" variant="text" @click="keep(!row.retired)">{{
            row.retired ? 'Use again' : 'Discontinue'
          }}</VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.three {
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
}
.tag {
  white-space: normal;
}
</style>
