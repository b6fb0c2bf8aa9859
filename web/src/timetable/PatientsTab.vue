<script setup lang="ts">
import type { PatientResource, Resources } from '@kritikos/contracts/timetable';
import { computed, ref } from 'vue';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import { counted } from '../shell/counted.ts';
import RowMenu from '../shell/RowMenu.vue';
import WideTable from '../shell/WideTable.vue';
import NumberField from '../checklists/NumberField.vue';
import PresenceField from './PresenceField.vue';

/** Who plays patients: what they must not undergo, and how often the same joint bears it. */
const props = defineProps<{
  resources: Resources;
  heldOn: string;
  zone: string;
  disabled: boolean;
}>();
const emit = defineEmits<{
  keep: [who: PatientResource, now: Partial<PatientResource> & { retired?: boolean }];
  add: [name: string];
}>();
const { known, nameOf } = useKnownProcedures();
/** Those of this examination first; somebody may be barred from others too, for the next one. */
const procedures = computed(() => {
  const here = new Set(props.resources.procedures);
  const others = known.value.all.map(({ id }) => id).filter((id) => !here.has(id));
  return [...here, ...others].map((value) => ({ value, title: nameOf(value) }));
});

const change = (who: PatientResource, now: Partial<PatientResource>) => emit('keep', who, now);
const remove = (who: PatientResource) => emit('keep', who, { retired: true });
const name = ref('');
function add() {
  emit('add', name.value.trim());
  name.value = '';
}
</script>

<template>
  <p v-if="resources.patients.length === 0" class="soft">
    Nobody is named. A timetable then leaves it open who lies on which couch. Name whoever plays, or
    bring a file, and the plan says who is where, and when they rest.
  </p>
  <WideTable v-else label="Simulated patients">
    <table class="ledger">
      <thead>
        <tr>
          <th>Simulated patient</th>
          <th>Takes part</th>
          <th>Must not undergo</th>
          <th>Same joint in a row, at most (empty: nothing agreed)</th>
          <th>There</th>
          <th>May play at</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="who in resources.patients" :key="who.id">
          <td>{{ who.name }}</td>
          <td>
            <v-switch
              :model-value="who.takesPart"
              :aria-label="`${who.name} takes part`"
              :disabled="disabled"
              @update:model-value="change(who, { takesPart: $event === true })"
            />
          </td>
          <td class="barred">
            <v-autocomplete
              :model-value="who.barred"
              :items="procedures"
              label="procedures"
              multiple
              chips
              closable-chips
              hide-selected
              :disabled="disabled"
              @update:model-value="change(who, { barred: $event })"
            />
          </td>
          <td class="few">
            <NumberField
              :model-value="who.mostInARow"
              label="times"
              :disabled="disabled"
              @update:model-value="change(who, { mostInARow: $event })"
            />
          </td>
          <td>
            <PresenceField
              :takes-part="who.takesPart"
              :model-value="who.present"
              :who="who.name"
              :held-on="heldOn"
              :zone="zone"
              :disabled="disabled"
              @update:model-value="change(who, { present: $event })"
            />
          </td>
          <td>
            <span v-if="who.stations.length > 0" :title="who.stations.join(', ')">{{
              counted(who.stations.length, 'station')
            }}</span>
            <b v-else class="none">no station: leave them out</b>
          </td>
          <td>
            <RowMenu :label="`What can be done with ${who.name}`" :disabled="disabled">
              <v-list-item title="Take out" @click="remove(who)" />
            </RowMenu>
          </td>
        </tr>
      </tbody>
    </table>
  </WideTable>
  <form class="new" @submit.prevent="add">
    <v-text-field v-model="name" label="Somebody new" :disabled="disabled" />
    <v-btn type="submit" :disabled="disabled || name.trim() === ''">Add</v-btn>
  </form>
</template>

<style scoped>
/* As on the examiners' tab: the labels of the fields stand clear of the line between two rows. */
.ledger .barred,
.ledger .few {
  padding-top: 10px;
}
.barred {
  min-width: 200px;
}
.few {
  min-width: 130px;
}
.none {
  color: var(--madder);
}
.new {
  display: grid;
  grid-template-columns: minmax(160px, 300px) auto;
  gap: 10px;
  justify-content: start;
  align-items: center;
  margin: 12px 0;
}
</style>
