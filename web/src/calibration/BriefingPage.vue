<script setup lang="ts">
import { bandWords } from '@kritikos/core/marking/bandWords';
import { waysToSee } from '@kritikos/core/marking/waysToSee';
import { computed, ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { choicesOf } from '../marking/markChoices.ts';
import { byPhase } from '@kritikos/core/marking/phases';
import LoadState from '../shell/LoadState.vue';
import WithheldNote from '../marking/WithheldNote.vue';
import WideTable from '../shell/WideTable.vue';

const props = defineProps<{ station: string }>();
const sent = { params: { station: props.station } };
const { data, error, reload, take } = useReading('GET /stations/:station/briefing', () => sent);
const variants = computed(() =>
  data.value ? waysToSee(data.value.checklist.content).flatMap((own) => own.variants) : [],
);
const problem = ref('');

async function confirm() {
  try {
    take(await call('POST /stations/:station/briefing/confirmation', sent));
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <div class="page">
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p><router-link to="/stations">My stations</router-link></p>
      <h1>{{ data.title }}: {{ data.checklist.title }}</h1>
      <p class="soft">
        {{ data.minutes }} minutes · checklist version {{ data.checklist.version }}
      </p>
      <div class="top">
        <section class="panel">
          <h2>Task for the candidate</h2>
          <p>{{ data.checklist.content.task }}</p>
          <h2>Simulated patient</h2>
          <p>{{ data.checklist.content.simulatedPatient }}</p>
        </section>
        <section class="panel">
          <h2>Cautions</h2>
          <ul class="caution">
            <li v-for="c in data.checklist.content.cautions" :key="c">{{ c }}</li>
          </ul>
          <p class="caution">
            <b>{{ data.checklist.content.stopRule }}</b>
          </p>
          <p class="soft">
            Local policy, consent and a licensed clinician’s judgement come first. The examination
            assesses students; it diagnoses nobody.
          </p>
          <h2 v-if="variants.length > 0">Accepted variants</h2>
          <p v-for="v in variants" :key="v.key">
            <b>{{ v.label }}.</b> {{ v.description }}
          </p>
        </section>
      </div>
      <WithheldNote :content="data.checklist.content" class="mt-4" />
      <WideTable label="Checklist items" class="mt-4">
        <table class="ledger panel">
          <thead>
            <tr>
              <th>Item</th>
              <th>How it is marked</th>
              <th>Weight</th>
              <th>Known by</th>
            </tr>
          </thead>
          <tbody v-for="group in byPhase(data.checklist.content.items)" :key="group.title">
            <tr>
              <td colspan="4" class="serif">{{ group.title }}</td>
            </tr>
            <tr v-for="item in group.items" :key="item.key">
              <td>
                {{ item.text }}
                <span v-if="item.variants" class="soft">({{ item.variants.join(', ') }} only)</span>
                <b v-if="item.criticality === 'fails-station'"> must not be missed</b>
              </td>
              <td>
                <template v-if="item.kind === 'measured'">
                  {{ bandWords(item.lower, item.upper, item.unit) }}; full marks within
                  {{ item.fullTolerance }}, half within {{ item.halfTolerance }} beyond
                </template>
                <template v-else-if="item.kind === 'graded'">
                  <div v-for="c in choicesOf(item)" :key="c.value">
                    {{ c.label }}: {{ c.meaning }}
                  </div>
                </template>
                <template v-else-if="item.kind === 'choice'">
                  key: {{ item.options.find((o) => o.key === item.answer)?.label }}
                </template>
                <template v-else>done or not done</template>
                <div v-if="item.saidEarns" class="soft">saying it earns the mark</div>
              </td>
              <td class="figures">{{ item.weight }}</td>
              <td>{{ item.observability }}</td>
            </tr>
          </tbody>
        </table>
      </WideTable>
      <v-alert v-if="problem" type="error" role="alert" class="mt-2">{{ problem }}</v-alert>
      <p class="mt-4" role="status">
        <template v-if="data.confirmedAt">✓ You confirmed this version.</template>
        <v-btn v-else size="large" variant="flat" color="primary" @click="confirm">
          I have read it and will mark by it
        </v-btn>
      </p>
    </template>
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  margin-top: 10px;
}
ul.caution {
  padding-left: 1.6em;
}
@media (max-width: 900px) {
  .top {
    grid-template-columns: 1fr;
  }
}
</style>
