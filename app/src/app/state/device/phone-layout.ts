import { BreakpointObserver } from '@angular/cdk/layout';
import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/** The width below which the hand's layout is used; styles/_phone.scss has the same figure for the style sheets. */
export const PHONE_BELOW = '(max-width: 719px)';

/** Whether the hand's layout is shown, as the window is resized. */
export function phoneLayout(): Signal<boolean> {
  const matches$ = inject(BreakpointObserver)
    .observe(PHONE_BELOW)
    .pipe(map(({ matches }) => matches));
  return toSignal(matches$, { initialValue: false });
}
