import { Injectable, inject } from '@angular/core';
import { staysAgain, type Walk, type WalkLog } from '@roam-dial/core';
import { firstValueFrom } from 'rxjs';
import { createId } from '../data/defaults';
import { DaysStore } from './days.store';
import { addLog, changeLog } from './edits';
import { logOfDay } from './log.store';
import { newLog } from './planned-cards';
import { WorkspaceStore } from './workspace.store';

/** The log of a walk on its day, begun when the first frame comes; nobody's doing, so that there is nothing to undo. */
@Injectable({ providedIn: 'root' })
export class LogOfWalk {
  private readonly store = inject(WorkspaceStore);
  private readonly days$ = inject(DaysStore).days$;

  async of(walk: Walk): Promise<WalkLog> {
    const workspace = await this.store.snapshot();
    const known = logOfDay(workspace, walk);
    if (known !== null) return known;
    const log = newLog(createId(), workspace, walk, await firstValueFrom(this.days$));
    this.store.record(addLog(log));
    return log;
  }

  /** A log that was begun under way takes the stays as they were walked in the end. */
  async goOn(walk: Walk): Promise<void> {
    const workspace = await this.store.snapshot();
    const known = logOfDay(workspace, walk);
    if (known === null) return;
    const { stays } = newLog(known.id, workspace, walk, await firstValueFrom(this.days$));
    this.store.record(changeLog(known.id, (log) => ({ ...log, stays: staysAgain(log.stays, stays) })));
  }
}
