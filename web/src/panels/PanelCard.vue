<script setup lang="ts">
import type { Panel, PanelList } from '@kritikos/contracts/panels';
import { computed, ref } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { call, messageOf } from '../http/api.ts';
import ActDialog from '../shell/ActDialog.vue';
import { counted } from '../shell/counted.ts';
import WideTable from '../shell/WideTable.vue';
import { leftWords, METHOD_TITLES } from './panelWords.ts';
import RoundResults from './RoundResults.vue';
import SeatDialog from './SeatDialog.vue';

/** A panel as its lead sees it: who sits, how far each is, the rounds, and what came of them. */
const props = defineProps<{ panel: Panel; examination: string }>();
const emit = defineEmits<{ take: [list: PanelList]; seated: [] }>();
const store = useExamination();

const last = computed(() => props.panel.rounds.at(-1));
const sitting = computed(() => props.panel.seats.filter(({ withdrawn }) => !withdrawn));
const judgeOf = (seat: string) => last.value?.judges.find((judge) => judge.seat === seat);
const missing = computed(() =>
  sitting.value.filter(({ id }) => judgeOf(id)?.handedInAt == null).map(({ name }) => name),
);
const params = computed(() => ({ panel: props.panel.id }));

const problem = ref('');
/** What a change answers with is taken; where it is refused, what holds is read again. */
async function take(change: Promise<PanelList>) {
  problem.value = '';
  try {
    emit('take', await change);
  } catch (thrown) {
    problem.value = messageOf(thrown);
    emit('seated');
  }
}
const closing = ref(false);
const reopening = ref(false);
const reason = ref('');
async function openRound() {
  await take(call('POST /panels/:panel/rounds', { params: params.value }));
}
async function close() {
  const body = { withoutMissing: missing.value.length > 0 };
  closing.value = false;
  await take(call('POST /panels/:panel/closing', { params: params.value, body }));
}
async function reopen() {
  const body = { reason: reason.value };
  reopening.value = false;
  reason.value = '';
  await take(call('POST /panels/:panel/reopening', { params: params.value, body }));
}
const takeAway = ref<{ id: string; name: string } | null>(null);
async function confirmTaking() {
  const seat = takeAway.value?.id ?? '';
  takeAway.value = null;
  await take(call('DELETE /seats/:seat', { params: { seat } }));
}
const seating = ref(false);
const renewing = ref<{ id: string; name: string } | null>(null);
function giveSeat() {
  renewing.value = null;
  seating.value = true;
}
function renew(seat: { id: string; name: string }) {
  renewing.value = seat;
  seating.value = true;
}
const at = computed(
  () =>
    new Intl.DateTimeFormat('en-GB', {
      day: 'numeric',
      month: 'short',
      hour: '2-digit',
      minute: '2-digit',
      timeZone: store.current?.zone ?? 'UTC',
    }),
);
const when = (instant: string) => at.value.format(new Date(instant));
const stateOf = (seat: Panel['seats'][number]) => {
  const judge = judgeOf(seat.id);
  if (!last.value) return 'waits for the first round';
  if (judge?.handedInAt) return `handed in ${when(judge.handedInAt)}`;
  if (!last.value.open) return 'was missing';
  return leftWords(judge ?? { asked: total.value, judged: 0 });
};
const shareJudged = (seat: string) => {
  const { asked, judged } = judgeOf(seat) ?? { asked: 1, judged: 0 };
  return (100 * judged) / Math.max(1, asked);
};
const total = computed(() => props.panel.subjects.length);
</script>

