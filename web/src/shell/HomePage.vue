<script setup lang="ts">
import { onMounted } from 'vue';
import { useRouter } from 'vue-router';
import { useSession } from '../accounts/session.ts';

const router = useRouter();
const session = useSession();

onMounted(() => {
  const place = { lead: '/examinations', examiner: '/stations' };
  return router.replace(session.account ? place[session.account.role] : '/sign-in');
});
</script>

<template>
  <div />
</template>
