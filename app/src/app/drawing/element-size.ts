import { DestroyRef, ElementRef, inject, type Signal, signal } from '@angular/core';

/** Width of the component's own element, kept up to date; charts are drawn to it. */
export function elementWidth(initial: number): Signal<number> {
  const element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  const width = signal(initial);
  if (typeof ResizeObserver === 'undefined') return width;
  const observer = new ResizeObserver(([entry]) => width.set(Math.max(200, Math.floor(entry?.contentRect.width ?? initial))));
  observer.observe(element);
  inject(DestroyRef).onDestroy(() => observer.disconnect());
  return width;
}
