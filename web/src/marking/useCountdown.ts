import type { SheetState } from '@kritikos/contracts/marking';
import { minutesAndSeconds, secondsLeft } from '@kritikos/core/marking/stationClock';
import { useNow } from '@vueuse/core';
import { computed } from 'vue';
import type { Ref } from 'vue';
import { clockAhead } from '../http/serverClock.ts';

/**
 * Seconds left at this station, counted from the clock events of the sheet; negative in overtime.
 * A submission ends the count.
 */
export function useCountdown(
  state: Ref<SheetState | null>,
  minutes: Ref<number>,
  warning: Ref<number>,
) {
  const now = useNow({ interval: 500 });
  const remaining = computed(() => {
    const submitted = state.value?.submittedAt;
    const until = submitted ? Date.parse(submitted) : now.value.getTime() - clockAhead.value;
    return secondsLeft(state.value?.clock ?? null, minutes.value, until);
  });
  const running = computed(
    () => (state.value?.clock?.running ?? false) && !state.value?.submittedAt,
  );
  const shown = computed(() => minutesAndSeconds(remaining.value));
  /** True from so many seconds before the end until the end. */
  const ending = computed(
    () => running.value && remaining.value >= 0 && remaining.value <= warning.value,
  );
  return { remaining, running, shown, ending };
}
