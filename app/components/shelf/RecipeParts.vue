<script setup lang="ts">
import type { ProductKind } from '#core/catalogue/kinds'
import {
  BLANK_PART,
  BLANK_RECIPE,
  KITCHEN_RECIPES,
  PART_MEASURE_NAMES,
  PART_MEASURES,
  type KitchenRecipe,
  type Recipe,
} from '#core/catalogue/products/recipes'
import { readLabel } from '#core/catalogue/products/label'
import { kitchenWords, lifeWords } from '#core/screening/products/kitchen'

/** What a powder is mixed with: any number of parts, by volume or weight. */
const props = defineProps<{ kind: ProductKind; label: string }>()
const recipe = defineModel<Recipe | null>({ required: true })
const emit = defineEmits<{ begin: [recipe: KitchenRecipe] }>()
const measures = PART_MEASURES.map((value) => ({ value, title: PART_MEASURE_NAMES[value] }))
const WAYS = [
  { value: 'volume', title: 'by volume' },
  { value: 'weight', title: 'by weight' },
]
const starts = KITCHEN_RECIPES.map(({ id, name }) => ({ value: id, title: name }))
const blankPart = () => ({ ...BLANK_PART })
function begin(id: string | null) {
  const chosen = KITCHEN_RECIPES.find((own) => own.id === id)
  if (!chosen) return
  const { parts, by, others, workingMinutes } = chosen
  recipe.value = { parts, by, others: others.map((part) => ({ ...part })), workingMinutes }
  emit('begin', chosen)
}
const change = (more: Partial<Recipe>) => {
  if (recipe.value) recipe.value = { ...recipe.value, ...more }
}
const setPart = (at: number, more: Partial<Recipe['others'][number]>) => {
  change({
    others: (recipe.value?.others ?? []).map((part, place) =>
      place === at ? { ...part, ...more } : part,
    ),
  })
}
/** What the shortest part allows. */
const keeps = computed(() =>
  recipe.value ? lifeWords({ inci: readLabel(props.label), recipe: recipe.value }) : '',
)
const number = (typed: string) => Number(typed.trim().replace(',', '.'))
</script>

<template>
  <section class="stack" aria-label="Mixed with">
    <div class="row">
      <h3>Mixed with</h3>
      <VSelect
        v-if="!recipe"
        class="start"
        label="Begin with a recipe"
        :items="starts"
        density="compact"
        hide-details
        @update:model-value="begin"
      />
      <VBtn v-if="!recipe" variant="outlined" @click="recipe = { ...BLANK_RECIPE }"
        >A recipe of our own</VBtn
      >
      <VBtn v-else variant="text" @click="recipe = null">Comes ready: no recipe</VBtn>
    </div>
    <template v-if="recipe">
      <div class="part">
        <VTextField
          :model-value="recipe.parts"
          label="Parts of this powder"
          inputmode="decimal"
          density="compact"
          hide-details
          @update:model-value="(typed) => change({ parts: number(String(typed)) })"
        />
        <VSelect
          :model-value="recipe.by"
          label="Counted"
          :items="WAYS"
          density="compact"
          hide-details
          @update:model-value="(by) => change({ by })"
        />
        <VTextField
          :model-value="recipe.workingMinutes"
          label="Workable"
          suffix="min"
          inputmode="numeric"
          density="compact"
          hide-details
          @update:model-value="(typed) => change({ workingMinutes: number(String(typed)) })"
        />
      </div>
      <div v-for="(part, at) in recipe.others" :key="at" class="part other">
        <VTextField
          :model-value="part.name"
          :label="`Part ${at + 1}`"
          density="compact"
          hide-details
          @update:model-value="(name) => setPart(at, { name })"
        />
        <VTextField
          :model-value="part.parts"
          label="Parts"
          inputmode="decimal"
          density="compact"
          hide-details
          @update:model-value="(typed) => setPart(at, { parts: number(String(typed)) })"
        />
        <VSelect
          :model-value="part.measure"
          label="Measured with"
          :items="measures"
          density="compact"
          hide-details
          @update:model-value="(measure) => setPart(at, { measure })"
        />
        <VTextField
          :model-value="part.density"
          label="Density"
          suffix="g/mL"
          inputmode="decimal"
          density="compact"
          hide-details
          @update:model-value="(typed) => setPart(at, { density: number(String(typed)) })"
        />
        <VTextField
          :model-value="part.label"
          class="label"
          label="What is in it"
          density="compact"
          hide-details
          @update:model-value="(label) => setPart(at, { label })"
        />
        <VBtn
          variant="text"
          :disabled="recipe.others.length < 2"
          @click="change({ others: recipe.others.filter((_, place) => place !== at) })"
          >Remove<span class="sr"> part {{ at + 1 }}</span></VBtn
        >
        <p v-for="said in kitchenWords([part.name, part.label])" :key="said" class="tag watch said">
          {{ said }}
        </p>
      </div>
      <p class="soft">What is left is {{ keeps }}.</p>
      <VBtn variant="outlined" @click="change({ others: [...recipe.others, blankPart()] })"
        >Add a part</VBtn
      >
    </template>
  </section>
</template>

<style scoped>
.start {
  max-width: 260px;
}
.part {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px;
}
.other {
  grid-template-columns: 2fr 1fr 2fr 1fr;
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
.label {
  grid-column: span 3;
}
.said {
  grid-column: 1 / -1;
  white-space: normal;
}
@media (max-width: 700px) {
  .other {
    grid-template-columns: 1fr 1fr;
  }
  .label {
    grid-column: auto;
  }
}
</style>
