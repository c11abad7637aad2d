import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { District, Stop, Walk } from '@roam-dial/core';
import type { DistrictReport, LeftOut, LeftOutReason, ReadDistrict, ReadingProgress } from '@roam-dial/core/maps';
import type { Subscription } from 'rxjs';
import { StreetPlan } from '../../charts/street-plan/street-plan';
import { createId } from '../../data/defaults';
import { MapsService } from '../../data/maps.service';
import { StopActions } from '../../state/actions/stop.actions';
import { WalkActions } from '../../state/actions/walk.actions';
import { counted } from '../../wording/counted';
import { ChoiceField } from '../../ui/choice-field';
import { ValueField } from '../../ui/value-field';
import { numberCodec } from '../../wording/codec';
import { saveText } from '../../data/save-file';
import { LightState } from './light-state';
import { ThresholdsPanel } from './thresholds-panel';
import { nameOf } from '../../wording/name';

const DOING: Readonly<Record<ReadingProgress['doing'], string>> = {
  reading: 'Reading the file',
  joining: 'Joining its lines to outlines',
  building: 'Raising the buildings',
};
const NONE = '';

const LEFT_OUT: Readonly<Record<LeftOutReason, string>> = {
  cornersMissing: 'because corners of theirs are not in the file',
  notClosed: 'because their outline does not close',
  noArea: 'because they enclose nothing',
  underItsBase: 'because they end under their base',
  outOfRange: 'because their size or place is out of all measure',
};
const MOST_NAMED = 5;

function leftOutSentence({ reason, count, ids }: LeftOut): string {
  const named = ids.slice(0, MOST_NAMED).join(', ');
  return `${count} left out ${LEFT_OUT[reason]}: ${named}${count > MOST_NAMED ? ' and others' : ''}.`;
}

/** The buildings that the walk leads through: from a map's file, by hand, or a street by its two walls. */
@Component({
  selector: 'rd-light-district',
  imports: [ChoiceField, MatButtonModule, StreetPlan, ThresholdsPanel, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './district-page.html',
  styleUrls: ['../set-up/page.scss', './district-page.scss'],
})
export class DistrictPage {
  protected readonly room = inject(LightState);
  private readonly walkActions = inject(WalkActions);
  private readonly stopActions = inject(StopActions);
  private readonly maps = inject(MapsService);

  protected readonly levelM = signal(3.2);
  protected readonly defaultHeightM = signal(9);
  protected readonly metres = numberCodec({ low: 2, high: 300, unit: 'm', decimals: 1, step: 0.5 });
  protected readonly levelMetres = numberCodec({ low: 2, high: 6, unit: 'm', decimals: 2, step: 0.1 });
  protected readonly wallMetres = numberCodec({ low: 0, high: 300, unit: 'm', decimals: 1, step: 0.5 });
  protected readonly groundMetres = numberCodec({ low: -50, high: 500, unit: 'm', decimals: 1, step: 0.5 });

  private reading: Subscription | null = null;
  protected readonly progress = signal<{ readonly words: string; readonly percent: number } | null>(null);
  protected readonly problem = signal<string | null>(null);
  /** Thousands of buttons are made only for those who want them. */
  protected readonly isListOpen = signal(false);
  protected readonly report = signal<DistrictReport | null>(null);
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
    const heights =
      assumed === 0 ? 'All heights are known' : `${counted(assumed, 'height is', 'heights are')} assumed (dashed on the plan)`;
    const extra = [
      ...(own > 0 ? [`${own} set by you`] : []),
      ...(district.trees.length > 0 ? [counted(district.trees.length, 'tree', 'trees')] : []),
      ...(district.waters.length > 0 ? [counted(district.waters.length, 'water', 'waters')] : []),
    ];
    return `${counted(district.buildings.length, 'building', 'buildings')}. ${[heights, ...extra].join(', ')}.`;
  });
  protected readonly reportWords = computed(() => {
    const report = this.report();
    if (report === null) return '';
    const { givenHeights, levelHeights, assumedHeights, replacedByParts, leftOut } = report;
    const words = [
      `${givenHeights} with a height`,
      `${levelHeights} by their levels`,
      `${assumedHeights} assumed ${this.defaultHeightM()} m high`,
    ];
    if (replacedByParts > 0) words.push(`${replacedByParts} outlines replaced by their parts`);
    return [`Read: ${words.join(', ')}.`, ...leftOut.map(leftOutSentence)].join(' ');
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
  protected readonly widthCodec = numberCodec({ low: 1, high: 200, unit: 'm', decimals: 1, step: 0.5 });
  protected readonly bearing = numberCodec({ low: 0, high: 359.9, unit: '°', decimals: 1 });
  protected readonly plan = computed(() => {
    const district = this.room.district();
    return district === null ? null : { district, key: district.id };
  });

  protected async readFile(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    const walk = this.room.walk();
    if (file === undefined || walk === null) return;
    this.stop();
    this.problem.set(null);
    this.report.set(null);
    this.progress.set({ words: DOING.reading, percent: 0 });
    const name = file.name.replace(/\.[^.]*$/, '');
    const options = { id: createId(), name, defaultHeightM: this.defaultHeightM(), levelM: this.levelM(), origin: null };
    this.reading = this.maps.readDistrict(file, options).subscribe({
      next: (step) => {
        if (step.kind === 'progress')
          this.progress.set({ words: DOING[step.progress.doing], percent: Math.round(100 * step.progress.share) });
        else if (step.kind === 'done') void this.take(file.name, walk, step.answer);
        else this.fail(file.name, step.message);
      },
      error: (error: unknown) => this.fail(file.name, error instanceof Error ? error.message : String(error)),
    });
  }

  protected stop(): void {
    this.reading?.unsubscribe();
    this.reading = null;
    this.progress.set(null);
  }

  private async take(fileName: string, walk: Walk, read: ReadDistrict): Promise<void> {
    this.progress.set(null);
    if (!read.ok) {
      this.fail(fileName, `${read.message}${read.where === null ? '' : ` (${read.where})`}`);
      return;
    }
    const refusal = await this.walkActions.takeDistrict(walk, read.district, fileName);
    if (refusal === null) this.report.set(read.report);
    else this.fail(fileName, refusal);
  }

  private fail(fileName: string, message: string): void {
    this.progress.set(null);
    this.problem.set(`${fileName}: ${message} Nothing was changed.`);
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
