import { Injectable, inject } from '@angular/core';
import { LONGEST_NAME, MOST_STOPS } from '@roam-dial/core/formats/archive';
import type { Place } from '@roam-dial/core/light';
import { districtOf, placedStop, streetAt } from '@roam-dial/core/plan';
import type { WayOut } from '@roam-dial/core/setup';
import type { ManualSettings, Stop } from '@roam-dial/core/stop';
import { type District, metresFrom } from '@roam-dial/core/streets';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom } from 'rxjs';
import { createId, newStop } from '../../storage/defaults';
import { Thumbnails } from '../../storage/thumbnails';
import type { Card } from '../card/card.store';
import { addStop, changeStop, duplicateStop, moveStop, removeStop, withArrival, withLeaving, withoutHand } from './stop.edits';
import { setAside, takeBack } from './day-plan.edits';
import { takeWayOut } from './way-out.edits';
import type { WorkspaceChange } from '../workspace/lists';
import { counted } from '../../words/counted';
import { FocusStore, type Focus } from '../selection/focus.store';
import { OpenSections } from '../selection/open-sections';
import { SelectionStore } from '../selection/selection.store';
import { WorkspaceStore } from '../workspace/workspace.store';

/** A place as a file has it. */
export interface NamedPlace extends Place {
  readonly name: string;
  readonly description: string;
}
const LONGEST_NOTE = 20_000;

/** A stop and the walk it lies on, as a card has both. */
export interface StopOfWalk {
  readonly walk: { readonly id: string };
  readonly stop: Pick<Stop, 'id' | 'name'>;
}

/** What a person does to a stop. Each is one step of undo; what is typed, dragged or stepped on is one step together. */
@Injectable({ providedIn: 'root' })
export class StopActions {
  private readonly store = inject(WorkspaceStore);
  private readonly sights = inject(Thumbnails);
  private readonly selection = inject(SelectionStore);
  private readonly focus$ = inject(FocusStore).focus$;
  private readonly sections = inject(OpenSections);

  /** Behind the chosen stop of the walk on screen. */
  async add(): Promise<void> {
    const { walk, stop } = await firstValueFrom(this.focus$);
    if (walk === null) return;
    const added = newStop(createId(), stop ?? undefined);
    this.store.edit({ label: 'add a stop' }, addStop(walk.id, added, stop?.id ?? null));
    this.sections.nameWanted.set(added.id);
    this.selection.selectStop(walk.id, added.id, added.arriveMin);
  }

  /** Behind the chosen stop of the walk on screen, put down on a map, metres from its origin. */
  async addAt(
    district: Pick<District, 'origin' | 'buildings' | 'ways'>,
    at: { readonly eastM: number; readonly northM: number },
  ): Promise<void> {
    const { walk, stop } = await firstValueFrom(this.focus$);
    if (walk === null) return;
    const added = placedStop(district, newStop(createId(), stop ?? undefined), at);
    this.store.edit({ label: 'add a stop' }, addStop(walk.id, added, stop?.id ?? null));
    const street = streetAt(district, at)?.name ?? null;
    this.store.announce(street === null ? 'Added a stop where you tapped' : `Added a stop in ${street}`);
    this.selection.selectStop(walk.id, added.id, added.arriveMin);
  }

  /** Places of a file as stops behind the others, with the street that the map has there. */
  async addPlaces(walk: Walk, places: readonly NamedPlace[]): Promise<void> {
    const { districts } = await this.store.snapshot();
    const district = districtOf({ districts }, walk);
    let last = walk.stops.at(-1);
    const room = Math.max(0, MOST_STOPS - walk.stops.length);
    const changes = places.slice(0, room).map(({ name, description, latitude, longitude }): WorkspaceChange => {
      const position = { latitude, longitude };
      const named = { name: name.slice(0, LONGEST_NAME) || 'Place', notes: description.slice(0, LONGEST_NOTE), position };
      const bare: Stop = { ...newStop(createId(), last), ...named };
      const stop = district === null ? bare : { ...placedStop(district, bare, metresFrom(district.origin, position)), position };
      const change = addStop(walk.id, stop, last?.id ?? null);
      last = stop;
      return change;
    });
    const words = counted(changes.length, 'stop', 'stops');
    this.store.edit({ label: `add ${words}` }, (workspace) => changes.reduce((now, change) => change(now), workspace));
    const left = changes.length === places.length ? '' : `, as many as a walk holds`;
    this.store.announce(`Added ${words}${left}`);
  }

