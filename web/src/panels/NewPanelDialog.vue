<script setup lang="ts">
import type { NewPanel, PanelList } from '@kritikos/contracts/panels';
import { mayJudge, PANEL_METHODS } from '@kritikos/core/panels/panel';
import { computed, reactive, watch } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import { METHOD_TITLES, taskWords } from './panelWords.ts';

const props = defineProps<{ examination: string }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ made: [list: PanelList] }>();
const store = useExamination();
const stations = computed(() => store.current?.stationList ?? []);
const wanted = reactive<NewPanel>({
  title: '',
  method: 'angoff-percent',
  level: 'item',
  stations: [],
  asksHofstee: true,
  asksBeuk: false,
  showsFacilities: true,
});
watch(open, (now) => {
  if (now) wanted.stations = stations.value.map(({ id }) => id);
});
const methods = PANEL_METHODS.map((value) => ({ value, title: METHOD_TITLES[value] }));
const levels = computed(() =>
  (['item', 'station'] as const).map((value) => ({
    value,
    title: value === 'item' ? 'every item' : 'each station as a whole',
    props: { disabled: !mayJudge(wanted.method, value) },
  })),
);
watch(
  () => wanted.method,
  (method) => {
    if (!mayJudge(method, wanted.level)) wanted.level = 'item';
  },
);
const { fields, problem, submit } = useSubmit(async () => {
  const list = await call('POST /examinations/:examination/panels', {
    params: { examination: props.examination },
    body: wanted,
  });
  wanted.title = '';
  open.value = false;
  emit('made', list);
});
</script>

<template>
  <ActDialog
    v-model="open"
    title="New panel"
    act="Make it"
    :width="580"
    :problem="problem"
    @act="submit"
  >
    <v-text-field
      v-model="wanted.title"
      label="What it is called"
      placeholder="Panel of March"
      :error-messages="fields.title ?? []"
    />
    <v-select v-model="wanted.method" :items="methods" label="Method" />
    <v-select
      v-model="wanted.level"
      :items="levels"
      label="What is judged"
      :error-messages="fields.level ?? []"
    />
    <p class="soft">{{ taskWords(wanted.method, wanted.level) }}</p>
    <v-select
      v-model="wanted.stations"
      :items="
        stations.map(({ id, position, title }) => ({
          value: id,
          title: `${position} ${title}`,
        }))
      "
      label="Stations"
      multiple
      chips
      :error-messages="fields.stations ?? []"
    />
    <v-switch v-model="wanted.asksHofstee" label="Ask Hofstee’s four questions too" />
    <v-switch
      v-model="wanted.asksBeuk"
      label="Ask for a pass mark and the passes expected (Beuk)"
    />
    <v-switch
      v-model="wanted.showsFacilities"
      label="Between rounds, show what earlier candidates earned"
    />
  </ActDialog>
</template>
