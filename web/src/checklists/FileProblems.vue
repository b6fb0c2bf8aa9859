<script setup lang="ts">
import type { FileProblem } from './useChecklistFile.ts';

/** Why a file was refused; nothing of it was taken. */
defineProps<{ problems: readonly FileProblem[] }>();
const SHOWN = 8;
</script>

<template>
  <v-alert v-if="problems.length > 0" type="error" role="alert">
    <p>Nothing was taken. Put right in the file:</p>
    <ul>
      <li v-for="{ path, reason } in problems.slice(0, SHOWN)" :key="path + reason">
        <code v-if="path">{{ path }}</code> {{ reason }}
      </li>
    </ul>
    <p v-if="problems.length > SHOWN">and {{ problems.length - SHOWN }} more.</p>
  </v-alert>
</template>
