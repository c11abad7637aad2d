import { Injectable, inject } from '@angular/core';
import { staysAgain, type WalkLog } from '@roam-dial/core/log';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom } from 'rxjs';
import { createId } from '../../storage/defaults';
import type { Workspace } from '../../storage/workspace';
import { type DaysByStop, DaysStore } from '../light/days.store';
import { addLog, changeLog } from './edits';
import { FocusStore } from '../selection/focus.store';
import { logOfDay } from './log.store';
import { newLog } from './planned-cards';
import { WorkspaceStore } from '../workspace/workspace.store';

/** The log of a walk on its day, begun when the first frame comes; nobody's doing, so that there is nothing to undo. */
@Injectable({ providedIn: 'root' })
export class LogOfWalk {
  private readonly store = inject(WorkspaceStore);
  private readonly days = inject(DaysStore);
  private readonly focus$ = inject(FocusStore).focus$;

  async of(walk: Walk): Promise<WalkLog> {
    const workspace = await this.store.snapshot();
    const known = logOfDay(workspace, walk);
    if (known !== null) return known;
    const log = newLog(createId(), workspace, walk, await this.daysOf(workspace, walk));
    this.store.record(addLog(log));
    return log;
  }

  /** A log that was begun under way takes the stays as they were walked in the end. */
  async goOn(walk: Walk): Promise<void> {
    const workspace = await this.store.snapshot();
    const known = logOfDay(workspace, walk);
    if (known === null) return;
    const { stays } = newLog(known.id, workspace, walk, await this.daysOf(workspace, walk));
    this.store.record(changeLog(known.id, (log) => ({ ...log, stays: staysAgain(log.stays, stays) })));
  }

  /** Of the walk on screen what is known by now; of another one, or on another day, all of it. */
  private async daysOf(workspace: Workspace, walk: Walk): Promise<DaysByStop> {
    const { walk: shown } = await firstValueFrom(this.focus$);
    const isShown = shown?.id === walk.id && shown.day === walk.day;
    return isShown ? firstValueFrom(this.days.days$) : this.days.of(workspace, walk);
  }
}
