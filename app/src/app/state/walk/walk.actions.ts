import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { fitTogether, NO_ROOM } from '@roam-dial/core/formats/archive';
import type { KitItem } from '@roam-dial/core/kit';
import { districtOf, middleOfDistrict, ofKind, roundedPlace } from '@roam-dial/core/plan';
import type { ThresholdName } from '@roam-dial/core/stop';
import type { District } from '@roam-dial/core/streets';
import type { Walk, WalkPlace } from '@roam-dial/core/walk';
import { createId, newStop, newWalk } from '../../storage/defaults';
import { zoneAt } from '../../base/zones';
import { addWalk, changeWalk, duplicateWalk, removeWalk } from './walk.edits';
import { packed } from '../kit/edits';
import { putDistrict, removeDistrict, setHeights } from './district.edits';
import { counted } from '../../words/counted';
import { WorkspaceStore } from '../workspace/workspace.store';

/** What is known of a walk that begins. */
export interface Beginning {
  readonly name: string;
  readonly day: string;
  readonly place: WalkPlace;
  readonly district: District | null;
  /** A body and a lens that are new; empty to go with what is there. */
  readonly camera: readonly KitItem[];
  /** Of the kit that is there; null with a new camera. */
  readonly goingWith: { readonly bodyId: string; readonly lensId: string } | null;
}

type WalkNamed = Pick<Walk, 'id' | 'name'>;

/** What a person does to a walk and to the map it leads over. */
@Injectable({ providedIn: 'root' })
export class WalkActions {
  private readonly store = inject(WorkspaceStore);
  private readonly router = inject(Router);

  /** Asks when, where and with what. */
  async start(): Promise<void> {
    await this.router.navigate(['/start'], { queryParamsHandling: 'preserve' });
  }

  /**
   * A walk from what is known of it, in one step of undo. With a map it has a first stop, which is placed on the plan next.
   * Why not, where there is no room for the map.
   */
  async begin({ name, day, place, district, camera, goingWith }: Beginning): Promise<string | null> {
    const { districts } = await this.store.snapshot();
    if (district !== null && !fitTogether([...districts, district])) return NO_ROOM;
    const bodyId = ofKind(camera, 'body')[0]?.id ?? goingWith?.bodyId ?? null;
    const lensId = ofKind(camera, 'lens')[0]?.id ?? goingWith?.lensId ?? null;
    const first = newStop(createId(), undefined);
    const walk: Walk = {
      ...newWalk(createId(), day, bodyId),
      place,
      name,
      districtId: district?.id ?? null,
      stops: district === null ? [] : [{ ...first, name: 'First stop', lensId }],
    };
    this.store.edit({ label: `start ${walk.name}` }, (workspace) => ({
      ...addWalk(walk)(district === null ? workspace : putDistrict(district)(workspace)),
      kit: packed([...workspace.kit, ...camera], [bodyId, lensId]),
    }));
    const room = district === null ? '/walk' : '/light/now';
    await this.router.navigate([room], { queryParams: { walk: walk.id, stop: null, t: null } });
    return null;
  }

  async duplicate(walk: WalkNamed): Promise<void> {
    const id = createId();
    this.store.edit({ label: `duplicate ${walk.name}` }, duplicateWalk(walk.id, id));
    await this.router.navigate(['/walk'], { queryParams: { walk: id } });
  }

  remove(walk: WalkNamed): void {
    this.store.edit({ label: `remove ${walk.name}` }, removeWalk(walk.id));
    this.store.announce(`Removed ${walk.name}`);
  }

  /** One named part of a walk, chosen. */
  change(walk: WalkNamed, part: string, change: (walk: Walk) => Walk): void {
    this.edit(walk, `change the ${part} of ${walk.name}`, change);
  }

  /** The same while it is typed: one step of undo. */
  adjust(walk: WalkNamed, part: string, change: (walk: Walk) => Walk): void {
    this.edit(walk, `change the ${part} of ${walk.name}`, change, `${part}/${walk.id}`);
  }

