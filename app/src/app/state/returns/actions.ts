import { Injectable, Injector, inject } from '@angular/core';
import { Router } from '@angular/router';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import type { Return, ReturnDays } from '@roam-dial/core/outing';
import { districtOf, metresOutside } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { createId, newStop, newWalk } from '../../storage/defaults';
import { Thumbnails } from '../../storage/thumbnails';
import { readSnapshot, withoutEnding } from '../../reading/snapshot';
import { today } from '../../base/today';
import type { Workspace } from '../../storage/workspace';
import { zoneAt } from '../../base/zones';
import { nameOf } from '../../words/name';
import { DeviceClock } from '../device/device-clock';
import { addReturn, changeReturn, removeReturn } from '../outing/edits';
import { addWalk } from '../walk/walk.edits';
import type { PlacePictures } from '../pictures/place-pictures';
import { returnMinuteOf } from './returns.store';
import { WorkspaceStore } from '../workspace/workspace.store';
import { fetched } from '../../base/fetched';

const NOON = 720;
/** Who comes back comes a little before the light. */
const BEFORE_MIN = 10;

/** What a person does with the places that are kept for another time. */
@Injectable({ providedIn: 'root' })
export class ReturnActions {
  private readonly store = inject(WorkspaceStore);
  private readonly clock = inject(DeviceClock);
  private readonly router = inject(Router);
  private readonly sights = inject(Thumbnails);
  private readonly injector = inject(Injector);

  /** A stop of a walk, for the light in which it stands there at a minute. */
  keep(walk: Walk, stop: Stop, lightMin: number): void {
    this.keepLight({ stop, place: walk.place, districtId: walk.districtId ?? null, day: walk.day, lightMin });
  }

  /** The light of a place on any day. */
  keepLight(light: Pick<Return, 'stop' | 'place' | 'districtId' | 'day' | 'lightMin'>): void {
    const { stop } = light;
    const kept: Return = { ...light, id: createId(), crowd: 'any', wrong: '', notedMs: this.clock.nowMs() };
    this.store.edit({ label: `keep ${nameOf(stop)} for another time` }, addReturn(kept));
    this.store.announce(`${nameOf(stop)} is kept in Returns`);
  }

  /** Where and when a photograph was taken; why not, where it does not say. */
  async fromSnapshot(file: File): Promise<string | null> {
    const read = await readSnapshot(file);
    if (!read.ok) return read.message;
    const { place, taken, bearingDeg } = read.snapshot;
    const workspace = await this.store.snapshot();
    const district = workspace.districts.find((one) => metresOutside(one, place) === 0) ?? null;
    const bare: Stop = { ...newStop(createId(), undefined), name: withoutEnding(file.name), position: place };
    const turned = bearingDeg === null ? bare : { ...bare, shootingBearingDeg: bearingDeg };
    await (await this.pictures()).keep(bare.id, file);
    const kept: Return = {
      id: createId(),
      stop: turned,
      place: { ...place, name: district?.name || 'Own place', timeZone: await zoneAt(place), isInvented: false },
      districtId: district?.id ?? null,
      day: taken?.day ?? today(),
      lightMin: taken?.minuteOfDay ?? NOON,
      crowd: 'any',
      wrong: '',
      notedMs: this.clock.nowMs(),
    };
    this.store.edit({ label: `keep ${file.name} for another time` }, addReturn(kept));
    return null;
  }

  change(one: Return, part: string, change: Partial<Return>): void {
    this.store.edit(
      { label: `change ${part} of ${nameOf(one.stop)}`, mergeKey: `return/${part}/${one.id}` },
      changeReturn(one.id, (now) => ({ ...now, ...change })),
    );
  }

  remove(one: Return): void {
    this.store.edit({ label: `take ${nameOf(one.stop)} out of Returns` }, removeReturn(one.id));
    this.store.announce(`${nameOf(one.stop)} is out of Returns`);
  }

  /** A walk to all of them on a day, each when it has its light, in the order of those times. */
  async makeWalk(
    chosen: readonly { readonly one: Return; readonly days: ReturnDays }[],
    day: string,
    dayText: string,
  ): Promise<void> {
    const [first] = chosen;
    if (first === undefined) return;
    const workspace = await this.store.snapshot();
    const again = chosen.map(({ one, days }) => ({ one, stop: stopOn(one, returnMinuteOf(one, days, day) ?? one.lightMin) }));
    for (const { one, stop } of again) await this.sights.copyPlace(one.stop.id, stop.id);
    const stops = again.map(({ stop }) => stop).sort((a, b) => a.arriveMin - b.arriveMin);
    const walk: Walk = {
      ...newWalk(createId(), day, bodyIdOf(workspace)),
      name: `Returns, ${dayText}`,
      place: first.one.place,
      districtId: districtOf(workspace, { districtId: first.one.districtId })?.id ?? null,
      stops,
    };
    this.store.edit({ label: 'make a walk of returns' }, addWalk(walk));
    this.store.announce(`${walk.name}: ${stops.length} stops`);
    await this.router.navigate(['/walk'], { queryParams: { walk: walk.id, stop: null, t: null } });
  }

  /** What opens pictures is a chunk of its own, loaded when one comes. */
  private async pictures(): Promise<PlacePictures> {
    const module = await fetched('Pictures of places', () => import('../pictures/place-pictures'));
    return this.injector.get(module.PlacePictures);
  }
}

function bodyIdOf({ kit }: Workspace): string | null {
  return kit.find(({ kind, inBag }) => kind === 'body' && inBag)?.id ?? null;
}

/** The stop once more, its stay round a minute; what was of that other day is left behind. */
function stopOn({ stop }: Return, lightMin: number): Stop {
  const { isSetAside: _, hand: __, ...others } = stop;
  const stayMin = Math.max(BEFORE_MIN, stop.leaveMin - stop.arriveMin);
  const arriveMin = Math.min(LAST_WALK_MINUTE - 1, Math.max(0, lightMin - BEFORE_MIN));
  return {
    ...others,
    id: createId(),
    arriveMin,
    leaveMin: Math.min(LAST_WALK_MINUTE, arriveMin + stayMin),
    walkMin: null,
    lightOffsetEv: 0,
  };
}
