<script setup lang="ts">
import type { BankMade } from '@kritikos/contracts/stations';
import { computed, ref, watch } from 'vue';
import { call } from '../http/api.ts';
import { useRead, useReading } from '../http/useReading.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';

/** Makes a station like one that an examination used, or like one of the bank. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ like: { versionId: string; title: string } | null }>();
const emit = defineEmits<{ made: [made: BankMade] }>();

const { data: examinations } = useReading('GET /examinations');
const examination = ref<string | null>(null);
const chosen = ref<string | null>(null);
const title = ref('');
const { data: found } = useRead(
  () => ['stations of', examination.value ?? ''],
  async () =>
    examination.value === null
      ? null
      : call('GET /examinations/:examination', { params: { examination: examination.value } }),
);
const stations = computed(() =>
  (found.value?.stationList ?? []).map((station) => ({
    value: station.bankVersionId,
    title: `${station.position} · ${station.title}`,
    name: station.title,
  })),
);
watch(open, (now) => {
  if (!now) return;
  chosen.value = props.like?.versionId ?? null;
  title.value = props.like ? `${props.like.title}, another` : '';
});
function choose(versionId: string | null) {
  chosen.value = versionId;
  const station = stations.value.find(({ value }) => value === versionId);
  if (station) title.value = `${station.name}, another`;
}
const { fields, problem, submit } = useSubmit(async () => {
  const made = await call('POST /bank-stations/copies', {
    body: { bankVersionId: chosen.value ?? '', title: title.value },
  });
  open.value = false;
  emit('made', made);
});
</script>

<template>
  <ActDialog
    v-model="open"
    title="A station like another"
    act="Make it"
    :width="520"
    :problem="problem"
    :disabled="chosen === null"
    @act="submit"
  >
    <p class="soft">
      Its checklist, patient, minutes and equipment are taken over. Items that say the same keep
      their figures.
    </p>
    <template v-if="!like">
      <v-select
        v-model="examination"
        :items="examinations ?? []"
        item-title="title"
        item-value="id"
        label="Examination"
        no-data-text="There is no examination yet."
        @update:model-value="chosen = null"
      />
      <v-select
        :model-value="chosen"
        :items="stations"
        label="Station"
        :disabled="stations.length === 0"
        @update:model-value="choose"
      />
    </template>
    <v-text-field v-model="title" label="Title" :error-messages="fields.title ?? []" />
  </ActDialog>
</template>
