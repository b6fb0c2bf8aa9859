<script setup lang="ts">
import { counted } from '../shell/counted.ts';
import { useExamination } from '../examinations/examinationStore.ts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';

const props = defineProps<{ decision: string }>();
const store = useExamination();
const home = `/examinations/${store.current?.id ?? ''}`;
const { data, error, reload } = useReading('GET /decisions/:decision/rereading', () => ({
  params: { decision: props.decision },
}));
const SIGNS = { pass: '● pass', fail: '▲ fail', incomplete: '◌ incomplete' };
</script>

<template>
  <div class="page">
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <h1>Decision No. {{ data.decision.number }}, read again</h1>
      <p class="soft">
        Signed by {{ data.decision.signedBy }} on {{ data.decision.signedAt.slice(0, 10) }}. It
        stands as it was signed; this page changes nothing.
      </p>
      <section class="panel">
        <h2>What the present rule does otherwise</h2>
        <ul>
          <li>
            A critical item counts as missed when every examiner who observed it gave no mark. The
            earlier rule compared how many each had counted, so two different misses looked like
            one.
          </li>
          <li>A station with a missed critical item is not passed, whatever its score.</li>
          <li>
            Where nobody observed a critical item, the station is undecided: neither passed nor
            failed.
          </li>
        </ul>
        <p>
          Below, the cuts of this decision are applied to the sheets that it knew.
          <template v-if="data.submittedSince > 0">
            {{
              counted(
                data.submittedSince,
                'sheet arrived later and is',
                'sheets arrived later and are',
              )
            }}
            left out.
          </template>
        </p>
      </section>
      <section class="panel">
        <h2 class="figures">
          {{
            data.changed.length === 0
              ? 'Nobody’s outcome changes'
              : data.changed.length === 1
                ? 'One candidate’s outcome changes'
                : counted(
                    data.changed.length,
                    'candidate’s outcome changes',
                    'candidates’ outcomes change',
                  )
          }}
        </h2>
        <div
          v-if="data.changed.length > 0"
          class="scrolling"
          tabindex="0"
          role="region"
          aria-label="Whose outcome changes"
        >
          <WideTable label="Candidates whose outcome changes">
            <table class="ledger">
              <thead>
                <tr>
                  <th class="number">Candidate</th>
                  <th>As signed</th>
                  <th>Under the present rule</th>
                  <th>Why</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="c in data.changed" :key="c.candidate">
                  <td class="number">
                    <router-link :to="`${home}/results/${c.candidate}`">{{ c.number }}</router-link>
                  </td>
                  <td>{{ SIGNS[c.before] }}</td>
                  <td>
                    <b>{{ SIGNS[c.after] }}</b>
                  </td>
                  <td>{{ c.reasons.join(' ') || 'Every condition is met.' }}</td>
                </tr>
              </tbody>
            </table>
          </WideTable>
        </div>
        <p v-if="data.newest" class="mt-3">
          <v-btn variant="flat" color="primary" :to="`${home}/standards`">
            Set and sign anew under the present rule
          </v-btn>
        </p>
        <p v-else class="soft">A later decision has superseded this one.</p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.panel {
  margin-top: 12px;
}
.scrolling {
  overflow-x: auto;
}
ul {
  padding-left: 1.2em;
}
</style>
