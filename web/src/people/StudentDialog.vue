<script setup lang="ts">
import type { Student } from '@kritikos/contracts/people';
import { reactive, watch } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';

/** A student to be changed, or a new one of the cohort where none is given. */
const props = defineProps<{ cohort: string; student: Student | null }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ changed: [what: string] }>();
const wanted = reactive({ number: '', name: '', extraTime: '0', seatedBreaks: false });
watch(open, () => {
  const { number = '', name = '', extraTime = 0, seatedBreaks = false } = props.student ?? {};
  Object.assign(wanted, { number, name, extraTime: String(extraTime), seatedBreaks });
});

const { fields, problem, submit } = useSubmit(async () => {
  const body = { ...wanted, extraTime: Number(wanted.extraTime) };
  if (props.student) {
    await call('PUT /students/:student', { params: { student: props.student.id }, body });
  } else await call('POST /cohorts/:cohort/students', { params: { cohort: props.cohort }, body });
  open.value = false;
  emit('changed', `${body.name} (${body.number}) is kept.`);
});
const retire = useSubmit(async () => {
  const { student } = props;
  if (!student) return;
  const body = { retired: !student.retired };
  await call('PUT /students/:student/retirement', { params: { student: student.id }, body });
  open.value = false;
  emit('changed', `${student.name} is ${body.retired ? 'retired' : 'taken back'}.`);
});
</script>

<template>
  <ActDialog
    v-model="open"
    :title="student ? student.name : 'New student'"
    act="Keep"
    :problem="problem || retire.problem.value"
    @act="submit"
  >
    <v-text-field
      v-model="wanted.number"
      label="Student’s number"
      :error-messages="fields.number ?? []"
    />
    <v-text-field v-model="wanted.name" label="Name" :error-messages="fields.name ?? []" />
    <v-text-field
      v-model="wanted.extraTime"
      label="Extra time, per cent"
      type="number"
      min="0"
      max="200"
      :error-messages="fields.extraTime ?? []"
    />
    <v-checkbox v-model="wanted.seatedBreaks" label="Seated breaks" hide-details />
    <p v-if="student" class="soft">
      {{
        student.retired
          ? 'Retired: offered to no new examination.'
          : 'Retired students are offered to no new examination; what was examined stays.'
      }}
      <button class="linkish" type="button" @click="retire.submit">
        {{ student.retired ? 'Take back' : 'Retire' }}
      </button>
    </p>
  </ActDialog>
</template>
