import { Injectable, inject } from '@angular/core';
import type { Body, Film } from '@roam-dial/core/kit';
import {
  type ExposedAt,
  exposedAt,
  exposedByCard,
  type ExposedWith,
  frameCounter,
  frameName,
  loadedRoll,
  type LogFrame,
  type LogRoll,
  rollFrame,
  shiftedScans,
  type WalkLog,
} from '@roam-dial/core/log';
import { momentOf } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom } from 'rxjs';
import { createId } from '../../storage/defaults';
import type { Workspace } from '../../storage/workspace';
import { nameOf } from '../../words/name';
import { CardStore } from '../card/card.store';
import { addFrames, changeFrames, changeLog } from '../log/edits';
import { LogOfWalk } from '../log/log-of-walk';
import { OutingStore } from './outing.store';
import { WorkspaceStore } from '../workspace/workspace.store';

/** Rolls of film, frame by frame: in the hand, and afterwards. */
@Injectable({ providedIn: 'root' })
export class FilmActions {
  private readonly store = inject(WorkspaceStore);
  private readonly logs = inject(LogOfWalk);
  private readonly outings = inject(OutingStore);
  private readonly card$ = inject(CardStore).card$;

  async load(walk: Walk, body: Body, film: Film | null): Promise<void> {
    const log = await this.logs.of(walk);
    const roll = loadedRoll(createId(), body, film);
    this.store.edit({ label: `load ${film?.name ?? 'a roll'}` }, changeLog(log.id, withRoll(roll, body)));
  }

  /** The next frame, now, at a stop of the walk that goes on; with the card as it stands. */
  async expose(stop: Stop, body: Body, roll: LogRoll, used: ExposedWith): Promise<void> {
    const running = await firstValueFrom(this.outings.running$);
    if (running === null) return;
    const { nowMs, walk } = this.outings.at(running);
    const log = await this.logs.of(walk);
    const card = await firstValueFrom(this.card$);
    const isItsCard = card.kind === 'card' && card.stop.id === stop.id;
    const lens = isItsCard ? card.kit.lens : null;
    const names = { bodyName: body.name, lensName: lens?.name ?? '' };
    const at = exposedAt(nowMs, walk.place.timeZone, stop.id);
    const moment = isItsCard ? momentOf(card) : null;
    const more = (now: WalkLog): WalkLog => ({
      ...withRoll(roll, body)(now),
      lenses: now.lenses.some(({ name }) => name === names.lensName)
        ? now.lenses
        : [...now.lenses, { name: names.lensName, lensId: lens?.id ?? null }],
      stays:
        moment === null
          ? now.stays
          : now.stays.map((stay) =>
              stay.stopId === stop.id ? { ...stay, cards: [...stay.cards, { atMs: nowMs, moment }] } : stay,
            ),
    });
    await this.add(log, roll, names, used, at, `at ${nameOf(stop)}`, more);
  }

  /** The next frame of a roll, written down afterwards: at a stop, by its card. */
  async write(log: WalkLog, roll: LogRoll, stopId: string | null): Promise<string> {
    const stay = log.stays.find((one) => one.stopId === stopId);
    const moment = stay?.cards[0]?.moment ?? null;
    const bodyName = log.cameras.find(({ bodyId }) => bodyId === roll.bodyId)?.name ?? '';
    const lensName = log.lenses.find(({ lensId }) => lensId !== null && lensId === moment?.lensId)?.name ?? '';
    const at: ExposedAt = { stopId, wallMs: null, offsetMin: null };
    const used = moment === null ? null : exposedByCard(moment);
    return this.add(log, roll, { bodyName, lensName }, used, at, 'to the roll');
  }

  changeRoll(log: WalkLog, roll: LogRoll, part: string, change: Partial<LogRoll>): void {
    const rolls = log.rolls.map((one) => (one.id === roll.id ? { ...one, ...change } : one));
    const index = change.exposureIndex;
    this.store.edit({ label: `change ${part} of the roll`, mergeKey: `roll/${roll.id}/${part}` }, (workspace) => {
      const changed = changeLog(log.id, (one) => ({ ...one, rolls }))(workspace);
      return index === undefined
        ? changed
        : changeFrames(idsOfRoll(workspace, roll.id), (frame) => ({ ...frame, iso: index }))(changed);
    });
  }

  /** As it was really set. */
  changeExposure(frame: LogFrame, change: Partial<ExposedWith>): void {
    const label = `change what ${frameName(frame).toLowerCase()} was set to`;
    this.store.edit(
      { label, mergeKey: `exposed/${frame.id}` },
      changeFrames(new Set([frame.id]), (one) => ({ ...one, ...change })),
    );
  }

  /** Whether there was room for it. */
  async shiftScans(rollId: string, by: 1 | -1): Promise<boolean> {
    const { frames } = await this.store.snapshot();
    const shifted = shiftedScans(frames, rollId, by);
    if (shifted === null) return false;
    const byId = new Map(shifted.map((frame) => [frame.id, frame]));
    this.store.edit(
      { label: `put the scans one frame ${by === 1 ? 'on' : 'back'}` },
      changeFrames(new Set(byId.keys()), (frame) => byId.get(frame.id) ?? frame),
    );
    return true;
  }

  private async add(
    log: WalkLog,
    roll: LogRoll,
    names: { readonly bodyName: string; readonly lensName: string },
    used: ExposedWith | null,
    at: ExposedAt,
    where: string,
    also: (log: WalkLog) => WalkLog = (one) => one,
  ): Promise<string> {
    const id = createId();
    const { frames } = await this.store.snapshot();
    const number = frameCounter(frames, roll.id);
    const frame = rollFrame({ id, logId: log.id, number }, roll, names, used, at);
    this.store.edit({ label: `frame ${number} ${where}` }, (workspace) => addFrames([frame])(changeLog(log.id, also)(workspace)));
    return id;
  }
}

function idsOfRoll({ frames }: Pick<Workspace, 'frames'>, rollId: string): ReadonlySet<string> {
  return new Set(frames.flatMap(({ id, source }) => (source.kind === 'roll' && source.rollId === rollId ? [id] : [])));
}

/** A roll of this walk, or one that goes on from another; its body is a camera of the log, whose time is the device's own. */
const withRoll =
  (roll: LogRoll, body: Pick<Body, 'id' | 'name'>) =>
  (log: WalkLog): WalkLog => ({
    ...log,
    rolls: log.rolls.some(({ id }) => id === roll.id) ? log.rolls : [...log.rolls, roll],
    cameras: log.cameras.some(({ name }) => name === body.name)
      ? log.cameras
      : [...log.cameras, { name: body.name, bodyId: body.id, shiftS: 0, shiftBy: 'typed' }],
  });
