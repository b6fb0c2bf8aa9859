<script setup lang="ts">
import { mdiContentCopy } from '@mdi/js';
import type { SeatLink } from '@kritikos/contracts/panels';
import { ref, shallowRef, watch } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ModalDialog from '../shell/ModalDialog.vue';

/** A seat for a judge, or another link to one. The link is shown here once. */
const props = defineProps<{ panel: string; seat: { id: string; name: string } | null }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ seated: [] }>();
const name = ref('');
const email = ref('');
const given = shallowRef<SeatLink | null>(null);
const copied = ref(false);
const { fields, problem, submit } = useSubmit(async () => {
  given.value = props.seat
    ? await call('POST /seats/:seat/links', { params: { seat: props.seat.id } })
    : await call('POST /panels/:panel/seats', {
        params: { panel: props.panel },
        body: { name: name.value, email: email.value.trim() || null },
      });
  emit('seated');
});
watch(open, (now) => {
  if (!now) return;
  given.value = null;
  copied.value = false;
  name.value = email.value = problem.value = '';
});
async function copy() {
  await navigator.clipboard.writeText(given.value?.link ?? '');
  copied.value = true;
}
const image = (svg: string) => `data:image/svg+xml;base64,${btoa(svg)}`;
</script>

<template>
  <ModalDialog v-model="open" max-width="520">
    <v-card :title="seat ? `Another link for ${seat.name}` : 'Give a seat'">
      <v-card-text v-if="given" class="link">
        <img :src="image(given.code)" alt="The link as a code for a phone" />
        <div>
          <p>
            <b>{{ seat?.name ?? name }}</b> sits by this link, on any device.
            {{ given.sent ? 'It was sent as a letter too.' : '' }} It is shown here once.
          </p>
          <v-textarea
            :model-value="given.link"
            readonly
            rows="3"
            label="Link"
            class="address"
            @focus="($event.target as HTMLTextAreaElement).select()"
          />
          <v-btn size="small" class="mt-2" :prepend-icon="mdiContentCopy" @click="copy">
            {{ copied ? 'Copied' : 'Copy' }}
          </v-btn>
        </div>
      </v-card-text>
      <v-card-text v-else class="d-grid ga-3">
        <p v-if="seat">The link that {{ seat.name }} has holds no longer once there is another.</p>
        <template v-else>
          <v-text-field v-model="name" label="Name" :error-messages="fields.name ?? []" />
          <v-text-field
            v-model="email"
            label="E-mail address, to send the link to"
            hint="Without one you hand the link over yourself"
            persistent-hint
            :hide-details="false"
            :error-messages="fields.email ?? []"
          />
        </template>
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">{{ given ? 'Done' : 'Cancel' }}</v-btn>
        <v-btn v-if="!given" color="primary" variant="flat" @click="submit">
          {{ seat ? 'Make another' : 'Give the seat' }}
        </v-btn>
      </v-card-actions>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
.link {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 16px;
}
img {
  width: 150px;
  /* A code is read dark on light in either theme. */
  background: #fff;
}
.address :deep(textarea) {
  font-size: 0.82rem;
  overflow-wrap: anywhere;
}
@media (max-width: 560px) {
  .link {
    grid-template-columns: 1fr;
  }
}
</style>
