<script setup lang="ts">
import type { StandardsPage } from '@kritikos/contracts/standards';
import { counted } from '../shell/counted.ts';
import { METHOD_WORDS } from './methodWords.ts';

/** By what the cuts were set; until there was another it was borderline regression. */
function methodOf(decision: StandardsPage['decisions'][number]): string {
  if (decision.schema === 1 || decision.schema === 2 || decision.schema === 3)
    return METHOD_WORDS['borderline-regression'].title;
  const others = decision.cuts.filter((cut) => cut.method !== decision.method).length;
  const { title } = METHOD_WORDS[decision.method];
  return others === 0 ? title : `${title}; ${counted(others, 'station', 'stations')} otherwise`;
}

defineProps<{ examination: string; decisions: StandardsPage['decisions'] }>();
const when = (instant: string) => `${instant.slice(0, 10)} ${instant.slice(11, 16)} UTC`;
</script>

<template>
  <section class="panel">
    <h2>Signed decisions</h2>
    <p v-if="decisions.length === 0" class="soft">None yet.</p>
    <article v-for="(d, i) in decisions" :key="d.id" :class="{ past: i > 0 }">
      <b>No. {{ d.number }}{{ i === 0 ? ', in force' : ', superseded' }}</b>
      <div class="figures">
        {{ (d.total / Math.max(1, d.cuts.length)).toFixed(1) }} % · {{ d.passed }} pass ·
        {{ d.failed }} fail · {{ d.incomplete }} incomplete
      </div>
      <div>{{ methodOf(d) }}</div>
      <div class="serif">“{{ d.reason }}”</div>
      <router-link
        v-if="d.schema === 1"
        :to="`/examinations/${examination}/standards/rereading/${d.id}`"
      >
        Signed under the earlier rule of critical items: whom the present one would change
      </router-link>
      <div class="soft figures">{{ d.signedBy }}, {{ when(d.signedAt) }}</div>
    </article>
  </section>
</template>

<style scoped>
article {
  border-top: 1px solid var(--rule);
  padding: 6px 0;
  font-size: 0.92rem;
}
.past {
  color: var(--soft);
}
</style>
