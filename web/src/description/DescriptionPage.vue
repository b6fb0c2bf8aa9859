<script setup lang="ts">
import type { Answer } from '@kritikos/contracts/api';
import { nextTick, ref, useTemplateRef, watch } from 'vue';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';

/** What programs can ask of this installation, in a common viewer that is loaded for this page only. */
const { data, error, reload } = useReading('GET /openapi.json');
const place = useTemplateRef('place');
const problem = ref('');

async function show(spec: Answer<'GET /openapi.json'>) {
  try {
    const [{ default: viewer }] = await Promise.all([
      import('swagger-ui-dist/swagger-ui-es-bundle.js'),
      import('swagger-ui-dist/swagger-ui.css'),
    ]);
    await nextTick();
    viewer({
      spec,
      domNode: place.value,
      // It is read here; what changes something is done on the pages, which know what follows.
      supportedSubmitMethods: [],
      validatorUrl: null,
      docExpansion: 'list',
      defaultModelsExpandDepth: -1,
    });
  } catch {
    problem.value = 'The viewer could not be loaded. Check the network and open the page again.';
  }
}
watch(data, (spec) => spec && void show(spec));
</script>

<template>
  <div class="page">
    <h1>For programs</h1>
    <p class="soft">
      What a program can ask of this installation. The same as a file:
      <a href="/api/openapi.json" download="kritikos-openapi.json">OpenAPI 3.1</a>.
    </p>
    <LoadState :error="error || problem" :loading="!data" @retry="reload" />
    <div ref="place" class="viewer" />
  </div>
</template>

<style scoped>
.viewer {
  background: #fdfbf6;
  color-scheme: light;
  border-radius: 3px;
}
/* The viewer's own colours carry white words too faintly. */
.viewer :deep(.swagger-ui .opblock .opblock-summary-method) {
  color: #1b1a17;
  text-shadow: none;
}
.viewer :deep(.information-container),
.viewer :deep(.scheme-container) {
  display: none;
}
</style>
