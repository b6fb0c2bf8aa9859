<script setup lang="ts">
import type { Sitting } from '@kritikos/contracts/panels';
import { computed } from 'vue';
import SpreadStrip from './SpreadStrip.vue';
import StripLegend from './StripLegend.vue';

/** A closed round as a judge sees it: the panel's cut, all cuts without names, and what they were of two minds about. */
const props = defineProps<{
  before: NonNullable<Sitting['before']>;
  stations: Sitting['stations'];
}>();
const cuts = computed(() => props.before.cuts.map((cut) => cut / 100));
const wordsOf = computed(
  () =>
    new Map(
      props.stations.flatMap(({ position, title, subject, items }) => [
        ...(subject === null ? [] : [[subject, `${position} ${title}`] as const]),
        ...items.flatMap((item) =>
          item.subject === null
            ? []
            : [[item.subject, `${position} ${title}: ${item.text}`] as const],
        ),
      ]),
    ),
);
const split = computed(() =>
  props.before.subjects.flatMap((own) => {
    const words = own.split && wordsOf.value.get(own.key);
    return words ? [{ ...own, words }] : [];
  }),
);
</script>

<template>
  <p class="lead-sentence">
    <template v-if="before.cut !== null"
      >The panel came to {{ before.cut.toFixed(1) }}&nbsp;%<template
        v-if="before.standardError !== null"
      >
        with a standard error of {{ before.standardError.toFixed(1) }}</template
      ><template v-if="before.own !== null"
        >; you came to {{ before.own.toFixed(1) }}&nbsp;%</template
      >.</template
    >
    <template v-else>No judge has judged all of it, so there is no cut.</template>
  </p>
  <SpreadStrip
    label="The judges’ cuts"
    :values="cuts"
    :own="before.own === null ? null : before.own / 100"
  />
  <StripLegend :earned="split.some((own) => own.earned !== null)" />
  <template v-if="split.length > 0">
    <h3>Where you were of two minds</h3>
    <ul class="split">
      <li v-for="one in split" :key="one.key">
        {{ one.words }}
        <SpreadStrip :label="one.words" :values="one.values" :own="one.own" :earned="one.earned" />
      </li>
    </ul>
  </template>
</template>

<style scoped>
.split {
  list-style: none;
  padding: 0;
}
</style>
