import { inject, Injectable, Injector } from '@angular/core';
import { Router } from '@angular/router';
import {
  atSpeed,
  type FieldCheck,
  instantAt,
  type MissReason,
  type Moment,
  momentOf,
  type Outing,
  type OutingClock,
  type OutingEvent,
  type RestFound,
  type Return,
} from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom } from 'rxjs';
import { createId } from '../../storage/defaults';
import type { Workspace } from '../../storage/workspace';
import { missWords } from '../../words/walk/outing';
import { CardStore } from '../card/card.store';
import { DeviceClock } from '../device/device-clock';
import { addHappenings, addReturn, changeOuting, startOuting } from './edits';
import { changeWalk } from '../walk/walk.edits';
import { setAside, takeRest } from '../walk/day-plan.edits';
import { OutingStore, type Running } from './outing.store';
import { nameOf } from '../../words/name';
import { WorkspaceStore } from '../workspace/workspace.store';
import { fetched } from '../../base/fetched';

/** How long before the first stay a simulated walker sets off, minutes. */
const REHEARSAL_LEAD_MIN = 15;
export const REHEARSAL_SPEED = 60;

/** What a person does on the walk. Each is one step of undo, and kept with the minute, the card and the light of the moment. */
@Injectable({ providedIn: 'root' })
export class OutingActions {
  private readonly store = inject(WorkspaceStore);
  private readonly outings = inject(OutingStore);
  private readonly clock = inject(DeviceClock);
  private readonly injector = inject(Injector);
  private readonly card$ = inject(CardStore).card$;
  private readonly router = inject(Router);

  /** Sets off, on this day by the device's own clock. */
  async go(walk: Walk): Promise<void> {
    this.start(walk, { kind: 'own' }, `set off on ${walk.name}`);
    await this.showNow();
  }

  /** The walk goes to another day, and is set off on. */
  async goToday(walk: Walk, day: string): Promise<void> {
    const moved = changeWalk(walk.id, (one) => ({ ...one, day }));
    this.start(walk, { kind: 'own' }, `set off on ${walk.name} today`, moved);
    await this.showNow();
  }

  /** A simulated walker walks it, from shortly before its first stay. */
  async rehearse(walk: Walk, firstMin: number): Promise<void> {
    const deviceMs = this.clock.nowMs();
    const shown = instantAt(walk, Math.max(0, firstMin - REHEARSAL_LEAD_MIN));
    this.start(walk, { kind: 'simulated', shownMs: shown, deviceMs, speed: REHEARSAL_SPEED }, `rehearse ${walk.name}`);
    await this.showNow();
  }

  async end(): Promise<void> {
    const running = await this.running();
    if (running === null) return;
    const { outing, walk } = running;
    const { nowMs } = this.outings.at(running);
    this.store.edit(
      { label: `end ${walk.name}` },
      changeOuting(outing.id, (one) => ({ ...one, endedMs: nowMs })),
    );
    this.store.announce(`${walk.name} is over`);
    // Only a walk that has frames already needs it: a chunk of its own.
    const { LogOfWalk } = await fetched('The log', () => import('../log/log-of-walk'));
    await this.injector.get(LogOfWalk).goOn(walk);
  }

  async arrive(stop: Stop): Promise<void> {
    await this.happen(stop, { kind: 'arrived' }, `be at ${nameOf(stop)}`);
  }

  async leave(stop: Stop): Promise<void> {
    await this.happen(stop, { kind: 'wentOn' }, `go on from ${nameOf(stop)}`);
  }

  async got(stop: Stop): Promise<void> {
    await this.happen(stop, { kind: 'got' }, `got ${nameOf(stop)}`);
  }

  async missed(stop: Stop, why: MissReason): Promise<void> {
    await this.happen(stop, { kind: 'missed', why }, `missed ${nameOf(stop)}, ${missWords(why)}`);
  }

  async note(stop: Stop, text: string): Promise<void> {
    await this.happen(stop, { kind: 'note', text }, `a note at ${nameOf(stop)}`);
  }

