import { BreakpointObserver } from '@angular/cdk/layout';
import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/** Whether the hand's layout is shown, as the window is resized; the same figure stands in the style sheets. */
export function phoneLayout(): Signal<boolean> {
  const matches$ = inject(BreakpointObserver)
    .observe('(max-width: 719px)')
    .pipe(map(({ matches }) => matches));
  return toSignal(matches$, { initialValue: false });
}
