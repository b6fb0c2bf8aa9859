<script setup lang="ts">
import { sayPatient } from '@kritikos/catalogue/chosenPatient';
import type { BankStation } from '@kritikos/contracts/stations';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import RowMenu from '../shell/RowMenu.vue';
import WideTable from '../shell/WideTable.vue';

/** Stations of the bank, what they ask, and how they behaved. */
defineProps<{ stations: readonly BankStation[] }>();
defineEmits<{ write: [BankStation]; double: [BankStation]; retire: [BankStation] }>();

const { nameOf } = useKnownProcedures();
const rounded = (value: number | null | undefined, unit: string) =>
  value === null || value === undefined ? '–' : `${Math.round(value)}${unit}`;
</script>

<template>
  <WideTable label="Stations of the bank">
    <table class="ledger panel">
      <thead>
        <tr>
          <th>Station</th>
          <th>Region</th>
          <th>Simulated patient</th>
          <th class="number">Min.</th>
          <th class="number">Items</th>
          <th class="number">Version</th>
          <th class="number">Used</th>
          <th class="number">Mean</th>
          <th class="number">Cut</th>
          <th class="number">Agreed</th>
          <th class="number">Disputed</th>
          <th><span class="d-sr-only">What can be done</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in stations" :key="s.id" :class="{ off: s.retired }">
          <td>
            <router-link :to="`/bank/${s.id}`" class="title">{{ s.title }}</router-link>
            <div class="soft">
              <template v-for="(p, i) in s.procedures" :key="p">
                {{ i > 0 ? ' · ' : ''
                }}<router-link :to="`/catalogue/${p}`">{{ nameOf(p) }}</router-link>
              </template>
            </div>
            <div v-if="s.equipment.length > 0" class="soft">{{ s.equipment.join(', ') }}</div>
            <router-link v-if="s.draftId" :to="`/drafts/${s.draftId}`" class="draft">
              being written
            </router-link>
          </td>
          <td>{{ s.region }}</td>
          <td>
            {{ sayPatient(s.patient) }}
          </td>
          <td class="number">{{ s.minutes }}</td>
          <td class="number">{{ s.items }}</td>
          <td class="number">{{ s.version }}</td>
          <td class="number">
            <router-link v-if="s.uses > 0" :to="`/bank/${s.id}/years`">{{ s.uses }}</router-link>
            <template v-else>0</template>
            <div v-if="s.lastUsed" class="soft">{{ s.lastUsed.slice(0, 4) }}</div>
          </td>
          <td class="number">{{ rounded(s.behaviour?.facility, ' %') }}</td>
          <td class="number">{{ rounded(s.behaviour?.cut, ' %') }}</td>
          <td class="number">
            {{ rounded(s.behaviour?.agreement == null ? null : 100 * s.behaviour.agreement, ' %') }}
          </td>
          <td class="number">{{ s.behaviour?.disputed ?? '–' }}</td>
          <td>
            <RowMenu :label="`What can be done with ${s.title}`">
              <v-list-item
                v-if="!s.retired"
                :title="s.draftId ? 'Write on' : 'Write its checklist'"
                @click="$emit('write', s)"
              />
              <v-list-item title="Make one like it" @click="$emit('double', s)" />
              <v-list-item
                :title="s.retired ? 'Bring back' : 'Retire'"
                @click="$emit('retire', s)"
              />
            </RowMenu>
          </td>
        </tr>
      </tbody>
    </table>
  </WideTable>
</template>

<style scoped>
.off td {
  color: var(--soft);
}
td:first-child {
  min-width: 190px;
}
td a {
  display: inline-block;
  min-height: 24px;
}
.title {
  font-weight: 600;
}
.draft {
  font-size: 0.9rem;
}
</style>
