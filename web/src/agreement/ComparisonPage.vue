<script setup lang="ts">
import { counted } from '../shell/counted.ts';
import { useReading } from '../http/useReading.ts';
import SheetReading from '../marking/SheetReading.vue';
import LoadState from '../shell/LoadState.vue';

const props = defineProps<{ first: string; second: string }>();
const { data, error, reload } = useReading('GET /sheets/:sheet/comparison', () => ({
  params: { sheet: props.first },
  query: { with: props.second },
}));
</script>

<template>
  <div class="page">
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <h1>Candidate {{ data.first.candidateNumber }}, station {{ data.first.position }}, twice</h1>
      <p class="soft">
        {{ data.first.station }}.
        {{
          data.differing.length === 0
            ? 'The two sheets agree on every item.'
            : `The two sheets differ on ${counted(data.differing.length, 'item')}, marked ≠.`
        }}
      </p>
      <div class="columns">
        <SheetReading :sheet="data.first" :differing="data.differing" />
        <SheetReading :sheet="data.second" :differing="data.differing" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  margin-top: 10px;
  align-items: start;
}
</style>
