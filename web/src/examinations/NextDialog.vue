<script setup lang="ts">
import type { NextExamination } from '@kritikos/contracts/blueprint';
import type { ExaminationSummary } from '@kritikos/contracts/examinations';
import { reactive, watch } from 'vue';
import { useRouter } from 'vue-router';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import CohortChoice from './CohortChoice.vue';

/** Next year's: an examination like this one for another cohort. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ like: Pick<ExaminationSummary, 'id' | 'title' | 'heldOn'> | null }>();
const router = useRouter();
const wanted = reactive<NextExamination>({ title: '', cohort: '', heldOn: '' });
watch(open, (now) => {
  if (!now || !props.like) return;
  const year = Number(props.like.heldOn.slice(0, 4)) + 1;
  Object.assign(wanted, {
    title: props.like.title.replace(/\b\d{4}\b/, String(year)),
    cohort: String(year),
    heldOn: `${year}${props.like.heldOn.slice(4)}`,
  });
});
const { fields, problem, submit } = useSubmit(async () => {
  const made = await call('POST /examinations/:examination/next', {
    params: { examination: props.like?.id ?? '' },
    body: wanted,
  });
  open.value = false;
  await router.push(`/examinations/${made.id}/blueprint`);
});
</script>

<template>
  <ActDialog
    v-model="open"
    title="Next year’s"
    act="Make it"
    :width="500"
    :problem="problem"
    @act="submit"
  >
    <p class="soft">
      The stations, the blueprint and the rules of {{ like?.title }} are taken over; candidates and
      examiners are not. Stations keep their version, so that the two examinations can be compared;
      what the bank has changed since is shown beside each.
    </p>
    <v-text-field v-model="wanted.title" label="Title" :error-messages="fields.title ?? []" />
    <CohortChoice v-model="wanted.cohort" :error="fields.cohort ?? ''" />
    <v-text-field
      v-model="wanted.heldOn"
      label="Day"
      type="date"
      :error-messages="fields.heldOn ?? []"
    />
  </ActDialog>
</template>
