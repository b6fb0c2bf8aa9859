<script setup lang="ts">
import type { StandardsPage } from '@kritikos/contracts/standards';
import type { Condition } from '@kritikos/core/standards/examRule';
import { ruleEffects } from '@kritikos/core/standards/ruleEffects';
import type { Standard } from '@kritikos/core/standards/setStandard';
import { computed, ref } from 'vue';
import WideTable from '../shell/WideTable.vue';
import { namesOf } from './namesOf.ts';
import { sayCondition } from './partWords.ts';
import ModalDialog from '../shell/ModalDialog.vue';

/** What each part of the rule did, to everybody and to each. */
const props = defineProps<{
  standard: Standard;
  candidates: StandardsPage['candidates'];
  numbers: ReadonlyMap<string, number>;
  examination: string;
}>();
const effects = computed(() => ruleEffects(props.standard.outcomes));
const asked = (part: Condition['part'], required: number) =>
  part === 'critical' || part === 'safety-event'
    ? 'none'
    : part === 'stations'
      ? `at least ${required}`
      : `${required.toFixed(1)} %`;

const all = ref(false);
const SIGNS = { true: '●', false: '▲', null: '?' } as const;
const OUTCOMES = { pass: '● pass', fail: '▲ fail', incomplete: '? incomplete' } as const;
const headers = computed(() => [
  { title: 'Candidate', key: 'number', fixed: true },
  { title: 'Outcome', key: 'outcome' },
  ...effects.value.map(({ part }) => ({ title: sayCondition(part).title, key: part })),
]);
const rows = computed(() =>
  props.candidates.map((candidate) => {
    const { outcome = 'incomplete', conditions = [] } =
      props.standard.outcomes.get(candidate.id) ?? {};
    const cells = effects.value.map(({ part }) => {
      const found = conditions.find((one) => one.part === part);
      return [part, found ? said(found) : 'no total'] as const;
    });
    return {
      id: candidate.id,
      number: candidate.number,
      outcome: OUTCOMES[outcome],
      ...Object.fromEntries(cells),
    };
  }),
);
/** What is counted, where the others are percent. */
const COUNTED: readonly Condition['part'][] = ['stations', 'critical', 'safety-event'];
function said({ part, met, value }: Condition): string {
  const number = value === null ? '–' : COUNTED.includes(part) ? value : value.toFixed(1);
  return `${SIGNS[`${met}`]} ${number}${value === null ? '' : sayCondition(part).unit}`;
}
</script>

<template>
  <section v-if="effects.length > 0" class="panel">
    <h2>What each part of the rule did</h2>
    <WideTable label="What each part of the rule did">
      <table class="ledger">
        <thead>
          <tr>
            <th>Part of the rule</th>
            <th class="number">Asked</th>
            <th class="number">Met by</th>
            <th class="number">Missed by</th>
            <th>Fails only by it</th>
            <th>Open for</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="effect in effects" :key="effect.part" :data-part="effect.part">
            <td>{{ sayCondition(effect.part).title }}</td>
            <td class="number">{{ asked(effect.part, effect.required) }}</td>
            <td class="number">{{ effect.met }}</td>
            <td class="number">{{ effect.missed.length }}</td>
            <td>{{ namesOf(effect.alone, numbers) }}</td>
            <td>{{ namesOf(effect.open, numbers) }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <button class="linkish mt-2" type="button" @click="all = true">
      Every candidate, part by part
    </button>
    <ModalDialog v-model="all" max-width="1100">
      <v-card class="everybody">
        <h1>Every candidate, part by part</h1>
        <p class="soft">● met · ▲ missed · ? nobody can judge it</p>
        <v-data-table-virtual
          :headers="headers"
          :items="rows"
          item-value="number"
          height="60vh"
          density="compact"
          fixed-header
        >
          <template #[`item.number`]="{ item }">
            <router-link :to="`/examinations/${examination}/results/${item.id}`">{{
              item.number
            }}</router-link>
          </template>
        </v-data-table-virtual>
        <v-btn class="justify-self-end" @click="all = false">Close</v-btn>
      </v-card>
    </ModalDialog>
  </section>
</template>

<style scoped>
.everybody {
  padding: 18px 20px;
  display: grid;
  gap: 8px;
}
.everybody :deep(table) {
  font-variant-numeric: tabular-nums lining-nums;
}
</style>