  /** To another day, which undo takes back. */
  goTo(walk: WalkNamed, day: string, dayText: string): void {
    this.edit(walk, `go to ${dayText}`, (one) => ({ ...one, day }));
  }

  /** Which of the things to set before setting off are done. */
  tickHome(walk: WalkNamed, homeChecked: readonly string[]): void {
    this.edit(walk, 'tick the base set-up', (one) => ({ ...one, homeChecked }), `home/${walk.id}`);
  }

  /** The way really walked, drawn from now on. */
  takeTrack(walk: WalkNamed, track: NonNullable<Walk['track']>, fileName: string): void {
    this.edit(walk, `read ${fileName}`, (one) => ({ ...one, track }));
  }

  dropTrack(walk: WalkNamed): void {
    this.edit(walk, 'remove the recorded track', ({ track: _, ...one }) => one);
  }

  setForecast(walk: WalkNamed, forecast: NonNullable<Walk['forecast']>): void {
    this.edit(walk, `a ${forecast.source} forecast`, (one) => ({ ...one, forecast }));
  }

  /** One sky for the day, at so much cloud, or at the walk's own. */
  setOneSky(walk: Walk, cloud = walk.cloud): void {
    this.edit(walk, `change the sky of ${walk.name}`, ({ forecast: _, ...one }) => ({ ...one, cloud }));
  }

  /** A district just read, for the walk to lead over; why not, where there is no room beside the others. */
  async takeDistrict(walk: WalkNamed, district: District, fileName: string): Promise<string | null> {
    const { districts } = await this.store.snapshot();
    if (!fitTogether([...districts, district])) return `${fileName}: ${NO_ROOM} Nothing was changed.`;
    this.store.edit({ label: `read ${fileName}` }, (workspace) =>
      changeWalk(walk.id, (one) => ({ ...one, districtId: district.id }))(putDistrict(district)(workspace)),
    );
    return null;
  }

  /** The walk is where its map is, and so is its clock. */
  async moveToMap(walk: Walk): Promise<void> {
    const district = districtOf(await this.store.snapshot(), walk);
    if (district === null) return;
    const place = middleOfDistrict(district);
    const timeZone = await zoneAt(place);
    const moved = { ...roundedPlace(place), name: district.name || 'Own place', timeZone, isInvented: false };
    this.edit(walk, `take ${walk.name} to its map`, (one) => ({ ...one, place: moved }));
  }

  chooseDistrict(walk: WalkNamed, districtId: string | null): void {
    this.edit(walk, 'choose a district', (one) => ({ ...one, districtId }));
  }

  removeDistrict(district: District): void {
    this.store.edit({ label: `remove ${district.name}` }, removeDistrict(district.id));
    this.store.announce(`Removed ${district.name}`);
  }

  setHeights(district: District, buildingIds: ReadonlySet<string>, heightM: number): void {
    this.store.edit(
      { label: `set ${counted(buildingIds.size, 'height', 'heights')}` },
      setHeights(district.id, buildingIds, heightM),
    );
  }

  /** From where to where a window of light opens, by the person's own eye. */
  setThreshold(walk: WalkNamed, name: ThresholdName, pair: readonly [number, number], inWords: string): void {
    this.edit(walk, `change “${inWords}”`, (one) => ({ ...one, windows: { ...one.windows, [name]: pair } }));
  }

  resetThreshold(walk: WalkNamed, name: ThresholdName, inWords: string): void {
    const others = (windows: Walk['windows']) => Object.entries(windows ?? {}).filter(([key]) => key !== name);
    this.edit(walk, `default of “${inWords}”`, (one) => ({ ...one, windows: Object.fromEntries(others(one.windows)) }));
  }

  private edit(walk: WalkNamed, label: string, change: (walk: Walk) => Walk, mergeKey?: string): void {
    this.store.edit({ label, mergeKey }, changeWalk(walk.id, change));
  }
}
