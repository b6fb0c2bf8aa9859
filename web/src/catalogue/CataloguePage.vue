<script setup lang="ts">
import { procedureSearch } from '@kritikos/catalogue/search';
import { KINDS, REGIONS } from '@kritikos/catalogue/procedure';
import type { Kind, Procedure } from '@kritikos/catalogue/procedure';
import { refDebounced } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import ProcedureFigure from '../figure/ProcedureFigure.vue';
import { download } from '../http/download.ts';
import { useBeginHere } from '../shell/useBeginHere.ts';
import { useKnownProcedures } from './useKnownProcedures.ts';
import { KIND_WORDS, regionWords } from './words.ts';

const router = useRouter();
const pathOf = ({ id }: Procedure) => `/catalogue/${id}`;
const words = ref('');
useBeginHere('begin');
const region = ref<string | null>(null);
const kind = ref<Kind | null>(null);
const structure = ref<string | null>(null);
const { known, choice } = useKnownProcedures();
const search = computed(() => procedureSearch(choice.value));
const found = computed(() =>
  search.value.find({
    words: words.value,
    region: region.value,
    kind: kind.value,
    structure: structure.value,
  }),
);
const pointed = ref<Procedure | null>(null);
const chosen = computed(() =>
  pointed.value && found.value.includes(pointed.value) ? pointed.value : (found.value[0] ?? null),
);
/** The figure follows when typing or pointing pauses; the list itself at once. */
const shown = refDebounced(chosen, 120);
const ROW = 54;
const kinds = KINDS.map((value) => ({ value, title: KIND_WORDS[value] }));
const regions = computed(() =>
  REGIONS.map((name) => ({
    name,
    count: search.value.find({
      words: words.value,
      region: name,
      kind: kind.value,
      structure: structure.value,
    }).length,
  })),
);

async function save() {
  const [{ asOpenCatalogue }, { PROCEDURES }] = await Promise.all([
    import('@kritikos/contracts/openCatalogue'),
    import('@kritikos/catalogue/procedures'),
  ]);
  download('kritikos-catalogue.json', 'application/json', asOpenCatalogue(PROCEDURES));
}
</script>

<template>
  <div class="page">
    <div class="head">
      <h1>Catalogue of procedures</h1>
      <nav>
        <router-link to="/catalogue/bench">Interpretation bench</router-link>
        <router-link to="/catalogue/practice">Practice</router-link>
        <router-link to="/catalogue/shelf">The school’s shelf</router-link>
        <button type="button" class="linkish" @click="save">Save the catalogue as JSON</button>
      </nav>
    </div>
    <div class="filters">
      <v-text-field
        ref="begin"
        v-model="words"
        label="Name, synonym, structure"
        type="search"
        class="words"
      />
      <v-select v-model="kind" :items="kinds" label="Kind" clearable />
      <v-select v-model="structure" :items="search.structures" label="Structure" clearable />
    </div>
    <div class="regions" role="group" aria-label="Body region">
      <button
        v-for="{ name, count } in regions"
        :key="name"
        type="button"
        :class="{ set: region === name }"
        :aria-pressed="region === name"
        @click="region = region === name ? null : name"
      >
        {{ regionWords(name) }} <span class="figures">{{ count }}</span>
      </button>
    </div>
    <p v-if="found.length === 0" class="panel">
      Nothing fits. Take a filter away, or try another word.
    </p>
    <div v-else class="board">
      <v-virtual-scroll
        :items="found"
        :item-height="ROW"
        item-key="id"
        class="list panel"
        role="list"
        aria-label="Procedures"
      >
        <template #default="{ item: procedure }">
          <div
            role="listitem"
            class="row"
            :class="{ shown: chosen === procedure }"
            @pointerenter="pointed = procedure"
            @focusin="pointed = procedure"
          >
            <!-- A plain link: resolving a route for every row would slow the first letter. -->
            <a :href="pathOf(procedure)" @click.exact.prevent="router.push(pathOf(procedure))">{{
              procedure.names[0]
            }}</a>
            <span class="soft">{{ procedure.title }}</span>
            <span class="tag"
              >{{ known.isOwn(procedure.id) ? 'the school’s · ' : ''
              }}{{ regionWords(procedure.region) }} · {{ KIND_WORDS[procedure.kind] }}</span
            >
          </div>
        </template>
      </v-virtual-scroll>
      <aside v-if="shown" class="panel">
        <ProcedureFigure v-if="shown.figure" :spec="shown.figure" class="preview" />
        <h2>{{ shown.names[0] }}</h2>
        <p>{{ shown.patient }}</p>
        <p><b>Positive.</b> {{ shown.positive }}</p>
        <p class="caution">{{ shown.checklist.stopRule }}</p>
      </aside>
    </div>
    <p class="soft small">
      The catalogue serves the assessment of students. Local policy, consent and a licensed
      clinician’s judgement come first; nobody is diagnosed here.
    </p>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  flex-wrap: wrap;
}
.head nav {
  display: flex;
  align-items: center;
  gap: 18px;
}
.filters {
  display: grid;
  grid-template-columns: 2fr 1fr 1.4fr;
  gap: 10px;
  margin: 10px 0;
}
.regions {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 10px;
}
.regions button {
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  min-height: 34px;
  padding: 2px 12px;
  font: 500 0.95rem var(--sans);
  cursor: pointer;
}
.regions button::first-letter {
  text-transform: uppercase;
}
.regions .set {
  background: var(--petrol);
  color: var(--paper);
  border-color: var(--petrol);
}
.board {
  display: grid;
  grid-template-columns: 1.25fr 1fr;
  gap: 14px;
  align-items: start;
}
.list {
  list-style: none;
  margin: 0;
  padding: 4px 0;
  max-height: 62vh;
  overflow-y: auto;
}
.row {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 12px;
  padding: 6px 14px;
  border-bottom: 1px solid var(--rule);
  border-left: 4px solid transparent;
}
.row.shown {
  border-left-color: var(--madder);
  background: rgba(var(--v-theme-primary), 0.06);
}
.list a {
  font-weight: 600;
}
.list .soft {
  grid-row: 2;
  font-size: 0.9rem;
}
.tag {
  font-size: 0.82rem;
  color: var(--soft);
  text-align: right;
}
aside {
  position: sticky;
  top: 8px;
}
.preview {
  height: 240px;
}
.small {
  font-size: 0.85rem;
}
@media (max-width: 800px) {
  .board,
  .filters {
    grid-template-columns: 1fr;
  }
}
</style>
