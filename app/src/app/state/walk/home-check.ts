import { Injectable, inject } from '@angular/core';
import { isoCeilingOf } from '@roam-dial/core/kit';
import type { Walk } from '@roam-dial/core/walk';
import { combineLatest, map, type Observable } from 'rxjs';
import { type HomeCheck, homeChecks, homeText } from '../../words/set-up/home-checks';
import { WalkActions } from './walk.actions';
import { FindingsStore, type HomeFinding } from '../card/findings.store';
import { FocusStore } from '../selection/focus.store';
import { shared } from '../../base/shared';
import { WordingStore } from '../workspace/wording.store';
import { WorkspaceStore } from '../workspace/workspace.store';

/** The home state of the walk on screen, and what of it has been gone through. */
export interface HomeToCheck extends HomeFinding {
  readonly set: string;
  readonly checks: readonly (HomeCheck & { readonly isDone: boolean })[];
  readonly isReady: boolean;
}

/** What is gone through before setting off, wherever it is shown. */
@Injectable({ providedIn: 'root' })
export class HomeCheckStore {
  private readonly walkActions = inject(WalkActions);

  /** Null while it is being worked out, or without a camera in the bag. */
  readonly home$: Observable<HomeToCheck | null> = combineLatest([
    inject(FindingsStore).home$,
    inject(FocusStore).focus$,
    inject(WorkspaceStore).workspace$,
    inject(WordingStore).wording$,
  ]).pipe(
    map(([finding, { walk }, { standard }, wording]) => {
      const first = finding?.home.stops[0];
      if (finding === null || first === undefined || walk === null) return null;
      const { home, kit } = finding;
      const done = new Set(walk.homeChecked ?? []);
      const checks = homeChecks(home, kit, isoCeilingOf(kit.body, standard), wording).map((check) => ({
        ...check,
        isDone: done.has(check.id),
      }));
      const set = homeText(home.hand, first.atHome.camera.shutterS, kit, wording);
      return { home, kit, set, checks, isReady: checks.every(({ isDone }) => isDone) };
    }),
    shared(),
  );

  tick(walk: Walk, id: string, isDone: boolean): void {
    const others = (walk.homeChecked ?? []).filter((one) => one !== id);
    this.walkActions.tickHome(walk, isDone ? [...others, id] : others);
  }

  untickAll(walk: Walk): void {
    this.walkActions.tickHome(walk, []);
  }
}
