import { ref } from 'vue';

/** What was just done, where the page on which it was done is left with it; said once on the next. */
export const done = ref('');
