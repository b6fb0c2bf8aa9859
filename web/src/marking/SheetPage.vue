<script setup lang="ts">
import { computed, onMounted } from 'vue';
import { useRouter } from 'vue-router';
import { useSession } from '../accounts/session.ts';
import LoadState from '../shell/LoadState.vue';
import SetAside from './SetAside.vue';
import { keeping, lateTaps, ofOthers, stopped, troubles, waiting } from './sending.ts';
import SheetSurface from './SheetSurface.vue';
import { useSheet } from './useSheet.ts';

const props = defineProps<{ sheet: string }>();
const router = useRouter();
const session = useSession();
const own = useSheet(props.sheet, session.account?.id ?? '');
onMounted(own.load);

const trouble = computed(() => troubles.value[props.sheet] ?? '');
const late = computed(() => lateTaps.value[props.sheet] ?? 0);

async function submit() {
  own.happen({ type: 'submit' });
  await own.settled();
  await router.push('/stations');
}
</script>

<template>
  <LoadState v-if="!own.sheet.value" :error="own.error.value" loading @retry="own.load" />
  <SheetSurface
    v-else-if="own.state.value"
    :sheet="own.sheet.value"
    :state="own.state.value"
    :taps="own"
    :waiting="waiting"
    :keeping="keeping"
    :stopped="stopped"
    :of-others="ofOthers"
    :set-aside="own.refused.value.length"
    @submit="submit"
  >
    <template #notices="{ locked }">
      <LoadState :error="own.error.value" :loading="false" @retry="own.load" />
      <div v-if="stopped === 'signed out'" class="notice" role="alert">
        You are not signed in as {{ own.sheet.value.examiner }}. The marks are kept on this device
        and are sent as soon as you are.
        <router-link :to="`/sign-in?then=/sheets/${sheet}`">Sign in</router-link>
      </div>
      <div v-else-if="trouble" class="notice" role="alert">
        {{ trouble }} The marks are kept on this device; they are sent again by themselves.
      </div>
      <p v-if="own.sheet.value.reopened && !locked" class="notice">
        {{ own.sheet.value.reopened.by }} reopened this sheet: {{ own.sheet.value.reopened.reason }}
        Put it right, and submit it again.
      </p>
      <div v-if="late > 0" class="notice" role="alert">
        {{ late === 1 ? 'One mark' : `${late} marks` }} came after this sheet was submitted, perhaps
        on another tablet. {{ late === 1 ? 'It is' : 'They are' }} kept as late, and the lead sees
        {{ late === 1 ? 'it' : 'them' }}; what was submitted stands.
      </div>
      <SetAside
        v-if="own.refused.value.length > 0"
        :taps="own.refused.value"
        :content="own.sheet.value.checklist.content"
        :submitting="locked"
        @again="own.doAgain"
        @drop="own.drop"
      />
    </template>
  </SheetSurface>
</template>

<style scoped>
.notice {
  padding: 4px 14px;
  background: var(--sheet);
  border: 1.5px solid var(--madder);
  color: var(--madder);
}
</style>
