<script setup lang="ts">
import type { BootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import type { StationStandard } from '@kritikos/core/standards/setStandard';
import { computed, ref, watch } from 'vue';
import StationScatter from './StationScatter.vue';
import type { StationOfPage } from './useStandard.ts';

const props = defineProps<{
  station: StationOfPage;
  numbers: ReadonlyMap<string, number>;
  result: StationStandard | undefined;
  bootstrap: BootstrapCut | undefined;
  borderline: number;
}>();
const emit = defineEmits<{ handCut: [cut: number | null] }>();

const typed = ref('');
watch(
  () => props.result,
  (now) => {
    if (now?.byHand) typed.value = String(now.cut);
  },
);
function take() {
  const value = Number(typed.value.replace(',', '.'));
  const fits = typed.value.trim() !== '' && Number.isFinite(value) && value >= 0 && value <= 100;
  emit('handCut', fits ? value : null);
}
const one = (x: number | null | undefined) => (x === null || x === undefined ? '–' : x.toFixed(1));
const label = computed(
  () =>
    `Station ${props.station.position}: checklist scores against overall grades, cut ${one(props.result?.cut)}`,
);
</script>

<template>
  <section class="panel" :data-station="station.position">
    <h2>{{ station.position }} · {{ station.title }}</h2>
    <template v-if="result">
      <StationScatter
        :records="station.records"
        :numbers="numbers"
        :result="result"
        :interval="result.regression.cut"
        :borderline="borderline"
        :label="label"
      />
      <dl class="figures">
        <div>
          <dt>Cut</dt>
          <dd>{{ one(result.cut) }} %{{ result.byHand ? ' by hand' : '' }}</dd>
        </div>
        <div>
          <dt>R²</dt>
          <dd>{{ result.regression.line?.rSquared?.toFixed(2) ?? '–' }}</dd>
        </div>
        <div>
          <dt>SE</dt>
          <dd>{{ one(result.regression.cut.standardError) }}</dd>
        </div>
        <div>
          <dt>SE, bootstrap</dt>
          <dd>{{ one(bootstrap?.standardError) }}</dd>
        </div>
        <div>
          <dt>Pass</dt>
          <dd>
            {{ result.passed }} of {{ result.scored
            }}{{ result.undecided ? `, ${result.undecided} undecided` : '' }}
          </dd>
        </div>
        <div>
          <dt><label :for="`hand-${station.station}`">By hand</label></dt>
          <dd>
            <input
              :id="`hand-${station.station}`"
              v-model="typed"
              inputmode="decimal"
              size="4"
              placeholder="–"
              @change="take"
            />
          </dd>
        </div>
      </dl>
      <ul v-if="result.regression.cut.notes.length > 0" class="caution">
        <li v-for="note in result.regression.cut.notes" :key="note">{{ note }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.panel {
  padding: 10px 12px;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 6px 0 0;
}
dt {
  font-size: 0.78rem;
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
}
input {
  width: 52px;
  min-height: 26px;
  border: 1px solid rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 2px;
  background: var(--paper);
  color: var(--ink);
  padding: 0 4px;
  font: inherit;
}
ul.caution {
  margin: 6px 0 0;
  padding-left: 1.6em;
  font-size: 0.85rem;
}
</style>
