<script setup lang="ts">
import ActDialog from '../shell/ActDialog.vue';
import { counted } from '../shell/counted.ts';
import { computed, ref, watch } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { messageOf } from '../http/api.ts';
import LoadState from '../shell/LoadState.vue';
import ConsequencePanel from './ConsequencePanel.vue';
import DecisionList from './DecisionList.vue';
import MethodsPanel from './MethodsPanel.vue';
import { METHOD_WORDS } from './methodWords.ts';
import RuleEffectsPanel from './RuleEffectsPanel.vue';
import RuleControls from './RuleControls.vue';
import StationPanel from './StationPanel.vue';
import SafetyPanel from '../safety/SafetyPanel.vue';
import { useStandard } from './useStandard.ts';
import { sayStandard } from '@kritikos/core/standards/sayStandard';
import type { StationMethod } from '@kritikos/core/standards/stationMethods';

const store = useExamination();
const own = useStandard(store.current?.id ?? '');
const { page, data, settings, standard, bootstraps, methods, sureness, partsKnown, panels, error } =
  own;
const numbers = computed(
  () => new Map(page.value?.everybody.map((c) => [c.id, c.number] as const)),
);

/** Shown whole: what came to its place piece by piece would push the rest about. */
const ready = computed(
  () => data.value.length === 0 || (standard.value !== null && methods.value !== null),
);

const sentence = computed(() => {
  if (!standard.value || !settings.value) return '';
  const { method, methods: others } = settings.value;
  const { title } = METHOD_WORDS[method];
  const named = method.startsWith('cohen')
    ? `the method of ${title}`
    : title.charAt(0).toLowerCase() + title.slice(1);
  const said = Object.keys(others).length > 0 ? `${named}, at some stations by another,` : named;
  return sayStandard(standard.value, said, sureness.value);
});

