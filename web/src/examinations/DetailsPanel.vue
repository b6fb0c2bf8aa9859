<script setup lang="ts">
import type { NewExamination } from '@kritikos/contracts/examinations';
import { DETAILS } from '@kritikos/core/examinations/heldDetails';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import DetailFields from './DetailFields.vue';
import { useExamination } from './examinationStore.ts';

/** What the examination says of itself, and the ways out for one that was made by mistake. */
const store = useExamination();
const router = useRouter();
const params = computed(() => ({ examination: store.current?.id ?? '' }));

const changing = ref(false);
const wanted = ref<NewExamination>({ title: '', school: '', cohort: '', heldOn: '', zone: '' });
function change() {
  if (!store.current) return;
  const { title, school, cohortId, heldOn, zone } = store.current;
  wanted.value = { title, school, cohort: { id: cohortId }, heldOn, zone };
  changing.value = true;
}
/** Something hangs on every one of them by now: there is nothing to keep. */
const fixed = computed(() => DETAILS.every((own) => store.current?.held[own] !== undefined));
const { fields, problem, submit } = useSubmit(async () => {
  const sent = { params: params.value, body: wanted.value };
  store.take(await call('PUT /examinations/:examination', sent));
  changing.value = false;
});

const deleting = ref(false);
const { problem: whyNotDeleted, submit: remove } = useSubmit(async () => {
  await call('DELETE /examinations/:examination', { params: params.value });
  await router.push('/examinations');
});

const puttingAway = ref(false);
const { problem: whyNotAway, submit: turn } = useSubmit(async () => {
  const body = { putAway: !store.current?.putAway };
  store.take(await call('PUT /examinations/:examination/put-away', { params: params.value, body }));
  puttingAway.value = false;
});
</script>

<template>
  <section v-if="store.current" class="panel">
    <h2>The examination</h2>
    <dl>
      <dt class="soft">School</dt>
      <dd>{{ store.current.school }}</dd>
      <dt class="soft">Cohort</dt>
      <dd>
        <router-link :to="`/cohorts/${store.current.cohortId}`">{{
          store.current.cohort
        }}</router-link>
      </dd>
      <dt class="soft">Day</dt>
      <dd class="figures">{{ store.current.heldOn }}, {{ store.current.zone }}</dd>
    </dl>
    <div class="acts">
      <v-btn @click="change">Change</v-btn>
      <v-btn v-if="store.current.putAway" @click="turn">Bring it back</v-btn>
      <v-btn v-else-if="store.current.deletable" variant="text" @click="deleting = true">
        Delete
      </v-btn>
      <v-btn v-else variant="text" @click="puttingAway = true">Put away</v-btn>
    </div>
    <v-alert v-if="whyNotAway && !puttingAway" type="error" role="alert">{{ whyNotAway }}</v-alert>
    <ActDialog
      v-model="changing"
      title="The examination"
      act="Keep it"
      :away="fixed ? 'Close' : 'Cancel'"
      :only-away="fixed"
      :width="520"
      :problem="problem"
      @act="submit"
    >
      <DetailFields v-model="wanted" :errors="fields" :held="store.current.held" />
    </ActDialog>
    <ActDialog
      v-model="deleting"
      title="Delete the examination?"
      act="Delete it"
      :width="440"
      :problem="whyNotDeleted"
      @act="remove"
    >
      <p>Nothing is in {{ store.current.title }} yet, so nothing else goes with it.</p>
    </ActDialog>
    <ActDialog
      v-model="puttingAway"
      title="Put the examination away?"
      act="Put it away"
      :width="480"
      :problem="whyNotAway"
      @act="turn"
    >
      <p>
        It stands in no list of those that count: not with the examiners, not in comparisons of the
        years. Nothing of it is lost; under Examinations it can be brought back.
      </p>
    </ActDialog>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 14px;
  margin: 0 0 12px;
}
dd {
  margin: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
