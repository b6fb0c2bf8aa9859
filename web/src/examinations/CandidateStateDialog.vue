<script setup lang="ts">
import { CANDIDATE_STATES } from '@kritikos/contracts/people';
import type { Candidate } from '@kritikos/contracts/examinations';
import { reactive, watch } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';

/** How it stands with a candidate: expected, absent, withdrawn. Nothing of theirs is deleted. */
const props = defineProps<{ candidate: Candidate | null }>();
const emit = defineEmits<{ close: []; changed: [] }>();
const wanted = reactive({ state: 'expected' as Candidate['state'], reason: '' });
watch(
  () => props.candidate,
  (now) => Object.assign(wanted, { state: now?.state, reason: now?.stateReason ?? '' }),
);
const { fields, problem, submit } = useSubmit(async () => {
  const { state, reason } = wanted;
  await call('PUT /candidates/:candidate/state', {
    params: { candidate: props.candidate?.id ?? '' },
    body: state === 'expected' ? { state } : { state, reason },
  });
  emit('changed');
  emit('close');
});
</script>

<template>
  <ActDialog
    v-if="candidate"
    :model-value="candidate !== null"
    :title="`Candidate ${candidate.number}, ${candidate.name}`"
    act="Keep"
    :width="440"
    :problem="problem"
    @update:model-value="(open: boolean) => open || emit('close')"
    @act="submit"
  >
    <p class="soft">Student {{ candidate.studentNumber }}.</p>
    <v-radio-group v-model="wanted.state" hide-details aria-label="State">
      <v-radio v-for="state in CANDIDATE_STATES" :key="state" :value="state" :label="state" />
    </v-radio-group>
    <v-text-field
      v-if="wanted.state !== 'expected'"
      v-model="wanted.reason"
      label="Why"
      :error-messages="fields.reason ?? []"
    />
  </ActDialog>
</template>
