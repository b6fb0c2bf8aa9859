<script setup lang="ts">
import type { ExaminationSummary } from '@kritikos/contracts/examinations';
import { reactive, watch } from 'vue';
import { useRouter } from 'vue-router';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';

/** Next year's: an examination like this one for another cohort. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ like: Pick<ExaminationSummary, 'id' | 'title' | 'heldOn'> | null }>();
const router = useRouter();
const wanted = reactive({ title: '', cohort: '', heldOn: '' });
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
  <v-dialog v-model="open" max-width="500">
    <v-card title="Next year’s">
      <v-card-text class="d-grid ga-3">
        <p class="soft">
          The stations, the blueprint and the rules of {{ like?.title }} are taken over; candidates
          and examiners are not. Stations keep their version, so that the two examinations can be
          compared; what the bank has changed since is shown beside each.
        </p>
        <v-text-field v-model="wanted.title" label="Title" :error-messages="fields.title ?? []" />
        <v-text-field
          v-model="wanted.cohort"
          label="Cohort"
          :error-messages="fields.cohort ?? []"
        />
        <v-text-field
          v-model="wanted.heldOn"
          label="Day"
          type="date"
          :error-messages="fields.heldOn ?? []"
        />
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn color="primary" variant="flat" @click="submit">Make it</v-btn>
      </v-card-actions>
    </v-card>
  </v-dialog>
</template>
