<script setup lang="ts">
import type { CellError } from '@kritikos/contracts/examinations';
import WideTable from './WideTable.vue';

/** The cells of a list that cannot be taken, as the spreadsheet counts them. */
defineProps<{ errors: readonly CellError[] }>();
</script>

<template>
  <WideTable label="What cannot be taken">
    <table class="ledger">
      <thead>
        <tr>
          <th class="number">Row</th>
          <th>Column</th>
          <th>What is wrong</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(e, i) in errors" :key="i">
          <td class="number">{{ e.row }}</td>
          <td>{{ e.column }}</td>
          <td>{{ e.detail }}</td>
        </tr>
      </tbody>
    </table>
  </WideTable>
</template>
