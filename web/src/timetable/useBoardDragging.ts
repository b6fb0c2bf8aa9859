import Sortable from 'sortablejs';
import { onScopeDispose, watch } from 'vue';
import type { Ref } from 'vue';

interface Told {
  /** Over what something is held; `null` for nothing of the board. */
  over: (from: string, to: string | null) => void;
  drop: (from: string, to: string | null) => void;
}

/**
 * Lets the children of boards be dragged onto one another by mouse, pen and finger. Nothing is put
 * anywhere else by it: the page is told what is held over what, and shows what comes of it.
 */
export function useBoardDragging(
  boards: Readonly<Ref<readonly HTMLElement[]>>,
  enabled: Readonly<Ref<boolean>>,
  told: Told,
): void {
  let made: Sortable[] = [];
  const end = () => {
    for (const sortable of made) sortable.destroy();
    made = [];
  };
  const keyAt = (event: Event): string | null => {
    const touch = 'changedTouches' in event ? (event as TouchEvent).changedTouches[0] : undefined;
    const { clientX, clientY } = touch ?? (event as MouseEvent);
    const there = document.elementsFromPoint(clientX, clientY);
    // The picture of what is dragged is under the finger too.
    const place = there.find((one) => !one.closest('.sortable-fallback'))?.closest('[data-place]');
    return place?.getAttribute('data-place') ?? null;
  };
  let moving: ((event: Event) => void) | null = null;
  const listen = (from: string) => {
    moving = (event) => told.over(from, keyAt(event));
    for (const name of ['pointermove', 'touchmove']) document.addEventListener(name, moving);
  };
  const silence = () => {
    if (!moving) return;
    for (const name of ['pointermove', 'touchmove']) document.removeEventListener(name, moving);
    moving = null;
  };
  watch(
    [boards, enabled],
    ([elements, on]) => {
      end();
      if (!on) return;
      made = elements.map((element) =>
        Sortable.create(element, {
          group: { name: 'board', pull: false, put: false },
          sort: false,
          draggable: '[data-held]',
          // A finger that scrolls the board drags nothing.
          delay: 180,
          delayOnTouchOnly: true,
          forceFallback: true,
          fallbackOnBody: true,
          fallbackTolerance: 4,
          ghostClass: 'dragged',
          onStart: ({ item }) => listen(item.dataset.place ?? ''),
          onMove: () => false,
          onEnd: ({ item, ...event }) => {
            silence();
            const { originalEvent } = event as { originalEvent?: Event };
            told.drop(item.dataset.place ?? '', originalEvent ? keyAt(originalEvent) : null);
          },
        }),
      );
    },
    { immediate: true, flush: 'post' },
  );
  onScopeDispose(() => {
    silence();
    end();
  });
}
