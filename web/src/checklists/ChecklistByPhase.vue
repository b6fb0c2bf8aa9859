<script setup lang="ts">
import { byPhase } from '@kritikos/core/marking/phases';
import { computed } from 'vue';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import { KIND_WORDS } from './words.ts';

/** The items of one version of a checklist, to be read, phase by phase. */
const props = defineProps<{ version: string }>();
const { data, error, reload } = useReading('GET /checklist-versions/:version', () => ({
  params: { version: props.version },
}));
const phases = computed(() => byPhase(data.value?.content.items ?? []));
</script>

<template>
  <div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <section v-for="phase in phases" :key="phase.title" class="panel">
      <h2>{{ phase.title }}</h2>
      <ul>
        <li v-for="item in phase.items" :key="item.key">
          <span>
            {{ item.text }}
            <b v-if="item.criticality !== 'none'" class="critical">critical</b>
          </span>
          <span class="soft figures">{{ KIND_WORDS[item.kind] }}, weight {{ item.weight }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.panel {
  margin-top: 10px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  justify-content: space-between;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
li > :first-child {
  flex: 1 1 300px;
}
.critical {
  color: var(--madder);
  font-size: 0.86rem;
}
</style>
