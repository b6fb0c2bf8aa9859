<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { messageOf } from '../http/api.ts';
import LoadState from '../shell/LoadState.vue';
import { CYCLE } from './cycle.ts';
import { useExamination } from './examinationStore.ts';
import { prefetchPages } from './prefetchPages.ts';

const props = defineProps<{ examination: string }>();
const store = useExamination();
const route = useRoute();
const router = useRouter();
const error = ref('');

async function load() {
  try {
    await store.open(props.examination);
    error.value = '';
  } catch (thrown) {
    error.value = messageOf(thrown);
  }
}
onMounted(async () => {
  await load();
  prefetchPages(router);
});
// Progress is counted anew at every step along the cycle.
watch(() => route.path, load);

const open = computed(() => store.current?.id === props.examination);
const steps = computed(() =>
  CYCLE.map((step) => {
    const progress = store.current?.progress.find((p) => p.phase === step.phase);
    const share = progress && progress.of > 0 ? progress.done / progress.of : 0;
    return { ...step, progress, share };
  }),
);
</script>

<template>
  <div>
    <nav class="cycle" aria-label="The examination’s cycle">
      <router-link :to="`/examinations/${examination}`" class="title serif">
        {{ open ? store.current?.title : '…' }}
        <small v-if="open" class="soft">
          {{ store.current?.cohort }} · {{ store.current?.heldOn }}
          <template v-if="store.current?.putAway"> · put away</template>
        </small>
      </router-link>
      <router-link
        v-for="step in steps"
        :key="step.phase"
        :to="`/examinations/${examination}/${step.path}`"
        class="step"
        :class="{ here: step.also?.some((path) => route.path.endsWith(`/${path}`)) }"
        active-class="here"
      >
        <span class="name">{{ step.title }}</span>
        <span class="count figures soft">
          <template v-if="step.progress && step.progress.of > 0">
            {{ step.progress.done }} of {{ step.progress.of }}
          </template>
          <template v-else>not begun</template>
        </span>
        <span class="line" aria-hidden="true"
          ><i :style="{ width: `${100 * step.share}%` }"
        /></span>
      </router-link>
    </nav>
    <div v-if="error" class="page"><LoadState :error="error" :loading="false" @retry="load" /></div>
    <router-view v-else-if="open" :key="route.path" />
  </div>
</template>

<style scoped>
.cycle {
  display: flex;
  align-items: stretch;
  gap: 2px;
  padding: 0 24px;
  border-bottom: 1.5px solid var(--ink);
}
.title {
  flex: 1 1 220px;
  min-width: 180px;
  padding: 8px 12px 8px 0;
  text-decoration: none;
  color: var(--ink);
  line-height: 1.15;
}
.title small {
  display: block;
  font-family: var(--sans);
  font-size: 0.8rem;
}
.step {
  flex: 0 0 auto;
  min-width: 118px;
  padding: 8px 12px 0;
  text-decoration: none;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  border-left: 1px solid var(--rule);
}
.step.here {
  background: var(--sheet);
  box-shadow: inset 0 3px 0 var(--madder);
}
.step.here .name {
  font-weight: 700;
}
.count {
  font-size: 0.8rem;
}
.line {
  margin-top: auto;
  height: 3px;
  background: var(--rule);
}
.line i {
  display: block;
  height: 3px;
  background: var(--petrol);
}
/* Where it is narrow the cycle folds under its title; no step is cut off. */
@media (max-width: 1080px) {
  .cycle {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    gap: 0;
    padding: 0 14px;
  }
  .title {
    grid-column: 1 / -1;
    border-bottom: 1px solid var(--rule);
  }
  .title small {
    display: inline;
    margin-left: 8px;
  }
  .step {
    min-width: 0;
    padding: 6px 8px 0;
  }
}
@media (max-width: 600px) {
  .cycle {
    grid-template-columns: repeat(3, 1fr);
  }
  .step {
    border-bottom: 1px solid var(--rule);
  }
}
</style>
