<script setup lang="ts">
import { mdiArchiveArrowDownOutline, mdiCodeJson } from '@mdi/js';
import { PAPER_SIZES } from '@kritikos/contracts/papers';
import type { Pack, PaperSize } from '@kritikos/contracts/papers';
import { computed, ref, watch } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { call, linkTo, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import JobProgress from '../jobs/JobProgress.vue';
import { useJob } from '../jobs/useJob.ts';
import { counted } from '../shell/counted.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';

/** All that leaves the house before the day, from one button. */
const props = defineProps<{ examination: string }>();
const store = useExamination();
const params = computed(() => ({ examination: props.examination }));
const { data, error, reload } = useReading('GET /examinations/:examination/papers', () => ({
  params: params.value,
}));
const paper = ref<PaperSize>('A4');
const problem = ref('');
const { job, follow, cancel, running } = useJob();

async function make() {
  problem.value = '';
  try {
    const sent = { params: params.value, body: { paper: paper.value } };
    follow(await call('POST /examinations/:examination/papers', sent));
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
watch(job, async (now) => {
  if (now?.state === 'done') await reload();
});

const PAPERS = [
  {
    folder: 'To hang up',
    holds:
      'door sheets with the task and the minutes, candidate’s instructions, signs for every couch',
  },
  {
    folder: 'To hand out',
    holds:
      'simulated patient’s scripts and examiner’s briefings, each with the drawing, the cautions and the stop rule; a route card for each candidate',
  },
  {
    folder: 'Blank checklists',
    holds:
      'one for each sheet that waits, in the order of the day, with a code that leads to that sheet on a tablet',
  },
  {
    folder: 'Rooms and office',
    holds: 'what must stand ready in each room; the register that says whose number is whose',
  },
  {
    folder: 'Calendars and tables',
    holds: 'iCalendar for each person; stations, candidates, timetable and sheets as CSV and XLSX',
  },
  { folder: 'examination.json', holds: 'the whole examination, for another installation' },
];

const size = (bytes: number) =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
const when = computed(
  () =>
    new Intl.DateTimeFormat('en-GB', {
      dateStyle: 'medium',
      timeStyle: 'short',
      timeZone: store.current?.zone ?? 'UTC',
    }),
);
const archive = ({ id }: Pack) =>
  linkTo('GET /examinations/:examination/papers/:pack', { ...params.value, pack: id });
const whole = computed(() => linkTo('GET /examinations/:examination/file', params.value));
</script>

<template>
  <div class="page">
    <h1>Papers</h1>
    <p class="soft">
      Everything that is printed, sent or hung up before the day, made from what holds at this
      moment.
    </p>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <div class="columns">
        <section class="panel">
          <h2>What the archive holds</h2>
          <dl>
            <template v-for="one in PAPERS" :key="one.folder">
              <dt>{{ one.folder }}</dt>
              <dd>{{ one.holds }}</dd>
            </template>
          </dl>
        </section>
        <section class="panel">
          <h2>Make them</h2>
          <v-radio-group v-model="paper" label="Paper" inline :disabled="running" hide-details>
            <v-radio v-for="one in PAPER_SIZES" :key="one" :label="one" :value="one" />
          </v-radio-group>
          <ul v-if="data.lacking.length > 0" class="lacking">
            <li v-for="words in data.lacking" :key="words">{{ words }}</li>
          </ul>
          <v-btn color="primary" variant="flat" class="mt-3" :disabled="running" @click="make">
            Make all papers
          </v-btn>
          <p class="soft mt-2">Black on white, for any printer.</p>
          <JobProgress
            v-if="job"
            :job="job"
            what="Setting the papers"
            class="mt-3"
            @cancel="cancel"
          />
          <v-alert v-if="problem" type="error" role="alert" class="mt-3">{{ problem }}</v-alert>
          <h2 class="mt-4">The examination as a file</h2>
          <p class="soft">
            Stations, checklists, candidates, who and what may be used, and the timetable, as JSON.
            Another installation reads it under Examinations.
          </p>
          <v-btn size="small" class="mt-2" :prepend-icon="mdiCodeJson" :href="whole" download>
            examination.json
          </v-btn>
        </section>
      </div>
      <section class="panel mt-4">
        <h2>Made before</h2>
        <p v-if="data.packs.length === 0" class="soft">
          Nothing yet. The newest four archives are kept here; older ones can be made again.
        </p>
        <WideTable v-else label="Archives of papers">
          <table class="ledger">
            <thead>
              <tr>
                <th>Archive</th>
                <th>Made</th>
                <th>From</th>
                <th>Pages</th>
                <th>Does it hold?</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in data.packs" :key="one.id">
                <td>
                  <v-btn
                    size="small"
                    :prepend-icon="mdiArchiveArrowDownOutline"
                    :href="archive(one)"
                    download
                  >
                    {{ one.paper }}, {{ size(one.bytes) }}
                  </v-btn>
                </td>
                <td>{{ when.format(new Date(one.madeAt)) }} by {{ one.madeBy }}</td>
                <td>{{ one.plan === null ? 'no plan' : `plan ${one.plan}` }}</td>
                <td class="figures">{{ one.pages }} in {{ counted(one.files, 'file') }}</td>
                <td>
                  <b v-if="one.stale" class="stale">
                    no: something was changed since. Make them again before anybody prints.
                  </b>
                  <template v-else>yes</template>
                </td>
              </tr>
            </tbody>
          </table>
        </WideTable>
      </section>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 16px;
  align-items: start;
  margin-top: 10px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 8px 18px;
  margin: 8px 0 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
.lacking {
  padding-left: 18px;
  margin-top: 8px;
}
.stale {
  color: var(--madder);
}
@media (max-width: 900px) {
  .columns,
  dl {
    grid-template-columns: minmax(0, 1fr);
  }
  dd {
    margin-bottom: 4px;
  }
}
</style>
