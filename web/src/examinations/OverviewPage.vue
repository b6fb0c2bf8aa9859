<script setup lang="ts">
import { counted } from '../shell/counted.ts';
import { computed } from 'vue';
import { CYCLE } from './cycle.ts';
import { useExamination } from './examinationStore.ts';
import WideTable from '../shell/WideTable.vue';

const store = useExamination();
const examination = computed(() => store.current);
const phases = computed(() =>
  CYCLE.map((step) => ({
    ...step,
    progress: examination.value?.progress.find((p) => p.phase === step.phase),
  })),
);
const signOf = (done: number, of: number) => (of > 0 && done >= of ? '●' : done > 0 ? '◐' : '○');
</script>

<template>
  <div v-if="examination" class="page">
    <h1>{{ examination.title }}</h1>
    <p class="soft">
      {{ examination.school }} · cohort {{ examination.cohort }} · {{ examination.heldOn }} ·
      {{ counted(examination.candidates, 'candidate') }},
      {{ counted(examination.stations, 'station') }} ·
      {{ examination.markingOpen ? 'marking is open' : 'marking is closed' }}
    </p>
    <ol class="phases">
      <li v-for="phase in phases" :key="phase.phase" class="panel">
        <router-link :to="`/examinations/${examination.id}/${phase.path}`">
          <h2>
            <span aria-hidden="true">{{
              signOf(phase.progress?.done ?? 0, phase.progress?.of ?? 0)
            }}</span>
            {{ phase.title }}
          </h2>
        </router-link>
        <p>{{ phase.purpose }}</p>
        <p class="soft figures">
          {{ phase.progress?.done ?? 0 }} of {{ phase.progress?.of ?? 0 }}
          {{ phase.progress?.unit }}
        </p>
      </li>
    </ol>
    <h2 class="mt-5 mb-2">Stations</h2>
    <WideTable label="Stations">
      <table class="ledger panel">
        <thead>
          <tr>
            <th class="number">No.</th>
            <th>Station</th>
            <th>Procedure</th>
            <th>Region</th>
            <th class="number">Minutes</th>
            <th>Checklist</th>
            <th>Examiners, and how many they mark</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="station in examination.stationList" :key="station.id">
            <td class="number">{{ station.position }}</td>
            <td>{{ station.title }}</td>
            <td>{{ station.procedureTitle }}</td>
            <td>{{ station.region }}</td>
            <td class="number">{{ station.minutes }}</td>
            <td>
              version {{ station.version }}, {{ counted(station.items, 'item') }},
              {{ station.frozenAt ? 'frozen' : 'not frozen yet' }}
            </td>
            <td class="who">
              <div v-for="e in station.examiners" :key="e.accountId">
                {{ e.name }}<span v-if="e.circuit" class="soft">, circuit {{ e.circuit }}</span
                ><span v-if="e.sheets > 0" class="soft figures"
                  >, {{ e.sheets }} of {{ examination.candidates }}</span
                ><span v-else-if="e.every > 1" class="soft">, one in {{ e.every }}</span>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
  </div>
</template>

<style scoped>
.phases {
  list-style: none;
  padding: 0;
  margin: 14px 0 0;
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}
.who {
  min-width: 220px;
}
.phases a {
  color: inherit;
}
.phases p {
  margin: 4px 0 0;
}
@media (max-width: 900px) {
  .phases {
    grid-template-columns: 1fr;
  }
}
</style>
