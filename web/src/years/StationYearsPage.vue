<script setup lang="ts">
import { computed } from 'vue';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import { percent } from './figures.ts';
import StationFigureCells from './StationFigureCells.vue';
import StationFigureHeads from './StationFigureHeads.vue';

const props = defineProps<{ bank: string }>();
const { data, error, reload } = useReading('GET /bank-stations/:bank/years', () => ({
  params: { bank: props.bank },
}));
const items = computed(() =>
  (data.value?.items ?? []).map((item) => ({
    ...item,
    before: data.value?.items.find((other) => other.itemId === item.follows)?.text,
    sittings: (data.value?.sittings ?? []).map((sitting) =>
      item.sittings.find((own) => own.examinationId === sitting.examinationId),
    ),
  })),
);
</script>

<template>
  <div class="page">
    <p><router-link to="/bank">Station bank</router-link></p>
    <h1>{{ data?.title ?? 'A station' }} over the years</h1>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p v-if="data.sittings.length === 0" class="panel">
        No examination that you may read has used it yet. Add it to one under Prepare.
      </p>
      <template v-else>
        <p class="lead-sentence">{{ data.sentence }}</p>
        <WideTable label="Sittings of this station">
          <table class="ledger panel">
            <thead>
              <tr>
                <th>Sitting</th>
                <th>Held</th>
                <StationFigureHeads />
              </tr>
            </thead>
            <tbody>
              <tr v-for="s in data.sittings" :key="s.stationId">
                <td>
                  <router-link :to="`/examinations/${s.examinationId}/years`">{{
                    s.examination
                  }}</router-link>
                  <div class="soft">cohort {{ s.cohort }}</div>
                </td>
                <td>{{ s.heldOn }}</td>
                <StationFigureCells :of="s" />
              </tr>
            </tbody>
          </table>
        </WideTable>
        <section>
          <h2>Items, by what they say</h2>
          <p class="soft">
            The share of its mark that each item earned on average. An item in other words is
            another item, and says which it took the place of.
          </p>
          <WideTable label="Items over the sittings">
            <table class="ledger panel">
              <thead>
                <tr>
                  <th>Item</th>
                  <th v-for="s in data.sittings" :key="s.stationId" class="number">
                    {{ s.cohort }}
                  </th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="item in items" :key="item.itemId">
                  <td>
                    {{ item.text }}
                    <div v-if="item.before" class="soft">took the place of “{{ item.before }}”</div>
                  </td>
                  <td v-for="(own, i) in item.sittings" :key="i" class="number">
                    {{ own ? percent(own.facility) : 'not asked' }}
                  </td>
                </tr>
              </tbody>
            </table>
          </WideTable>
        </section>
      </template>
    </template>
  </div>
</template>

<style scoped>
section {
  margin-top: 16px;
}
</style>
