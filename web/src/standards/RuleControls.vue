<script setup lang="ts">
import type { Settings } from '@kritikos/contracts/standards';
import { STATION_METHODS } from '@kritikos/core/standards/stationMethods';
import type { StationMethod } from '@kritikos/core/standards/stationMethods';
import { RULE_PARTS } from '@kritikos/core/standards/partPercents';
import type { RulePart } from '@kritikos/core/standards/partPercents';
import { computed } from 'vue';
import { METHOD_WORDS } from './methodWords.ts';
import { PART_WORDS } from './partWords.ts';

const settings = defineModel<Settings>({ required: true });
const METHODS = STATION_METHODS.map((value) => ({ value, title: METHOD_WORDS[value].title }));
const uses = (method: StationMethod) =>
  settings.value.method === method || Object.values(settings.value.methods).includes(method);
defineProps<{ stations: number; sem: number | null; partsKnown: boolean }>();

const USUAL_PERCENT = 60;
/** The parts that are asked for, in their order; asking for one more begins with the usual. */
const asked = computed<RulePart[]>({
  get: () => RULE_PARTS.filter((part) => settings.value.rule.parts[part] !== undefined),
  set: (parts) => {
    const { rule } = settings.value;
    rule.parts = Object.fromEntries(parts.map((part) => [part, rule.parts[part] ?? USUAL_PERCENT]));
  },
});
const PARTS = RULE_PARTS.map((value) => ({ value, title: PART_WORDS[value] }));
</script>

<template>
  <section class="panel rule">
    <h2>Method and rule</h2>
    <v-select
      v-model="settings.method"
      :items="METHODS"
      label="Method of the examination"
      class="mt-2 mb-2"
    />
    <label v-if="uses('fixed-percent')">
      <span>Fixed percentage</span><b class="figures">{{ settings.fixedPercent }} %</b>
      <v-slider
        v-model="settings.fixedPercent"
        :min="30"
        :max="90"
        :step="1"
        aria-label="Fixed percentage"
      />
    </label>
    <label v-if="uses('mean-minus-sd')">
      <span>Standard deviations below the mean</span
      ><b class="figures">{{ settings.sds.toFixed(1) }}</b>
      <v-slider
        v-model="settings.sds"
        :min="0"
        :max="3"
        :step="0.1"
        aria-label="Standard deviations below the mean"
      />
    </label>
    <label>
      <span>Borderline point of the scale</span
      ><b class="figures">{{ settings.borderline.toFixed(2) }}</b>
      <v-slider
        v-model="settings.borderline"
        :min="1.5"
        :max="4"
        :step="0.05"
        aria-label="Borderline point of the scale"
      />
    </label>
    <label>
      <span
        >Standard errors of measurement added<small v-if="sem !== null" class="soft figures">
          one is {{ (sem / Math.max(1, stations)).toFixed(1) }} % of the mean</small
        ></span
      ><b class="figures">{{ settings.rule.semMultiplier.toFixed(1) }}</b>
      <v-slider
        v-model="settings.rule.semMultiplier"
        :min="0"
        :max="2"
        :step="0.1"
        aria-label="Standard errors of measurement added"
      />
    </label>
    <label>
      <span>Stations that must be passed</span
      ><b class="figures">{{ settings.rule.fewestStationsPassed }}</b>
      <v-slider
        v-model="settings.rule.fewestStationsPassed"
        :min="0"
        :max="stations"
        :step="1"
        aria-label="Stations that must be passed"
      />
    </label>
    <fieldset>
      <legend>A critical item counts as missed when</legend>
      <v-btn-toggle v-model="settings.rule.criticalBy" mandatory density="compact" divided>
        <v-btn value="all">every observer says so</v-btn>
        <v-btn value="majority">more than half do</v-btn>
      </v-btn-toggle>
      <p class="soft">
        It fails its station whatever the score. Where nobody observed it, the station is undecided.
      </p>
    </fieldset>
    <v-switch
      v-model="settings.rule.criticalFailureFails"
      label="A missed critical item fails the examination"
    />
    <v-switch
      v-model="settings.rule.safetyEventFails"
      label="A safety event laid to the candidate fails the examination"
    />
    <v-select
      v-model="asked"
      :items="PARTS"
      :loading="!partsKnown"
      :disabled="!partsKnown"
      label="Domains that must be passed"
      class="mt-3"
      multiple
      chips
    />
    <label v-for="part in asked" :key="part">
      <span>{{ PART_WORDS[part] }}, over all stations</span
      ><b class="figures">{{ settings.rule.parts[part] }} %</b>
      <v-slider
        :model-value="settings.rule.parts[part] ?? 0"
        :min="0"
        :max="100"
        :step="1"
        :aria-label="`${PART_WORDS[part]} that must be reached`"
        @update:model-value="settings.rule.parts[part] = $event"
      />
    </label>
  </section>
</template>

<style scoped>
/* Two answers share the line; what is longer than its half wraps. */
.v-btn-toggle {
  width: 100%;
}
.v-btn-toggle .v-btn {
  flex: 1 1 0;
  min-width: 0;
  padding: 0 4px;
  font-size: 0.84rem;
}
.v-btn-toggle :deep(.v-btn__content) {
  white-space: normal;
}
.rule {
  display: grid;
  gap: 4px;
}
label {
  display: grid;
  grid-template-columns: 1fr auto;
  font-size: 0.92rem;
}
label .v-slider {
  grid-column: 1 / -1;
}
fieldset {
  border: 0;
  padding: 0;
  font-size: 0.92rem;
}
fieldset p {
  margin: 4px 0 0;
  font-size: 0.85rem;
}
small {
  display: block;
}
</style>
