<script setup lang="ts">
import { mdiAccountMultiplePlusOutline } from '@mdi/js';
import { ref } from 'vue';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import NewPanelDialog from './NewPanelDialog.vue';
import PanelCard from './PanelCard.vue';

const props = defineProps<{ examination: string }>();
const { data, error, reload, take } = useReading('GET /examinations/:examination/panels', () => ({
  params: { examination: props.examination },
}));
const making = ref(false);
</script>

<template>
  <div class="page">
    <div class="head">
      <div>
        <h1>Provisional standard by a panel</h1>
        <p class="soft">
          Judges say what a borderline candidate would earn, each alone, then over the spread;
          before anybody has seen a candidate. They join by a link, without an account.
        </p>
      </div>
      <v-btn
        color="primary"
        variant="flat"
        :prepend-icon="mdiAccountMultiplePlusOutline"
        @click="making = true"
      >
        New panel
      </v-btn>
    </div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data?.panels.length === 0" class="panel">
      There is no panel yet. Make one, give each judge a seat, and open the first round.
    </p>
    <PanelCard
      v-for="panel in data?.panels ?? []"
      :key="panel.id"
      :panel="panel"
      :examination="examination"
      class="mb-4"
      @take="take"
      @seated="reload"
    />
    <NewPanelDialog v-model="making" :examination="examination" @made="take" />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 10px 20px;
  align-items: start;
  margin-bottom: 10px;
}
.head > div {
  max-width: 70ch;
}
</style>
