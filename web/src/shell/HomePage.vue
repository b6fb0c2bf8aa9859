<script setup lang="ts">
import { onMounted } from 'vue';
import { useRouter } from 'vue-router';
import { firstPlaceOf } from '../accounts/places.ts';
import { useSession } from '../accounts/session.ts';

const router = useRouter();
const session = useSession();

onMounted(() => {
  return router.replace(session.account ? firstPlaceOf(session.account) : '/sign-in');
});
</script>

<template>
  <div />
</template>
