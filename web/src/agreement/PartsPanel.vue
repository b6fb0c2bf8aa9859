<script setup lang="ts">
import type { GroupAgreement, StationAgreement } from '@kritikos/contracts/agreement';
import { computed } from 'vue';
import WideTable from '../shell/WideTable.vue';
import CoefficientCells from './CoefficientCells.vue';
import { CHOICES } from './coefficientWords.ts';
import type { Chosen } from './coefficientWords.ts';

type Facet = 'domain' | 'observability' | 'variant';
const props = defineProps<{ station: StationAgreement; chosen: Chosen }>();
defineEmits<{ open: [facet: Facet, name: string] }>();

const parts = computed<{ facet: Facet; title: string; groups: readonly GroupAgreement[] }[]>(() => [
  { facet: 'domain', title: 'What is done', groups: props.station.byDomain },
  { facet: 'observability', title: 'How it is known', groups: props.station.byObservability },
  {
    facet: 'variant',
    title: 'Which school was seen',
    groups: props.station.byVariant,
  },
]);
const short = computed(() => CHOICES.find(({ value }) => value === props.chosen)?.short ?? '');
</script>

<template>
  <section class="panel">
    <h2>Where it comes from</h2>
    <WideTable label="Agreement by part of the station">
      <table class="ledger">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col" class="number">Candi­dates</th>
            <th scope="col" class="number">Marks</th>
            <th scope="col" class="number">Agree­ment</th>
            <th scope="col" class="number">{{ short }} (95 %)</th>
            <th scope="col" class="number">AC1 (95 %)</th>
          </tr>
        </thead>
        <tbody v-for="{ facet, title, groups } in parts" :key="facet">
          <tr>
            <th colspan="6" scope="rowgroup">{{ title }}</th>
          </tr>
          <tr v-for="group in groups" :key="group.name">
            <td>{{ group.name }}</td>
            <td class="number">{{ group.candidates }}</td>
            <CoefficientCells
              v-if="group.agreement"
              :row="group.agreement"
              :label="group.name"
              :chosen="chosen"
              :station="station.stationId"
              :source="{ figure: facet, name: group.name }"
              @open="$emit('open', facet, group.name)"
            />
            <template v-else>
              <td class="number">{{ group.marks }}</td>
              <td colspan="3" class="soft">fewer than five candidates, too few to say</td>
            </template>
          </tr>
        </tbody>
      </table>
    </WideTable>
  </section>
</template>