  async check(stop: Stop, check: FieldCheck, isFine: boolean): Promise<void> {
    await this.happen(stop, { kind: 'checked', check, isFine }, `the look at the frames of ${nameOf(stop)}`);
  }

  /** Kept for another time. */
  async comeBack(stop: Stop, one: Omit<Return, 'id' | 'notedMs'>): Promise<void> {
    const running = await this.running();
    if (running === null) return;
    const { nowMs } = this.outings.at(running);
    const kept: Return = { ...one, id: createId(), notedMs: nowMs };
    const event: OutingEvent = { kind: 'comeBack', returnId: kept.id };
    await this.happen(stop, event, `come back to ${nameOf(stop)}, kept in Returns`, addReturn(kept));
  }

  async notToday(stop: Stop): Promise<void> {
    const running = await this.running();
    if (running === null) return;
    const aside = setAside(running.walk.id, stop.id);
    await this.happen(stop, { kind: 'notToday' }, `leave ${nameOf(stop)} out today`, aside);
  }

  /** The rest of the day as it was planned from here and now. */
  async takeRest({ walk, outing, today, standing }: Running, rest: RestFound): Promise<void> {
    const here = standing.kind === 'there' ? standing.at : standing.kind === 'onTheWay' ? standing.to : null;
    if (here === null) return;
    const over = overStops(today, outing, rest);
    const { minute } = this.outings.at({ walk, outing, today, standing, next: null });
    const taken = takeRest(walk.id, over, rest.stays, minute);
    await this.happen(here, { kind: 'replanned' }, 'plan the rest of the day', taken);
  }

  /** How fast the simulated time runs; nobody's doing, so that there is nothing to undo. */
  async setSpeed(speed: number): Promise<void> {
    const running = await this.running();
    if (running === null) return;
    const deviceMs = this.clock.nowMs();
    this.store.record(
      changeOuting(running.outing.id, (one) =>
        one.clock.kind === 'own' ? one : { ...one, clock: atSpeed(one.clock, deviceMs, speed) },
      ),
    );
  }

  /** What the simulated walker does, at the minute at which it would: no step of anybody's undo. */
  walkOn({ outing }: Running, stop: Stop, event: OutingEvent, atMs: number, moment: Moment | null = null): void {
    this.store.record(addHappenings(outing.id, [{ id: createId(), stopId: stop.id, atMs, event, moment }]));
  }

  private start(walk: Walk, clock: OutingClock, label: string, before = (workspace: Workspace): Workspace => workspace): void {
    const startedMs = clock.kind === 'own' ? this.clock.nowMs() : clock.shownMs;
    const outing: Outing = { id: createId(), walkId: walk.id, startedMs, endedMs: null, clock, happenings: [] };
    this.store.edit({ label }, (workspace) => startOuting(outing)(before(workspace)));
  }

  private async happen(
    stop: Stop,
    event: OutingEvent,
    label: string,
    also = (workspace: Workspace): Workspace => workspace,
  ): Promise<void> {
    const running = await this.running();
    if (running === null) return;
    const { nowMs } = this.outings.at(running);
    const happening = { id: createId(), stopId: stop.id, atMs: nowMs, event, moment: await this.moment(stop) };
    this.store.edit({ label }, (workspace) => addHappenings(running.outing.id, [happening])(also(workspace)));
  }

  private async moment(stop: Stop): Promise<Moment | null> {
    const card = await firstValueFrom(this.card$);
    return card.kind === 'card' && card.stop.id === stop.id ? momentOf(card) : null;
  }

  private running(): Promise<Running | null> {
    return firstValueFrom(this.outings.running$);
  }

  private async showNow(): Promise<void> {
    await this.router.navigate(['/now'], { queryParamsHandling: 'preserve' });
  }
}

/** Stops that have been walked to, and are not planned once more. */
function overStops(today: readonly Stop[], { happenings }: Outing, { stays }: RestFound): readonly Stop[] {
  const been = new Set(happenings.filter(({ event }) => event.kind === 'arrived').map(({ stopId }) => stopId));
  return today.filter(({ id }) => been.has(id) && !stays.some((stay) => stay.id === id));
}
