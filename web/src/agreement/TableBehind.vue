<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import ModalDialog from '../shell/ModalDialog.vue';

/** What the table is of: an item, a part of the station, or all of it; and of which two examiners. */
export interface Behind {
  readonly station: string;
  readonly item?: string;
  readonly facet?: 'domain' | 'observability' | 'variant' | 'declared';
  readonly name?: string;
  readonly pair?: number;
}

const props = defineProps<{ examination: string; behind: Behind }>();
const emit = defineEmits<{ close: [] }>();
const cell = ref<{ row: number; column: number } | null>(null);
const pair = ref(props.behind.pair ?? 0);
watch(pair, () => (cell.value = null));
const { data, error, reload } = useReading(
  'GET /stations/:station/agreement/table',
  () => ({
    params: { station: props.behind.station },
    query: {
      item: props.behind.item,
      facet: props.behind.facet,
      name: props.behind.name,
      pair: pair.value,
      ...cell.value,
    },
  }),
  { keep: true },
);
const cells = computed(() => data.value?.cells ?? []);
const named = computed(() =>
  (data.value?.pairs ?? []).map(({ first, second, candidates }, value) => ({
    value,
    title: `${first} and ${second}, ${candidates} candidates`,
  })),
);
const shown = computed(() => data.value?.pairs[data.value.pair]);
/** How many there are where not all can be listed. */
const counted = computed(() => {
  const counts = data.value?.counts ?? [];
  const { row, column } = cell.value ?? { row: -1, column: -1 };
  if (cell.value) return counts[row]?.[column] ?? 0;
  return counts.flatMap((cells, i) => cells.filter((_, j) => i !== j)).reduce((a, b) => a + b, 0);
});
</script>

<template>
  <ModalDialog :model-value="true" max-width="720" @update:model-value="emit('close')">
    <v-card class="behind">
      <LoadState :error="error" :loading="!data" @retry="reload" />
      <template v-if="data">
        <h1>{{ data.text }}</h1>
        <p class="soft">
          {{ data.station }}.
          <template v-if="shown">Rows: {{ shown.first }}. Columns: {{ shown.second }}.</template>
          <template v-else>No candidate was marked by two examiners.</template>
        </p>
        <v-select
          v-if="named.length > 1"
          v-model="pair"
          :items="named"
          label="Which two examiners"
          hide-details
        />
        <table class="cross figures">
          <thead>
            <tr>
              <th />
              <th v-for="c in data.categories" :key="c.key">{{ c.label }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(counts, i) in data.counts" :key="i">
              <th>{{ data.categories[i]?.label }}</th>
              <td v-for="(count, j) in counts" :key="j" :class="{ agreed: i === j }">
                <button
                  type="button"
                  :aria-label="`${count} pairs: ${data.categories[i]?.label} and ${data.categories[j]?.label}`"
                  :aria-pressed="cell?.row === i && cell?.column === j"
                  @click="cell = { row: i, column: j }"
                >
                  {{ count }}
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <h2>{{ cell ? 'Pairs in this cell' : 'Pairs that differ' }}</h2>
        <p v-if="cells.length === 0" class="soft">None.</p>
        <ul class="pairs">
          <li v-for="(one, i) in cells" :key="i">
            <router-link
              :to="`/examinations/${examination}/agreement/${one.firstSheet}/${one.secondSheet}`"
            >
              Candidate {{ one.candidateNumber }}</router-link
            ><span class="soft"
              >: {{ behind.item ? '' : `${one.asks},` }} {{ data.categories[one.row]?.label }} /
              {{ data.categories[one.column]?.label }}</span
            >
          </li>
        </ul>
        <p v-if="counted > cells.length" class="soft">
          The first {{ cells.length }} of {{ counted }}.
        </p>
        <v-btn class="justify-self-end" @click="emit('close')">Close</v-btn>
      </template>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
.behind {
  padding: 18px 20px;
  display: grid;
  gap: 10px;
}
.cross {
  border-collapse: collapse;
  justify-self: start;
}
.cross th {
  font-weight: 600;
  padding: 4px 10px;
  text-align: right;
}
.cross td {
  border: 1px solid var(--rule);
}
.cross button {
  min-width: 72px;
  height: 44px;
  background: none;
  border: 0;
  font: 600 1.05rem var(--sans);
  color: var(--ink);
  cursor: pointer;
}
.cross .agreed {
  background: rgba(var(--v-theme-primary), 0.12);
}
.cross button[aria-pressed='true'] {
  box-shadow: inset 0 0 0 3px var(--madder);
}
.pairs {
  columns: 2;
  padding-left: 1.1em;
  margin: 0;
  max-height: 34vh;
  overflow-y: auto;
}
</style>
