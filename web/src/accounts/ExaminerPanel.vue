<script setup lang="ts">
import type { Account, ExaminersJoined } from '@kritikos/contracts/accounts';
import { computed, reactive, ref } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import { counted } from '../shell/counted.ts';
import LinkToPassOn from './LinkToPassOn.vue';
import { readNamesAndAddresses } from './namesAndAddresses.ts';

/** Invites examiners to an examination: one, or a list of them. They take part from then on. */
const props = defineProps<{ examination: string; examiners: Account[] }>();
const emit = defineEmits<{ changed: [] }>();
const several = ref(false);
const one = reactive({ name: '', email: '' });
const list = ref('');
const read = computed(() => readNamesAndAddresses(list.value));
const joined = ref<ExaminersJoined['joined']>([]);
const toPassOn = computed(() =>
  joined.value.flatMap(({ name, passOn }) => (passOn === null ? [] : [{ name, passOn }])),
);
const said = computed(() => {
  const known = joined.value.filter((who) => who.known);
  const fresh = joined.value.filter((who) => !who.known);
  const written = fresh.filter(({ passOn }) => passOn === null).map(({ email }) => email);
  return [
    ...(fresh.length > 0 ? [`${names(fresh)} can mark here once they chose a password.`] : []),
    ...(written.length > 0
      ? [
          `${counted(written.length, 'letter is', 'letters are')} on the way to ${written.join(', ')}.`,
        ]
      : []),
    ...(known.length > 0 ? [`${names(known)} had an account already and takes part now.`] : []),
  ].join(' ');
});
const names = (who: readonly { name: string }[]) => who.map(({ name }) => name).join(', ');

const { fields, problem, submit } = useSubmit(async () => {
  const people = several.value ? [...read.value.people] : [{ ...one }];
  const params = { examination: props.examination };
  const answer = await call('POST /examinations/:examination/examiners', {
    params,
    body: { people },
  });
  joined.value = answer.joined;
  Object.assign(one, { name: '', email: '' });
  list.value = '';
  emit('changed');
});
const ready = computed(
  () => !several.value || (read.value.people.length > 0 && read.value.unreadable.length === 0),
);
/** What is wrong with whom of the list, as the server has it by their place. */
const ofList = computed(() =>
  several.value
    ? Object.entries(fields.value).map(([place, detail]) => {
        const who = read.value.people[Number(/^people\/(\d+)/.exec(place)?.[1])];
        return who ? `${who.email} ${detail}` : `The list ${detail}`;
      })
    : [],
);
</script>

<template>
  <section class="panel">
    <h2>Examiners</h2>
    <ul class="names">
      <li v-for="e in examiners" :key="e.id">
        {{ e.name }} <span class="soft">{{ e.email }}</span>
      </li>
    </ul>
    <form class="d-grid ga-2 mt-4" @submit.prevent="submit">
      <template v-if="!several">
        <v-text-field
          v-model="one.name"
          label="Name"
          :error-messages="fields['people/0/name'] ?? []"
        />
        <v-text-field
          v-model="one.email"
          label="E-mail"
          type="email"
          :error-messages="fields['people/0/email'] ?? []"
        />
      </template>
      <template v-else>
        <v-textarea
          v-model="list"
          label="Names and addresses, one in a line"
          placeholder="Rosa Quint, rosa@school.example"
          rows="5"
        />
        <p v-if="read.unreadable.length > 0" class="soft" role="status">
          No address in {{ read.unreadable.length === 1 ? 'line' : 'lines' }}
          {{ read.unreadable.join(', ') }}.
        </p>
        <ul v-if="ofList.length > 0" class="wrong" role="alert">
          <li v-for="what in ofList" :key="what">{{ what }}</li>
        </ul>
      </template>
      <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      <div class="acts">
        <v-btn type="submit" :disabled="!ready">
          {{
            several && read.people.length > 0
              ? `Invite ${counted(read.people.length, 'examiner')}`
              : 'Invite examiner'
          }}
        </v-btn>
        <v-btn variant="text" @click="several = !several">
          {{ several ? 'One at a time' : 'Several from a list' }}
        </v-btn>
      </div>
    </form>
    <p v-if="said" role="status" class="mt-2">{{ said }}</p>
    <LinkToPassOn v-if="toPassOn.length > 0" :links="toPassOn" class="mt-2" @done="joined = []" />
  </section>
</template>

<style scoped>
.names {
  padding-left: 1.1em;
  margin: 6px 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.wrong {
  color: var(--madder);
  padding-left: 1.1em;
  margin: 0;
}
</style>
