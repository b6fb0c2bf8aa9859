<script setup lang="ts">
import { CONDITIONS } from '@kritikos/catalogue/conditions';
import { KINDS, REGIONS } from '@kritikos/catalogue/procedure';
import { STRUCTURES } from '@kritikos/catalogue/structures';
import { BANK_ORDERS } from '@kritikos/contracts/stations';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { computed, ref } from 'vue';
import { KIND_WORDS } from '../catalogue/words.ts';
import NumberField from '../checklists/NumberField.vue';
import { PHASES } from '@kritikos/core/marking/phases';
import type { BankWishes } from './bankWishes.ts';

/** What a station is looked for by: what it asks, whom it has, and how it behaved. */
const wishes = defineModel<BankWishes>({ required: true });
const behaviour = ref(false);
const set = (part: BankWishes) => (wishes.value = { ...wishes.value, ...part });

const named = (values: readonly string[]) => values.map((value) => ({ value, title: value }));
const REGION_ITEMS = named(REGIONS.filter((region) => region !== 'any'));
const KIND_ITEMS = KINDS.map((value) => ({ value, title: KIND_WORDS[value] }));
const STRUCTURE_ITEMS = named(STRUCTURES);
const CONDITION_ITEMS = CONDITIONS.map(({ id, name }) => ({ value: id, title: name }));
const DOMAIN_ITEMS = DOMAINS.map((value) => ({
  value,
  title: PHASES.find(({ domain }) => domain === value)?.title ?? value,
}));
const ORDER_WORDS: Readonly<Record<(typeof BANK_ORDERS)[number], string>> = {
  title: 'Region and title',
  used: 'Most used first',
  facility: 'Hardest first',
  agreement: 'Least agreed on first',
  disputed: 'Most disputed items first',
};
const ORDER_ITEMS = BANK_ORDERS.map((value) => ({ value, title: ORDER_WORDS[value] }));
const NUMBERS = [
  { part: 'leastUses', label: 'Used at least, times' },
  { part: 'leastFacility', label: 'Mean percent from' },
  { part: 'mostFacility', label: 'to' },
  { part: 'leastCut', label: 'Last cut from' },
  { part: 'mostCut', label: 'to' },
  { part: 'mostAgreement', label: 'Agreement at most, %' },
  { part: 'leastDisputed', label: 'Disputed items, at least' },
] as const;
const asked = computed(() => NUMBERS.filter(({ part }) => wishes.value[part] !== undefined).length);
</script>

<template>
  <div class="filters panel">
    <v-text-field
      :model-value="wishes.words ?? ''"
      label="Title, procedure, patient, region, equipment"
      class="wide"
      clearable
      @update:model-value="(words: string | null) => set({ words: words || undefined })"
    />
    <v-select
      :model-value="wishes.region"
      :items="REGION_ITEMS"
      label="Region"
      clearable
      @update:model-value="(region) => set({ region: region ?? undefined })"
    />
    <v-select
      :model-value="wishes.kind"
      :items="KIND_ITEMS"
      label="Kind"
      clearable
      @update:model-value="(kind) => set({ kind: kind ?? undefined })"
    />
    <v-autocomplete
      :model-value="wishes.structure"
      :items="STRUCTURE_ITEMS"
      label="Structure"
      clearable
      @update:model-value="(structure) => set({ structure: structure ?? undefined })"
    />
    <v-autocomplete
      :model-value="wishes.condition"
      :items="CONDITION_ITEMS"
      label="Patient’s condition"
      clearable
      @update:model-value="(condition) => set({ condition: condition ?? undefined })"
    />
    <v-select
      :model-value="wishes.domain"
      :items="DOMAIN_ITEMS"
      label="A quarter or more of"
      clearable
      @update:model-value="(domain) => set({ domain: domain ?? undefined })"
    />
    <NumberField
      :model-value="wishes.mostMinutes ?? null"
      label="Minutes, at most"
      @update:model-value="(most) => set({ mostMinutes: most ?? undefined })"
    />
    <v-select
      :model-value="wishes.order ?? 'title'"
      :items="ORDER_ITEMS"
      label="In the order"
      @update:model-value="(order) => set({ order })"
    />
    <button
      class="linkish"
      type="button"
      :aria-expanded="behaviour"
      @click="behaviour = !behaviour"
    >
      How it behaved{{ asked > 0 ? `, ${asked} asked` : '' }}
    </button>
    <v-switch
      :model-value="wishes.retired === 'with'"
      label="Retired ones too"
      @update:model-value="(on: unknown) => set({ retired: on ? 'with' : undefined })"
    />
    <template v-if="behaviour">
      <NumberField
        v-for="number in NUMBERS"
        :key="number.part"
        :model-value="wishes[number.part] ?? null"
        :label="number.label"
        @update:model-value="(value) => set({ [number.part]: value ?? undefined })"
      />
    </template>
  </div>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 10px;
  align-items: center;
  margin: 10px 0;
}
.wide {
  grid-column: span 2;
}
@media (max-width: 1000px) {
  .filters {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
