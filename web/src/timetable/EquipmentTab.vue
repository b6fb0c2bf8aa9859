<script setup lang="ts">
import type { Resources } from '@kritikos/contracts/timetable';
import NumberField from '../checklists/NumberField.vue';
import WideTable from '../shell/WideTable.vue';

/** What the stations need, and how much of it there is; what nobody counted limits nothing. */
defineProps<{ resources: Resources; disabled: boolean }>();
const emit = defineEmits<{ keep: [what: string, pieces: number | null] }>();
</script>

<template>
  <p v-if="resources.equipment.length === 0" class="soft">
    The stations need nothing that was named.
  </p>
  <WideTable v-else label="Equipment">
    <table class="ledger">
      <thead>
        <tr>
          <th>Thing</th>
          <th class="number">Needed side by side</th>
          <th>There are (empty: not counted)</th>
          <th>For</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in resources.equipment" :key="one.what">
          <td>{{ one.what }}</td>
          <td class="number">{{ one.needed }}</td>
          <td class="few">
            <NumberField
              :model-value="one.pieces"
              label="pieces"
              :aria-label="`How many of ${one.what} there are`"
              :disabled="disabled"
              @update:model-value="emit('keep', one.what, $event)"
            />
          </td>
          <td>
            {{ one.stations.join(', ') || 'no station here' }}
            <b v-if="one.pieces !== null && one.pieces < one.needed" class="short">
              too few: fewer circuits run side by side
            </b>
          </td>
        </tr>
      </tbody>
    </table>
  </WideTable>
</template>

<style scoped>
.few {
  min-width: 130px;
}
.short {
  color: var(--madder);
}
</style>
