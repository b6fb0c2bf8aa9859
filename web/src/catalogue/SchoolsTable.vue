<script setup lang="ts">
import type { School } from '@kritikos/catalogue/procedure';
import { computed } from 'vue';
import WideTable from '../shell/WideTable.vue';

/** The schools side by side; what a school does its own way is marked. */
const props = defineProps<{ schools: readonly School[] }>();
const chosen = defineModel<string>({ required: true });

const ASPECTS = [
  ['positions', 'Position'],
  ['angles', 'Angles'],
  ['hands', 'Hands'],
  ['force', 'Force'],
  ['means', 'Means'],
  ['order', 'Order'],
  ['repetitions', 'Repetitions'],
  ['hold', 'Hold'],
  ['criterion', 'Criterion'],
] as const;
const rows = computed(() =>
  ASPECTS.filter(([key]) => props.schools.some((school) => school[key] !== undefined)),
);
const isChosen = (school: School, place: number) =>
  chosen.value === school.key || (chosen.value === '' && place === 0);
</script>

<template>
  <section class="panel">
    <h2>Schools</h2>
    <p class="soft">
      A station says which school it expects; the sheet records which was seen. None of these is a
      fault.
    </p>
    <div class="scroll">
      <WideTable label="Schools of the procedure">
        <table class="ledger">
          <thead>
            <tr>
              <th />
              <th v-for="(school, i) in schools" :key="school.key" scope="col">
                <button
                  type="button"
                  class="linkish"
                  :aria-pressed="isChosen(school, i)"
                  @click="chosen = school.key"
                >
                  {{ school.label }}{{ isChosen(school, i) ? ' (drawn)' : '' }}
                </button>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">In short</th>
              <td v-for="school in schools" :key="school.key">{{ school.description }}</td>
            </tr>
            <tr v-for="[key, label] in rows" :key="key">
              <th scope="row">{{ label }}</th>
              <td v-for="school in schools" :key="school.key" :class="{ differs: school[key] }">
                <template v-if="school[key]"
                  ><span class="mark" aria-hidden="true">◆</span> {{ school[key] }}</template
                >
                <span v-else class="soft">as described</span>
              </td>
            </tr>
          </tbody>
        </table>
      </WideTable>
    </div>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
.differs {
  font-weight: 600;
}
.mark {
  color: var(--madder);
}
th[scope='row'] {
  white-space: nowrap;
}
</style>
