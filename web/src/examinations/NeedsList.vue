<script setup lang="ts">
import type { Need } from '@kritikos/core/examinations/needs';

/** What the day needs, from what its stations need. */
defineProps<{
  needs: { equipment: readonly Need[]; patients: readonly Need[] };
  circuits: number;
}>();
const PARTS = [
  { part: 'equipment', title: 'Equipment' },
  { part: 'patients', title: 'Simulated patients' },
] as const;
</script>

<template>
  <section class="panel">
    <h2>What the day needs</h2>
    <p class="soft">
      For {{ circuits === 1 ? 'one circuit' : `${circuits} circuits side by side` }}.
    </p>
    <p v-if="needs.equipment.length + needs.patients.length === 0" class="soft">
      It follows from the stations; there is none yet.
    </p>
    <div v-else class="two">
      <table v-for="{ part, title } in PARTS" :key="part" class="ledger">
        <thead>
          <tr>
            <th>{{ title }}</th>
            <th class="number">How many</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="need in needs[part]" :key="need.what">
            <td>
              {{ need.what }}
              <div class="soft">{{ need.stations.join(', ') }}</div>
            </td>
            <td class="number">{{ need.count }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  align-items: start;
}
@media (max-width: 700px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
