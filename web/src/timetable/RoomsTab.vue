<script setup lang="ts">
import type { PlaceResource, Resources } from '@kritikos/contracts/timetable';
import { computed, ref } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { counted } from '../shell/counted.ts';
import RowMenu from '../shell/RowMenu.vue';
import WideTable from '../shell/WideTable.vue';

type Room = { id: string | null; name: string; couches: number };
/** Rooms with their couches, and which station of which circuit stands at each. */
const props = defineProps<{ resources: Resources; disabled: boolean }>();
type Place = Pick<PlaceResource, 'stationId' | 'circuit'>;
const emit = defineEmits<{
  room: [Room];
  remove: [id: string];
  place: [PlaceResource];
  clear: [Place];
  all: [];
}>();
const store = useExamination();
const stations = computed(() => store.current?.stationList ?? []);
const circuits = computed(() => Array.from({ length: props.resources.circuits }, (_, i) => i + 1));
const couches = computed(() =>
  props.resources.rooms.flatMap((room) =>
    Array.from({ length: room.couches }, (_, i) => ({
      value: `${room.id} ${i + 1}`,
      title: room.couches > 1 ? `${room.name}, couch ${i + 1}` : room.name,
    })),
  ),
);
const placeOf = (stationId: string, circuit: number) => {
  const place = props.resources.places.find(
    (one) => one.stationId === stationId && one.circuit === circuit,
  );
  return place ? `${place.roomId} ${place.couch}` : null;
};
const needed = computed(() => stations.value.length * circuits.value.length);
function put(stationId: string, circuit: number, where: string | null) {
  if (where === null) return emit('clear', { stationId, circuit });
  const [roomId = '', couch = '1'] = where.split(' ');
  emit('place', { stationId, circuit, roomId, couch: Number(couch) });
}
const fresh = ref({ name: '', couches: '1' });
function add() {
  const couches = Number(fresh.value.couches) || 1;
  emit('room', { id: null, name: fresh.value.name.trim(), couches });
  fresh.value = { name: '', couches: '1' };
}
</script>

<template>
  <p class="soft">
    {{ counted(couches.length, 'couch', 'couches') }} in
    {{ counted(resources.rooms.length, 'room') }}; {{ needed }} stations stand side by side ({{
      stations.length
    }}
    in each of {{ circuits.length }}).
    <template v-if="resources.rooms.length === 0"
      >Without rooms a timetable does not ask for them.</template
    >
  </p>
  <ul v-if="resources.rooms.length > 0" class="rooms">
    <li v-for="room in resources.rooms" :key="room.id">
      {{ room.name }} <span class="soft">{{ counted(room.couches, 'couch', 'couches') }}</span>
      <RowMenu :label="`What can be done with ${room.name}`" :disabled="disabled">
        <v-list-item title="Take out" @click="emit('remove', room.id)" />
      </RowMenu>
    </li>
  </ul>
  <form class="new" @submit.prevent="add">
    <v-text-field v-model="fresh.name" label="Another room" :disabled="disabled" />
    <v-text-field
      v-model="fresh.couches"
      label="Couches"
      inputmode="numeric"
      :disabled="disabled"
    />
    <v-btn type="submit" :disabled="disabled || fresh.name.trim() === ''">Add</v-btn>
  </form>
  <template v-if="resources.rooms.length > 0 && stations.length > 0">
    <div class="head">
      <h3>Where stations stand</h3>
      <v-btn size="small" :disabled="disabled" @click="emit('all')"
        >Give every station a couch</v-btn
      >
    </div>
    <WideTable label="Where stations stand">
      <table class="ledger">
        <thead>
          <tr>
            <th>Station</th>
            <th v-for="circuit in circuits" :key="circuit">Circuit {{ circuit }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="station in stations" :key="station.id">
            <td>{{ station.position }} {{ station.title }}</td>
            <td v-for="circuit in circuits" :key="circuit" class="where">
              <v-select
                :model-value="placeOf(station.id, circuit)"
                :items="couches"
                clearable
                aria-labelledby=""
                :aria-label="`Where ${station.title} of circuit ${circuit} stands`"
                :disabled="disabled"
                @update:model-value="put(station.id, circuit, $event)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
  </template>
</template>

<style scoped>
.rooms {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}
.new {
  display: grid;
  grid-template-columns: minmax(140px, 260px) 100px auto;
  gap: 10px;
  justify-content: start;
  align-items: center;
  margin: 10px 0 14px;
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-bottom: 6px;
}
.where {
  min-width: 200px;
}
</style>
