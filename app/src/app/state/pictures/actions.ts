import { inject, Injectable } from '@angular/core';
import { DAY_ON_FOOT_M, districtOf, placedStop } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import { metresFrom } from '@roam-dial/core/streets';
import { distanceBetweenM } from '@roam-dial/core/walk';
import { firstValueFrom } from 'rxjs';
import { createId, newStop } from '../../storage/defaults';
import { readSnapshot, withoutEnding } from '../../reading/snapshot';
import { addStop, arrivingAt } from '../walk/stop.edits';
import { FocusStore } from '../selection/focus.store';
import { PlacePictures } from './place-pictures';
import { SelectionStore } from '../selection/selection.store';
import { WorkspaceStore } from '../workspace/workspace.store';

/** Places out of pictures; loaded when the first one comes. */
@Injectable({ providedIn: 'root' })
export class PictureActions {
  private readonly store = inject(WorkspaceStore);
  private readonly selection = inject(SelectionStore);
  private readonly focus$ = inject(FocusStore).focus$;
  private readonly pictures = inject(PlacePictures);

  /** Where a photograph was taken, the way it looked, at the hour it was taken; why not, where it does not say. */
  async addStop(file: File): Promise<string | null> {
    const { walk, stop } = await firstValueFrom(this.focus$);
    if (walk === null) return null;
    const read = await readSnapshot(file);
    if (!read.ok) return read.message;
    const { place, taken, bearingDeg } = read.snapshot;
    const awayM = distanceBetweenM(place, walk.place);
    if (awayM > DAY_ON_FOOT_M) {
      return `${file.name} was taken ${Math.round(awayM / 1000)} km from ${walk.name}: keep it in Returns, and it becomes a walk of its own.`;
    }
    const district = districtOf(await this.store.snapshot(), walk);
    const bare: Stop = { ...newStop(createId(), stop ?? undefined), name: withoutEnding(file.name) || 'Place', position: place };
    const street =
      district === null ? bare : { ...placedStop(district, bare, metresFrom(district.origin, place)), position: place };
    const turned = bearingDeg === null ? street : { ...street, shootingBearingDeg: bearingDeg };
    const timed = taken === null ? turned : arrivingAt(turned, taken.minuteOfDay);
    await this.pictures.keep(timed.id, file);
    this.store.edit({ label: `add ${timed.name}` }, addStop(walk.id, timed, stop?.id ?? null));
    this.selection.selectStop(walk.id, timed.id, timed.arriveMin);
    return null;
  }
}
