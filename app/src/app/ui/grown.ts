import { computed, effect, type Signal, signal } from '@angular/core';

/** More than any screen shows at once; the rest of a list follows in slices of it. */
const SLICE = 25;

/**
 * Of a list that may be long, what is drawn of it so far: the first screenful at once, the rest slice by slice, the page
 * answering between. To be called where effects may be made.
 */
export function grown<One>(all: Signal<readonly One[]>): Signal<readonly One[]> {
  const drawn = signal(SLICE);
  const isWhole = computed(() => drawn() >= all().length);
  effect((onCleanup) => {
    if (isWhole()) return;
    drawn();
    const next = setTimeout(() => drawn.update((count) => count + SLICE));
    onCleanup(() => clearTimeout(next));
  });
  return computed(() => (isWhole() ? all() : all().slice(0, drawn())));
}
