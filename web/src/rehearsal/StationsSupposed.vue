<script setup lang="ts">
import type { RehearsalAsked, RehearsalPage } from '@kritikos/contracts/rehearsal';
import { computed } from 'vue';
import WideTable from '../shell/WideTable.vue';

/** What is supposed of each station: what earlier marks say, or what was chosen for all alike. */
const props = defineProps<{
  stations: RehearsalPage['stations'];
  asked: RehearsalAsked;
  disabled: boolean;
}>();
const emit = defineEmits<{ asMarked: [asMarked: boolean] }>();
const marked = computed(() => props.stations.some(({ mean }) => mean !== null));
const rows = computed(() =>
  props.stations.map(({ title, mean, carries, known, items }) => {
    const { asMarked, assumptions } = props.asked;
    return {
      title,
      mean: ((asMarked ? mean : null) ?? assumptions.mean).toFixed(0),
      carries: ((asMarked ? carries : null) ?? 1).toFixed(2),
      items: asMarked ? `${known} of ${items}` : `0 of ${items}`,
    };
  }),
);
</script>

<template>
  <v-switch
    v-if="marked"
    :model-value="asked.asMarked"
    label="Stations and items as earlier marks have them"
    hide-details
    :disabled="disabled"
    @update:model-value="emit('asMarked', $event === true)"
  />
  <p v-else class="soft mt-3">No station here was marked before: all are supposed to be alike.</p>
  <details>
    <summary>What is supposed of each station</summary>
    <WideTable label="What is supposed of each station">
      <table class="ledger">
        <thead>
          <tr>
            <th>Station</th>
            <th class="number">Mean, %</th>
            <th class="number">Carries</th>
            <th class="number">Items known</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.title">
            <td>{{ row.title }}</td>
            <td class="number">{{ row.mean }}</td>
            <td class="number">{{ row.carries }}</td>
            <td class="number">{{ row.items }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <p class="soft">
      <i>Carries</i>: how far ability told there, 1 as at the usual station, 0 not at all; drawn
      towards 1 as far as it may have been chance. An item that is not known has a difficulty of its
      own in every rehearsal.
    </p>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 44px;
  display: flex;
  align-items: center;
  color: var(--petrol);
  text-decoration: underline;
}
table {
  max-width: 640px;
}
</style>
