<script setup lang="ts">
defineProps<{ error: string; loading: boolean }>();
defineEmits<{ retry: [] }>();
</script>

<template>
  <v-alert v-if="error" type="error" class="my-4" role="alert">
    {{ error }}
    <template #append>
      <v-btn size="small" @click="$emit('retry')">Try again</v-btn>
    </template>
  </v-alert>
  <v-progress-linear v-else-if="loading" indeterminate aria-label="Loading" />
</template>
