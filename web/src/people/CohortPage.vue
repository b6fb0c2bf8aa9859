<script setup lang="ts">
import type { Student } from '@kritikos/contracts/people';
import { useDebounceFn } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import StudentDialog from './StudentDialog.vue';
import StudentImport from './StudentImport.vue';
import { useStudents } from './useStudents.ts';

const ROW_HEIGHT = 40;
const props = defineProps<{ cohort: string }>();
const { data, error, reload } = useReading('GET /cohorts/:cohort', () => ({
  params: { cohort: props.cohort },
}));
const { total, error: listError, at, find } = useStudents(props.cohort);
const places = computed(() => Array.from({ length: total.value ?? 0 }, (_, place) => place));
const search = ref('');
const said = ref('');
const editing = ref(false);
const chosen = ref<Student | null>(null);
onMounted(() => find(''));
const look = useDebounceFn((text: string | null) => find(text ?? ''), 250);

function edit(student: Student | null) {
  chosen.value = student;
  editing.value = true;
}
async function changed(what = '') {
  said.value = what;
  await Promise.all([reload(), find(search.value)]);
}
const adjusted = ({ extraTime, seatedBreaks }: Student) =>
  [extraTime > 0 ? `${extraTime} % extra time` : '', seatedBreaks ? 'seated breaks' : '']
    .filter(Boolean)
    .join(', ');
</script>

<template>
  <div class="page">
    <router-link to="/cohorts">Cohorts</router-link>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <div class="d-flex align-center ga-3 flex-wrap mb-2">
        <h1>{{ data.name === String(data.year) ? '' : `${data.name}, ` }}{{ data.year }}</h1>
        <v-spacer />
        <v-text-field
          v-model="search"
          label="Find by number or name"
          max-width="260"
          min-width="180"
          clearable
          @update:model-value="look"
        />
        <v-btn @click="edit(null)">Add a student</v-btn>
      </div>
      <p class="soft figures">
        {{ data.students }} students, {{ data.retired }} retired, {{ data.examinations }}
        {{ data.examinations === 1 ? 'examination' : 'examinations' }}.
      </p>
      <p v-if="said" role="status">{{ said }}</p>
      <div class="columns">
        <section class="panel list" aria-label="Students">
          <LoadState :error="listError" :loading="total === null" @retry="find(search)" />
          <p v-if="total === 0">
            {{ search ? 'Nobody of that number or name.' : 'Nobody yet: bring in a list.' }}
          </p>
          <v-virtual-scroll
            v-if="total"
            :items="places"
            :item-height="ROW_HEIGHT"
            height="60vh"
            tabindex="0"
          >
            <template #default="{ item: place }">
              <button
                v-if="at(place)"
                type="button"
                class="row"
                :class="{ off: at(place)?.retired }"
                @click="edit(at(place) ?? null)"
              >
                <span class="figures">{{ at(place)?.number }}</span>
                <b>{{ at(place)?.name }}</b>
                <span class="soft">
                  {{ at(place)?.retired ? 'retired' : adjusted(at(place) as Student) }}
                </span>
              </button>
              <div v-else class="row soft">…</div>
            </template>
          </v-virtual-scroll>
        </section>
        <StudentImport :cohort="cohort" @taken="changed('The list was taken.')" />
      </div>
    </template>
    <StudentDialog v-model="editing" :cohort="cohort" :student="chosen" @changed="changed" />
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 16px;
  align-items: start;
}
.row {
  display: grid;
  grid-template-columns: 110px 1fr auto;
  gap: 10px;
  align-items: center;
  width: 100%;
  height: 40px;
  padding: 0 6px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.row > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.row:hover {
  background: rgba(var(--v-theme-primary), 0.06);
}
.row.off b {
  font-weight: 400;
  color: var(--soft);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
