<script setup lang="ts">
/** What the marks on a strip mean. */
defineProps<{ earned: boolean }>();
</script>

<template>
  <p class="soft legend">
    <span><i class="said"></i> what a judge said</span>
    <span><i class="said own"></i> what you said</span>
    <span v-if="earned"><i class="earned"></i> what earlier candidates earned</span>
    <span>from 0 to 100&nbsp;%</span>
  </p>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: 0.86rem;
  margin: 4px 0;
}
i {
  display: inline-block;
  vertical-align: -1px;
}
.said {
  width: 10px;
  height: 10px;
  border: 2px solid var(--petrol);
}
.own {
  background: var(--petrol);
}
.earned {
  height: 14px;
  border-left: 3px dotted var(--ochre);
}
</style>