<template>
  <section class="panel">
    <div class="head">
      <div>
        <h2>{{ panel.title }}</h2>
        <p class="soft">
          {{ METHOD_TITLES[panel.method] }},
          {{ counted(total, panel.level === 'item' ? 'item' : 'station') }} at
          {{ counted(panel.stations.length, 'station')
          }}<template v-if="panel.asksHofstee">, with Hofstee’s questions</template
          ><template v-if="panel.asksBeuk">, with Beuk’s</template
          >{{ panel.showsFacilities ? '; earlier candidates are shown between rounds' : '' }}
        </p>
      </div>
      <div class="acts">
        <v-btn size="small" @click="giveSeat">Give a seat</v-btn>
        <v-btn v-if="last && !last.open" size="small" variant="text" @click="reopening = true">
          Open round {{ last.number }} again
        </v-btn>
        <v-btn
          v-if="last?.open"
          size="small"
          color="primary"
          variant="flat"
          @click="closing = true"
        >
          Close round {{ last.number }}
        </v-btn>
        <v-btn
          v-else
          size="small"
          color="primary"
          variant="flat"
          :disabled="sitting.length === 0"
          @click="openRound"
        >
          Open round {{ (last?.number ?? 0) + 1 }}
        </v-btn>
      </div>
    </div>
    <v-alert v-if="problem" type="error" role="alert" class="my-2">{{ problem }}</v-alert>
    <p v-if="panel.seats.length === 0">
      Nobody sits here yet. A seat is a link that you hand to a judge: it opens on any device.
    </p>
    <WideTable v-else :label="`Judges of ${panel.title}`">
      <table class="ledger">
        <thead>
          <tr>
            <th>Judge</th>
            <th>{{ last ? `Round ${last.number}` : 'State' }}</th>
            <th class="progress-head">So far</th>
            <th>Link</th>
            <th><span class="d-sr-only">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="seat in panel.seats" :key="seat.id">
            <td>{{ seat.name }} <span v-if="seat.withdrawn" class="soft">seat taken away</span></td>
            <td>{{ seat.withdrawn ? '' : stateOf(seat) }}</td>
            <td>
              <v-progress-linear
                v-if="last && !seat.withdrawn"
                :model-value="shareJudged(seat.id)"
                height="8"
                color="primary"
                :aria-label="`${seat.name}: ${stateOf(seat)}`"
              />
            </td>
            <td>
              <template v-if="seat.withdrawn">ended</template>
              <template v-else-if="seat.linkUntil">holds until {{ when(seat.linkUntil) }}</template>
              <b v-else class="stale">has run out</b>
            </td>
            <td class="row-acts">
              <template v-if="!seat.withdrawn">
                <button
                  class="linkish"
                  type="button"
                  :aria-label="`Another link for ${seat.name}`"
                  @click="renew(seat)"
                >
                  another link
                </button>
                <button
                  class="linkish"
                  type="button"
                  :aria-label="`Take the seat of ${seat.name} away`"
                  @click="takeAway = seat"
                >
                  take away
                </button>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <RoundResults
      v-if="panel.rounds.some(({ open }) => !open)"
      :panel="panel"
      :examination="examination"
    />
    <details v-if="panel.events.length > 0" class="mt-3">
      <summary>What became of the rounds</summary>
      <ul>
        <li v-for="event in panel.events" :key="event.at + event.what">
          {{ when(event.at) }}: round {{ event.number }}
          {{ event.what === 'reopened' ? 'opened again' : event.what }} by {{ event.by
          }}<template v-if="event.missing.length > 0"
            >, without {{ event.missing.join(', ') }}</template
          ><template v-if="event.reason">: {{ event.reason }}</template>
        </li>
      </ul>
    </details>
    <SeatDialog v-model="seating" :panel="panel.id" :seat="renewing" @seated="emit('seated')" />
    <ActDialog
      v-model="closing"
      :title="`Close round ${last?.number}?`"
      :act="missing.length > 0 ? 'Close without them' : 'Close'"
      away="Wait"
      @act="close"
    >
      <p>
        <template v-if="missing.length > 0">
          <b>{{ missing.join(', ') }}</b> {{ missing.length === 1 ? 'has' : 'have' }} not handed in
          and will not be in the cut of this round.
        </template>
        <template v-else>Everybody has handed in.</template>
        The judges then see what was said, without names.
      </p>
    </ActDialog>
    <ActDialog
      v-model="reopening"
      :title="`Open round ${last?.number} again`"
      act="Open it"
      away="Leave it closed"
      :disabled="reason.trim().length < 8"
      @act="reopen"
    >
      <p>The judges can change what they said; its result is worked out anew when it is closed.</p>
      <v-textarea v-model="reason" label="Reason, for the record" rows="2" />
    </ActDialog>
    <ActDialog
      :model-value="takeAway !== null"
      :title="`Take the seat of ${takeAway?.name} away?`"
      act="Take it away"
      away="Keep it"
      :width="440"
      @update:model-value="takeAway = null"
      @act="confirmTaking"
    >
      <p>
        The link ends. What was handed in from it stays in the rounds that it was handed in for.
      </p>
    </ActDialog>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px 16px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: start;
}
.ledger td {
  vertical-align: middle;
}
.progress-head {
  width: 22%;
}
.row-acts {
  white-space: nowrap;
}
.row-acts .linkish + .linkish {
  margin-left: 14px;
}
.stale {
  color: var(--madder);
}
summary {
  cursor: pointer;
  color: var(--petrol);
}
</style>
