<script setup lang="ts">
import { mdiDotsHorizontal } from '@mdi/js';
import type { Draft } from '@kritikos/contracts/drafts';
import type { TimeNeeded } from '@kritikos/core/checklists/timeToMark';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { call, messageOf } from '../http/api.ts';
import { counted } from '../shell/counted.ts';
import DraftImport from './DraftImport.vue';
import { exportDraft } from './exportDraft.ts';
import NumberField from './NumberField.vue';
import TimeExplained from './TimeExplained.vue';
import type { WrittenDraft } from './useDraft.ts';

const props = defineProps<{
  own: WrittenDraft;
  draft: Draft;
  title: string;
  findings: number;
  time: TimeNeeded | null;
  patient: string;
}>();
defineEmits<{ publish: [] }>();
const router = useRouter();
const closed = computed(() => props.own.closedAt.value !== null);
const ofStation = computed(() => props.draft.bankStationId !== null);
const problem = ref('');
const importing = ref(false);
const explaining = ref(false);

const saved = computed(() => {
  const waiting = counted(props.own.waiting.value, 'change');
  switch (props.own.state.value) {
    case 'offline':
      return { sign: '…', words: `No connection: ${waiting} only on this page, tried again` };
    case 'refused':
      return { sign: '✕', words: `${waiting} not saved` };
    case 'saving':
      return { sign: '…', words: 'Saving' };
    default:
      return props.own.waiting.value > 0
        ? { sign: '…', words: 'Saving' }
        : { sign: '✓', words: 'All saved' };
  }
});
function setMinutes(minutes: number | null) {
  if (minutes !== null && Number.isInteger(minutes) && minutes >= 1 && minutes <= 60) {
    props.own.setPart('minutes', minutes);
  }
}
async function putAway(away: boolean) {
  try {
    await props.own.save();
    await call('PUT /drafts/:draft/away', { params: { draft: props.draft.id }, body: { away } });
    if (away) await router.push('/checklists');
    else await props.own.load();
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <div class="head">
    <div class="name">
      <v-text-field
        v-if="ofStation"
        :model-value="title"
        label="Station"
        :disabled="closed"
        @update:model-value="(now: string) => own.setPart('title', now)"
      />
      <h1 v-else>{{ title }}</h1>
    </div>
    <NumberField
      v-if="ofStation"
      class="minutes"
      :model-value="own.minutes.value"
      label="Minutes"
      :disabled="closed"
      @update:model-value="setMinutes"
    />
    <span class="saved" role="status">
      <b aria-hidden="true">{{ saved.sign }}</b> {{ saved.words }}
    </span>
    <v-btn :disabled="closed || !own.undoable.value" @click="own.undo">Undo</v-btn>
    <v-btn color="primary" variant="flat" :disabled="closed" @click="$emit('publish')">
      Publish
    </v-btn>
    <v-menu>
      <template #activator="{ props: menu }">
        <v-btn v-bind="menu" :icon="mdiDotsHorizontal" size="small" aria-label="More" />
      </template>
      <v-list density="compact">
        <v-list-item title="Bring in a file" :disabled="closed" @click="importing = true" />
        <v-list-item title="Save as a file" @click="exportDraft(title, own.content.value)" />
        <v-list-item v-if="!closed" title="Put this draft away" @click="putAway(true)" />
        <v-list-item v-else title="Take this draft out again" @click="putAway(false)" />
      </v-list>
    </v-menu>
  </div>
  <p class="soft under">
    From version {{ draft.startedFrom.version
    }}<template v-if="ofStation"> · patient: {{ patient }}</template> ·
    {{ counted(own.content.value.items.length, 'item') }} ·
    {{ findings === 0 ? 'nothing to mend' : `${findings} to look at` }}
    <template v-if="time">
      · about {{ Math.round(time.seconds) }} s of {{ Math.round(time.given) }} s with the eyes on
      the sheet
      <button class="linkish" type="button" @click="explaining = true">how that is reckoned</button>
    </template>
    <template v-if="own.others.value.length > 0">
      · also here: <b>{{ own.others.value.join(', ') }}</b>
    </template>
  </p>
  <v-alert v-if="closed" type="info" class="mb-3">
    This draft is closed: it was published or put away. It can be read, not changed.
  </v-alert>
  <v-alert v-if="own.refusal.value" type="error" role="alert" class="mb-3">
    Not saved: {{ own.refusal.value }} Put it right; it is sent again with the next change.
  </v-alert>
  <v-alert v-if="problem" type="error" role="alert" class="mb-3">{{ problem }}</v-alert>
  <DraftImport v-if="importing" v-model="importing" :own="own" />
  <TimeExplained
    v-if="explaining"
    v-model="explaining"
    :time="time"
    :items="own.content.value.items"
  />
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
  margin-top: 6px;
}
.name {
  flex: 1 1 300px;
}
.minutes {
  flex: 0 0 100px;
}
.saved {
  min-width: 92px;
  font-size: 0.92rem;
  color: var(--soft);
}
.under {
  margin: 8px 0 12px;
}
</style>
