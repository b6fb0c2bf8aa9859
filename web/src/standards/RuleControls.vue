<script setup lang="ts">
import type { Settings } from '@kritikos/contracts/standards';
import { STATION_METHODS } from '@kritikos/core/standards/stationMethods';
import type { StationMethod } from '@kritikos/core/standards/stationMethods';
import { METHOD_WORDS } from './methodWords.ts';

const settings = defineModel<Settings>({ required: true });
const METHODS = STATION_METHODS.map((value) => ({ value, title: METHOD_WORDS[value].title }));
const uses = (method: StationMethod) =>
  settings.value.method === method || Object.values(settings.value.methods).includes(method);
defineProps<{ stations: number; sem: number | null }>();
</script>

<template>
  <section class="panel rule">
    <h2>Method and rule</h2>
    <v-select
      v-model="settings.method"
      :items="METHODS"
      label="Method of the examination"
      class="mb-2"
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
