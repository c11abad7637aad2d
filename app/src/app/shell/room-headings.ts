import { Injectable, inject } from '@angular/core';
import { NavigationEnd, Router } from '@angular/router';
import { distinctUntilKeyChanged, filter, map, type Subscription } from 'rxjs';
import { focusSoon, isFocusLost } from '../ui/focus-soon';

/** The page's own first address; there the keyboard begins at its top. */
const FIRST_ID = 1;

/** Into another room the keyboard goes to its heading, where it has not been put elsewhere. */
@Injectable({ providedIn: 'root' })
export class RoomHeadings {
  private readonly router = inject(Router);

  begin(): Subscription {
    return this.router.events
      .pipe(
        filter((event) => event instanceof NavigationEnd),
        map(({ id, urlAfterRedirects }) => ({ id, room: urlAfterRedirects.split(/[/?#]/)[1] ?? '' })),
        distinctUntilKeyChanged('room'),
        filter(({ id }) => id !== FIRST_ID && isFocusLost()),
      )
      .subscribe(() => focusSoon(() => document.querySelector('#work h1')));
  }
}
