<script setup lang="ts">
import type { ExaminationFigure, Source, StationFigure } from '@kritikos/contracts/sources';
import { useClipboard } from '@vueuse/core';
import { call, linkTo } from '../http/api.ts';
import { useRead } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import ModalDialog from '../shell/ModalDialog.vue';

const props = defineProps<{
  of: string;
  station?: { readonly id: string; readonly query: StationFigure } | undefined;
  examination?: { readonly id: string; readonly query: ExaminationFigure } | undefined;
}>();
const emit = defineEmits<{ close: [] }>();

const { data, error, reload } = useRead<Source>(
  () => ['source', JSON.stringify([props.station, props.examination])],
  () =>
    props.station
      ? call('GET /stations/:station/source', {
          params: { station: props.station.id },
          query: props.station.query,
        })
      : call('GET /examinations/:examination/source', {
          params: { examination: props.examination?.id ?? '' },
          query: props.examination?.query ?? { figure: 'trust' },
        }),
);
const { copy, copied, isSupported } = useClipboard();

/** Where the file at this place is fetched. */
function addressOf(place: number): string {
  const { station, examination } = props;
  if (station) {
    return linkTo('GET /stations/:station/source.csv', { station: station.id }, station.query);
  }
  return linkTo(
    'GET /examinations/:examination/source.csv',
    { examination: examination?.id ?? '' },
    { ...examination?.query, file: place },
  );
}
</script>

<template>
  <ModalDialog :model-value="true" max-width="720" @update:model-value="emit('close')">
    <v-card class="source">
      <h1>The file and the command</h1>
      <p class="soft">To work out {{ of }} again, to the last digit:</p>
      <LoadState :error="error" :loading="!data" @retry="reload" />
      <template v-if="data">
        <ol>
          <li>
            Save
            <template v-for="(name, place) in data.files" :key="name"
              ><template v-if="place > 0">{{
                place === data.files.length - 1 ? ' and ' : ', '
              }}</template
              ><a :href="addressOf(place)" :download="name">{{ name }}</a></template
            >
            into a copy of the source of Kritikos.
          </li>
          <li>
            Run there:
            <pre tabindex="0">{{ data.command }}</pre>
          </li>
          <li>
            The figure stands in what is printed, under
            <template v-for="(key, i) in data.keys" :key="key"
              ><template v-if="i > 0">, </template><code>{{ key }}</code></template
            >.
          </li>
        </ol>
        <div class="actions">
          <v-btn v-if="isSupported" @click="copy(data.command)">{{
            copied ? 'Copied' : 'Copy the command'
          }}</v-btn>
          <v-btn @click="emit('close')">Close</v-btn>
        </div>
      </template>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
.source {
  padding: 18px 20px;
  display: grid;
  gap: 8px;
}
ol {
  margin: 0;
  padding-left: 1.3em;
  display: grid;
  gap: 8px;
}
pre {
  margin: 6px 0 0;
  padding: 10px 12px;
  background: var(--paper);
  border: 1px solid var(--rule);
  border-radius: 3px;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  font-size: 0.88rem;
}
.actions {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
</style>