  async duplicate(stop: Stop): Promise<void> {
    const { walk } = await firstValueFrom(this.focus$);
    if (walk === null) return;
    const id = createId();
    await this.sights.copyPlace(stop.id, id);
    this.store.edit({ label: `duplicate ${stop.name}` }, duplicateStop(walk.id, stop.id, id));
    this.selection.selectStop(walk.id, id, stop.arriveMin);
  }

  async remove(stop: Stop): Promise<void> {
    const { walk } = await firstValueFrom(this.focus$);
    if (walk === null) return;
    const index = walk.stops.findIndex(({ id }) => id === stop.id);
    const neighbour = walk.stops[index + 1] ?? walk.stops[index - 1];
    this.store.edit({ label: `remove ${stop.name}` }, removeStop(walk.id, stop.id));
    this.store.announce(`Removed ${stop.name}`);
    if (neighbour !== undefined) this.selection.selectStop(walk.id, neighbour.id, neighbour.arriveMin);
  }

  move({ walk }: Pick<Focus, 'walk'>, from: number, to: number): void {
    const name = walk?.stops[from]?.name;
    if (walk === null || name === undefined) return;
    this.store.edit({ label: `move ${name}` }, moveStop(walk.id, from, to));
  }

  setAside({ walk, stop }: StopOfWalk): void {
    this.store.edit({ label: `skip ${stop.name} today` }, setAside(walk.id, stop.id));
    this.store.announce(`Skipping ${stop.name} today`);
  }

  takeBack({ walk, stop }: StopOfWalk): void {
    this.store.edit({ label: `put ${stop.name} back` }, takeBack(walk.id, stop.id));
  }

  /** One named part of a stop, chosen. */
  change(at: StopOfWalk, part: string, change: (stop: Stop) => Stop): void {
    this.edit(at, `change the ${part} of ${at.stop.name}`, change);
  }

  /** The same while it is typed, dragged or stepped. */
  adjust(at: StopOfWalk, part: string, change: (stop: Stop) => Stop): void {
    this.edit(at, `change the ${part} of ${at.stop.name}`, change, `${part}/${at.stop.id}`);
  }

  moveStay(at: StopOfWalk, minute: number): void {
    this.edit(at, `move the stay at ${at.stop.name}`, (stop) => withArrival(stop, minute), `stay/arrive/${at.stop.id}`);
  }

  stretchStay(at: StopOfWalk, minute: number): void {
    this.edit(at, `change the stay at ${at.stop.name}`, (stop) => withLeaving(stop, minute), `stay/leave/${at.stop.id}`);
  }

  /** What you set otherwise than the best, beside what it has. */
  setHand(card: Card, change: Partial<ManualSettings>): void {
    const hand = { ...card.result.setUp.found.hand, ...change };
    this.edit(card, `change the set-up at ${card.stop.name}`, (stop) => ({ ...stop, hand }), `hand/${card.stop.id}`);
  }

  /** What the hand chose is dropped; undo brings it back. */
  backToBest(card: Card): void {
    this.edit(card, `go back to the best at ${card.stop.name}`, withoutHand);
  }

  /** The light at the spot against the model's, and what the hand holds at it; null for the best. */
  correctLight(card: Card, lightOffsetEv: number, hand: ManualSettings | null): void {
    this.edit(
      card,
      `correct the light at ${card.stop.name}`,
      (stop) => ({ ...withoutHand(stop), lightOffsetEv, ...(hand === null ? {} : { hand }) }),
      `light/${card.stop.id}`,
    );
  }

  dropReading(at: StopOfWalk): void {
    this.edit(at, `use the calculated light at ${at.stop.name}`, (stop) => ({ ...stop, lightOffsetEv: 0 }));
  }

  dropWalls(at: StopOfWalk): void {
    this.edit(at, `no walls at ${at.stop.name}`, ({ section: _, ...stop }) => stop);
  }

  takeWayOut(card: Card, way: WayOut): void {
    this.store.edit({ label: `apply a suggestion at ${card.stop.name}` }, takeWayOut(card, way));
  }

  private edit({ walk, stop }: StopOfWalk, label: string, change: (stop: Stop) => Stop, mergeKey?: string): void {
    this.store.edit({ label, mergeKey }, changeStop(walk.id, stop.id, change));
  }
}
