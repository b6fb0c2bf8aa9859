import { computed, shallowRef } from 'vue';

/** One thing that was done on the sheet: what it was, and how it is taken back. */
export interface Act {
  readonly what: string;
  readonly takeBack: () => void;
  /** Acts that follow each other under one such name are one: a comment is, however often it was kept. */
  readonly oneWith?: string;
}

const MOST = 50;

/**
 * What was done on a sheet since it was opened, so that Undo takes back whatever was done last and can
 * say beforehand what that is.
 */
export function useUndo() {
  const acts = shallowRef<readonly Act[]>([]);
  const takenBack = shallowRef({ what: '', time: 0 });

  function remember(act: Act): void {
    const last = acts.value.at(-1);
    const goesOn = act.oneWith !== undefined && act.oneWith === last?.oneWith;
    const whole = goesOn ? { ...act, takeBack: last.takeBack } : act;
    acts.value = [...(goesOn ? acts.value.slice(0, -1) : acts.value), whole].slice(-MOST);
  }

  function undo(): void {
    const last = acts.value.at(-1);
    if (!last) return;
    acts.value = acts.value.slice(0, -1);
    last.takeBack();
    takenBack.value = { what: last.what, time: takenBack.value.time + 1 };
  }

  return {
    remember,
    undo,
    /** What Undo would take back; '' where there is nothing. */
    undoes: computed(() => acts.value.at(-1)?.what ?? ''),
    /** What it took back last, and the how-manieth that was. */
    takenBack,
  };
}
