import { BUILDING_HEIGHT_FIELD, SECTION_FIELDS } from '@roam-dial/core/streets';
import { STOP_FIELDS } from '@roam-dial/core/stop';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { placedStop } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import type { District } from '@roam-dial/core/streets';
import { StreetPlan } from '../../../drawing/street-plan/street-plan';
import { USUAL_HEIGHTS } from '../../../reading/map-reading';
import { WalkMap } from '../../../shared/map-file/walk-map';
import { MapsService } from '../../../reading/maps.service';
import { StopActions } from '../../../state/walk/stop.actions';
import { WalkActions } from '../../../state/walk/walk.actions';
import { counted } from '../../../words/counted';
import { ChoiceField } from '../../../fields/choice-field';
import { ValueField } from '../../../fields/value-field';
import { numberCodec } from '../../../fields/codec';
import { saveText } from '../../../base/save-file';
import { LightState } from '../light-state';
import { ThresholdsPanel } from './thresholds-panel';
import { nameOf } from '../../../words/name';

const NONE = '';

/** The buildings that the walk leads through: from a map's file, by hand, or a street by its two walls. */
@Component({
  selector: 'rd-light-district',
  imports: [ChoiceField, MatButtonModule, StreetPlan, ThresholdsPanel, ValueField, WalkMap],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './district-page.html',
  styleUrls: ['../../set-up/page.scss', './district-page.scss'],
})
export class DistrictPage {
  protected readonly room = inject(LightState);
  private readonly walkActions = inject(WalkActions);
  private readonly stopActions = inject(StopActions);
  private readonly maps = inject(MapsService);

  protected readonly levelM = signal(USUAL_HEIGHTS.levelM);
  protected readonly defaultHeightM = signal(USUAL_HEIGHTS.defaultHeightM);
  protected readonly metres = numberCodec(BUILDING_HEIGHT_FIELD);
  protected readonly levelMetres = numberCodec({ low: 2, high: 6, unit: 'm', decimals: 2, step: 0.1 });
  protected readonly wallMetres = numberCodec(SECTION_FIELDS.leftHeightM);
  protected readonly groundMetres = numberCodec(STOP_FIELDS.groundM);

  /** What is taken for granted of the next file. */
  protected readonly rules = computed(() => ({ defaultHeightM: this.defaultHeightM(), levelM: this.levelM() }));
  /** Thousands of buttons are made only for those who want them. */
  protected readonly isListOpen = signal(false);
  /** What was picked in one district means nothing in another. */
  protected readonly picked = linkedSignal<string | undefined, ReadonlySet<string>>({
    source: () => this.room.district()?.id,
    computation: () => new Set(),
  });

  protected readonly theme = computed(() => this.room.workspace()?.settings.theme ?? 'light');
  protected readonly choices = computed(() => [
    { value: NONE, label: 'no district' },
    ...(this.room.workspace()?.districts ?? []).map(({ id, name, buildings }) => ({
      value: id,
      label: `${nameOf({ name }, 'Unnamed')}, ${counted(buildings.length, 'building', 'buildings')}`,
    })),
  ]);
  protected readonly summary = computed(() => {
    const district = this.room.district();
    if (district === null) return '';
    const assumed = district.buildings.filter(({ heightSource }) => heightSource === 'assumed').length;
    const own = district.buildings.filter(({ heightSource }) => heightSource === 'set').length;
    const streets = district.ways?.length ?? 0;
    const heights =
      assumed === 0 ? 'All heights are known' : `${counted(assumed, 'height is', 'heights are')} assumed (dashed on the plan)`;
    const extra = [
      ...(own > 0 ? [`${own} set by you`] : []),
      ...(district.trees.length > 0 ? [counted(district.trees.length, 'tree', 'trees')] : []),
      ...(district.waters.length > 0 ? [counted(district.waters.length, 'water', 'waters')] : []),
      ...(streets > 0 ? [counted(streets, 'piece of street', 'pieces of street')] : []),
    ];
    return `${counted(district.buildings.length, 'building', 'buildings')}. ${[heights, ...extra].join(', ')}.`;
  });
  protected readonly pickedHeight = computed(() => {
    const first = this.room.district()?.buildings.find(({ id }) => this.picked().has(id));
    return first?.heightM ?? this.defaultHeightM();
  });
  protected readonly pickedWords = computed(() => {
    const picked = this.room.district()?.buildings.filter(({ id }) => this.picked().has(id)) ?? [];
    if (picked.length === 0) return 'Tap buildings on the plan, or choose one below, to set their height.';
    const [first] = picked;
    if (picked.length > 1) return `${picked.length} buildings chosen.`;
    const source = { given: 'from the map', levels: 'from its levels', assumed: 'assumed', set: 'set by you' }[
      first?.heightSource ?? 'given'
    ];
    return `${first?.name ?? `Building ${first?.id ?? ''}`}: ${first?.heightM ?? 0} m, ${source}.`;
  });
  protected readonly section = computed(() => this.room.stop()?.section ?? { leftHeightM: 0, rightHeightM: 0 });
  protected readonly widthCodec = numberCodec({ ...STOP_FIELDS.streetWidthM, unit: 'm', decimals: 1, step: 0.5 });
  protected readonly bearing = numberCodec({ low: 0, high: 359.9, unit: '°', decimals: 1 });
  protected readonly plan = computed(() => {
    const district = this.room.district();
    return district === null ? null : { district, key: district.id };
  });

  /** A stop that lies nowhere is placed wherever a plan is shown. */
  protected tap({ eastM, northM }: { eastM: number; northM: number }): void {
    const [district, stop] = [this.room.district(), this.room.stop()];
    if (district === null || stop?.position !== null) return;
    this.setStop('place', placedStop(district, stop, { eastM, northM }));
  }

  protected choose(districtId: string): void {
    const walk = this.room.walk();
    if (walk !== null) this.walkActions.chooseDistrict(walk, districtId === NONE ? null : districtId);
  }

  protected async save(district: District): Promise<void> {
    saveText(await this.maps.writeDistrict(district), `${district.name || 'district'}.geojson`, 'application/geo+json');
  }

  protected remove(district: District): void {
    this.walkActions.removeDistrict(district);
  }

  protected pick(id: string): void {
    const picked = new Set(this.picked());
    if (!picked.delete(id)) picked.add(id);
    this.picked.set(picked);
  }

  protected pickAssumed(): void {
    const assumed = this.room.district()?.buildings.filter(({ heightSource }) => heightSource === 'assumed') ?? [];
    this.picked.set(new Set(assumed.map(({ id }) => id)));
  }

  protected setHeight(heightM: number): void {
    const district = this.room.district();
    if (district !== null && this.picked().size > 0) this.walkActions.setHeights(district, this.picked(), heightM);
  }

  protected setStop(what: string, change: Partial<Stop>): void {
    const [walk, stop] = [this.room.walk(), this.room.stop()];
    if (walk !== null && stop !== null) this.stopActions.change({ walk, stop }, what, (one) => ({ ...one, ...change }));
  }

  protected dropSection(): void {
    const [walk, stop] = [this.room.walk(), this.room.stop()];
    if (walk !== null && stop !== null) this.stopActions.dropWalls({ walk, stop });
  }
}