const signing = ref(false);
const reason = ref('');
const problem = ref('');
const markingOpen = computed(() => store.current?.markingOpen ?? false);
/** Asked for while marking is open, anew each time. */
const whileOpen = ref(false);
watch(signing, () => (whileOpen.value = false));
async function sign() {
  try {
    await own.sign(reason.value);
    signing.value = false;
    reason.value = problem.value = '';
    if (store.current) await store.open(store.current.id);
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}

function setMethod(station: string, method: StationMethod | null) {
  if (!settings.value) return;
  const others = Object.entries(settings.value.methods).filter(([id]) => id !== station);
  settings.value.methods = Object.fromEntries(
    method === null ? others : [...others, [station, method] as const],
  );
}

let takenBefore = '';
/**
 * A panel's cuts hold as cuts by hand, to a tenth: finer than that nobody judged. Where they come
 * from begins the reason, which stays with the decision.
 */
function takeCuts(name: string, cuts: Readonly<Record<string, number>>) {
  if (!settings.value) return;
  settings.value.handCuts = Object.fromEntries(
    Object.entries(cuts).map(([station, cut]) => [station, Math.round(cut * 10) / 10]),
  );
  const taken = `The cuts are those of ${name}. `;
  reason.value = taken + reason.value.replace(takenBefore, '');
  takenBefore = taken;
}

function setHandCut(station: string, cut: number | null) {
  if (!settings.value) return;
  const others = Object.entries(settings.value.handCuts).filter(([id]) => id !== station);
  settings.value.handCuts = Object.fromEntries(
    cut === null ? others : [...others, [station, cut] as const],
  );
}
</script>

<template>
  <div class="page wide">
    <div class="d-flex flex-wrap align-center ga-3">
      <h1>Set the standard</h1>
      <v-spacer />
      <router-link :to="`/examinations/${store.current?.id}/trust`"
        >How far it can be trusted</router-link
      >
      <router-link :to="`/examinations/${store.current?.id}/years`">Over the years</router-link>
    </div>
    <LoadState :error="error" :loading="!page || !ready" @retry="own.load" />
    <template v-if="page && settings && (ready || error)">
      <p v-if="standard" class="lead-sentence">{{ sentence }}</p>
      <p v-if="data.length === 0" class="panel">There is no station yet.</p>
      <div v-else class="board">
        <div class="stations">
          <p v-if="page.decisions[0]?.schema === 1" class="caution">
            Decision No. {{ page.decisions[0].number }} was signed under the earlier rule of
            critical items.
            <router-link
              :to="`/examinations/${store.current?.id}/standards/rereading/${page.decisions[0].id}`"
            >
              See whom the present rule would change
            </router-link>
            before you sign anew.
          </p>
          <p v-if="page.outstanding > 0" class="caution">
            {{ counted(page.outstanding, 'planned sheet is', 'planned sheets are') }} not submitted;
            a standard set now does not know them.
          </p>
          <StationPanel
            v-for="(station, i) in data"
            :key="station.station"
            :station="station"
            :numbers="numbers"
            :result="standard?.stations[i]"
            :bootstrap="bootstraps[i]"
            :borderline="settings.borderline"
            :methods="methods?.stations[i]?.methods ?? []"
            :chosen="settings.methods[station.station] ?? null"
            @hand-cut="setHandCut(station.station, $event)"
            @method="setMethod(station.station, $event)"
          />
          <MethodsPanel
            v-if="methods"
            class="across"
            :methods="methods.examination"
            :numbers="numbers"
            :chosen="settings.method"
            :panels="panels"
            :examination="store.current?.id ?? ''"
            :by-hand="Object.keys(settings.handCuts).length"
            @choose="settings.method = $event"
            @take-cuts="takeCuts"
            @drop-cuts="settings.handCuts = {}"
          />
          <SafetyPanel
            class="across"
            :examination="store.current?.id ?? ''"
            :occurrences="page.safety"
            :asked="settings.rule.safetyEventFails"
            @changed="own.load"
          />
          <RuleEffectsPanel
            v-if="standard"
            class="across"
            :standard="standard"
            :candidates="page.candidates"
            :numbers="numbers"
            :examination="store.current?.id ?? ''"
          />
        </div>
        <aside>
          <RuleControls
            v-model="settings"
            :stations="data.length"
            :sem="standard?.sem ?? null"
            :parts-known="partsKnown"
          />
          <ConsequencePanel
            :standard="standard"
            :candidates="page.candidates"
            :decision="page.decisions[0]"
            :sureness="sureness"
            :numbers="numbers"
            :examination="store.current?.id ?? ''"
          />
          <v-btn
            block
            size="large"
            variant="flat"
            color="primary"
            :disabled="!standard?.examCut"
            @click="signing = true"
          >
            Sign this standard
          </v-btn>
          <DecisionList :examination="store.current?.id ?? ''" :decisions="page.decisions" />
        </aside>
      </div>
    </template>
    <ActDialog
      v-model="signing"
      title="Sign the standard"
      act="Sign"
      away="Not yet"
      :width="520"
      :problem="problem"
      :disabled="reason.trim().length < 10 || (markingOpen && !whileOpen)"
      @act="sign"
    >
      <p>
        {{ counted(standard?.passed ?? 0, 'candidate passes', 'candidates pass') }},
        {{ standard?.failed }} fail, {{ standard?.incomplete }} are incomplete. Once signed, the
        decision is read-only; a change makes a new one that follows it.
      </p>
      <div v-if="markingOpen" class="caution">
        <p>Marking is open: sheets that are submitted from now on are not in this decision.</p>
        <v-checkbox v-model="whileOpen" label="Sign all the same" hide-details />
      </div>
      <v-textarea v-model="reason" label="Reason, for the board and for appeals" rows="3" />
    </ActDialog>
  </div>
</template>

<style scoped>
.wide {
  max-width: 1480px;
}
.board {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 16px;
  align-items: start;
  margin-top: 10px;
}
.stations {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
  align-items: start;
}
.stations > .across,
.stations > .caution {
  grid-column: 1 / -1;
  margin: 0;
}
aside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  position: sticky;
  top: 8px;
}
@media (max-width: 1000px) {
  .board,
  .stations {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
