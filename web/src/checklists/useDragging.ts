import Sortable from 'sortablejs';
import type { SortableEvent } from 'sortablejs';
import { onScopeDispose, watch } from 'vue';
import type { Ref } from 'vue';

/** Where something was let go: in which list, before which other thing; `null` is at its end. */
export interface Dropped {
  readonly key: string;
  readonly list: string;
  readonly before: string | null;
}

/**
 * Lets the children of lists be dragged within and between them, by mouse, pen and finger. A list
 * and its children say what they are in `data-list` and `data-key`. The page itself moves nothing:
 * it is told where something was let go, and shows what comes of it.
 */
export function useDragging(
  lists: Readonly<Ref<readonly HTMLElement[]>>,
  group: string,
  dropped: (where: Dropped) => void,
): void {
  let made: Sortable[] = [];
  let known: readonly HTMLElement[] = [];
  const end = () => {
    for (const sortable of made) sortable.destroy();
    made = [];
  };
  watch(
    lists,
    (elements) => {
      // Told at every rendering; the lists themselves are mostly the same.
      if (elements.length === known.length && elements.every((one, i) => one === known[i])) return;
      end();
      known = [...elements];
      made = elements.map((element) =>
        Sortable.create(element, {
          group,
          handle: '.handle',
          draggable: '[data-key]',
          ghostClass: 'dragged',
          forceFallback: true,
          onEnd: (event) => letGo(event, dropped),
        }),
      );
    },
    { immediate: true, flush: 'post' },
  );
  onScopeDispose(end);
}

function letGo(event: SortableEvent, dropped: (where: Dropped) => void): void {
  const { item, from, to, oldIndex } = event;
  const next = item.nextElementSibling as HTMLElement | null;
  const where: Dropped = {
    key: item.dataset.key ?? '',
    list: to.dataset.list ?? '',
    before: next?.dataset.key ?? null,
  };
  // Back to where the page put it: the page moves it itself, from what it knows.
  item.remove();
  const stood = [...from.querySelectorAll<HTMLElement>(':scope > [data-key]')];
  from.insertBefore(item, stood[oldIndex ?? 0] ?? null);
  dropped(where);
}
