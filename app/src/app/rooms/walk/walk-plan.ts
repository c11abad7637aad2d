import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { apparentSun, walkClock, sunPosition } from '@roam-dial/core/light';
import { districtOf, isIndoors, placedStop, placeOf } from '@roam-dial/core/plan';
import { type Stop, withDrawnEnd, zoneLawOf } from '@roam-dial/core/stop';
import { type District, metresFrom } from '@roam-dial/core/streets';
import type { Walk } from '@roam-dial/core/walk';
import { planLegs, planStops } from '../../drawing/street-plan/plan-stops';
import { MOST_SHADOWED, type ZoneMove } from '../../drawing/street-plan/plan-parts';
import { StreetPlan } from '../../drawing/street-plan/street-plan';
import { StopActions } from '../../state/walk/stop.actions';
import { LegsStore } from '../../state/walk/legs.store';
import { phoneLayout } from '../../state/device/phone-layout';
import { SelectionStore } from '../../state/selection/selection.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { INDOORS_WORDS } from './stop-sentences';
import { counted } from '../../words/counted';
import { WalkMap } from '../../shared/map-file/walk-map';

/** Nothing stands on a plan without a map. */
const WHITE = { buildings: [], trees: [], waters: [] };
/** The walk from above: streets, shadows at the time, the stops in their order and the way from one to the next. */
@Component({
  selector: 'rd-walk-plan',
  imports: [StreetPlan, WalkMap],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asksForMap()) {
      <rd-walk-map class="map" [walk]="walk()"><span class="soft">or drop it here; it stays in this browser</span></rd-walk-map>
    }
    <rd-street-plan
      [buildings]="ground().buildings"
      [trees]="ground().trees"
      [waters]="ground().waters"
      [ways]="ground().ways ?? []"
      [sun]="sun()"
      [stops]="stops()"
      [legs]="planLegs()"
      [zone]="zone()"
      [isWhole]="true"
      [takesKey]="takesKey()"
      [focusKey]="key()"
      [theme]="theme()"
      [label]="'Plan of the walk, north is up'"
      [sentence]="sentence()"
      (tapped)="tap($event)"
      (stopMoved)="move($event)"
      (stopTurned)="turn($event)"
      (stopChosen)="choose($event)"
      (zoneMoved)="draw($event)"
    />
  `,
  styles: `
    :host {
      display: block;
      --plan-height: 420px;
    }
    .map {
      margin-bottom: var(--space-2);
    }
  `,
})
export class WalkPlan {
  readonly walk = input.required<Walk>();
  readonly stop = input.required<Stop | null>();
  readonly minute = input.required<number>();

  private readonly actions = inject(StopActions);
  private readonly selection = inject(SelectionStore);
  private readonly wording = wordingSignal();
  private readonly isPhone = phoneLayout();
  private readonly legs = toSignal(inject(LegsStore).legs$, { initialValue: [] });
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);

  private readonly district = computed<District | null>(() => {
    const workspace = this.workspace();
    return workspace === undefined ? null : districtOf(workspace, this.walk());
  });
  /** The map, or white paper round the walk's place. */
  protected readonly ground = computed<Pick<District, 'origin' | 'buildings' | 'trees' | 'waters' | 'ways'>>(
    () => this.district() ?? { ...WHITE, origin: this.walk().place },
  );
  /** A walk that came without a map is asked for one here; what was left out of it stays to be read. */
  protected readonly asksForMap = linkedSignal({
    source: () => (this.workspace() === undefined ? null : this.walk().id),
    computation: (id) => id !== null && untracked(this.district) === null,
  });
  protected readonly takesKey = computed(() => this.workspace()?.settings.shortcutsOn ?? false);
  protected readonly theme = computed(() => this.workspace()?.settings.theme ?? 'light');
  protected readonly stops = computed(() =>
    planStops(this.walk(), this.ground(), this.workspace()?.kit ?? [], this.stop()?.id ?? null),
  );
  protected readonly planLegs = computed(() => planLegs(this.walk(), this.ground(), this.legs()));
  protected readonly zone = computed(() => {
    const stop = this.stop();
    return stop === null || stop.position === null ? null : stop.subject;
  });
  /** All of it is brought into view again when a stop is put down, or another walk is looked at. */
  protected readonly key = computed(() => `${this.walk().id}/${this.walk().districtId ?? ''}/${this.stops().length}`);
  /** Asking a zone for its clock is slow: once a day, not once a minute that is dragged over. */
  private readonly clock = computed(() => walkClock(this.walk().day, this.walk().place.timeZone));
  protected readonly sun = computed(() => {
    const [walk, stop, clock] = [this.walk(), this.stop(), this.clock()];
    if (clock === null) return null;
    const place = stop === null ? walk.place : placeOf(walk, stop);
    return apparentSun(sunPosition({ ...place, time: new Date(clock.msAt(this.minute())), refraction: 'none' }));
  });
  private readonly position = computed(() => this.stop()?.position ?? null);
  private readonly isInside = computed(() => {
    const [district, position] = [this.district(), this.position()];
    return district !== null && position !== null && isIndoors(district, metresFrom(district.origin, position));
  });
  protected readonly sentence = computed(() => {
    const [walk, stop, wording] = [this.walk(), this.stop(), this.wording()];
    const unplaced = walk.stops.filter(({ position }) => position === null).length;
    if (stop?.position === null) return 'Tap the plan where you will stand to place the chosen stop.';
    if (this.isInside()) return INDOORS_WORDS;
    const metres = this.legs().reduce((sum, leg) => sum + leg.distanceM, 0);
    const rest = unplaced === 0 ? '' : ` ${counted(unplaced, 'stop has', 'stops have')} no position yet.`;
    const round = this.ground().buildings.length > MOST_SHADOWED ? ' around the chosen stop' : '';
    const map = this.district() === null ? ' No map yet: read one for its walls and shadows.' : '';
    const track = (walk.track ?? []).length < 2 ? '' : ' The dashed line is the route you actually walked.';
    const onFoot = metres === 0 ? '' : `; ${wording.walkLength(metres)} on foot`;
    return `Shadows at ${wording.clock(this.minute())}${round}${onFoot}. ${this.isPhone() || !this.takesKey() ? 'Tap' : 'Tap, or press A under the pointer,'} to add a stop; tap the chosen stop to zoom in.${rest}${track}${map}`;
  });

  protected tap(at: { eastM: number; northM: number }): void {
    const stop = this.stop();
    if (stop?.position === null) this.put(stop, at);
    else void this.actions.addAt(this.ground(), at);
  }

  protected move({ id, eastM, northM }: { id: string; eastM: number; northM: number }): void {
    const stop = this.walk().stops.find((one) => one.id === id);
    if (stop !== undefined) this.put(stop, { eastM, northM });
  }

  protected turn({ id, bearingDeg }: { id: string; bearingDeg: number }): void {
    const [walk, stop] = [this.walk(), this.walk().stops.find((one) => one.id === id)];
    if (stop !== undefined) this.actions.adjust({ walk, stop }, 'direction', (one) => ({ ...one, shootingBearingDeg: bearingDeg }));
  }

  protected choose(stopId: string): void {
    const stop = this.walk().stops.find(({ id }) => id === stopId);
    if (stop !== undefined && stopId !== this.stop()?.id) this.selection.selectStop(this.walk().id, stopId, stop.arriveMin);
  }

  /** An end of the zone, never past the other. */
  protected draw(zoneMove: ZoneMove): void {
    const [walk, stop] = [this.walk(), this.stop()];
    if (stop === null) return;
    this.actions.adjust({ walk, stop }, 'zone', (one) => ({
      ...one,
      subject: withDrawnEnd(one.subject, zoneLawOf(one), zoneMove),
    }));
  }

  private put(stop: Stop, at: { readonly eastM: number; readonly northM: number }): void {
    this.actions.adjust({ walk: this.walk(), stop }, 'place', (one) => placedStop(this.ground(), one, at));
  }
}
