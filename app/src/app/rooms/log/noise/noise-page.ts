import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { type Body, isoCeilingOf, type NoiseTest, type Standard } from '@roam-dial/core/kit';
import { ceilingByPatches, type NoiseCurve, noiseCurve, withCeiling } from '@roam-dial/core/log';
import { NoiseChart } from './noise-chart';
import { KitActions } from '../../../state/kit/actions';
import { patchThumbnailId } from '../../../storage/thumbnails';
import { NoiseReading } from './noise-reading';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { ChoiceField } from '../../../fields/choice-field';
import { noiseSentence } from '../words/noise';
import { KeptPicture } from '../../../shared/picture/kept-picture';

const NO_TEST: NoiseTest = { bodyId: '', points: [] };
/** Ratios that lie so near are the same choice. */
const SAME_RATIO = 1.01;

function curveOf({ points }: NoiseTest): NoiseCurve | null {
  return noiseCurve(points.map(({ iso, seen }) => ({ iso, ratio: seen })));
}

/** How noisy a body is: an even patch at each ISO, side by side at the size one looks at, and the ISO that one still takes. */
@Component({
  selector: 'rd-noise-page',
  imports: [ChoiceField, KeptPicture, MatButtonModule, MatProgressBarModule, NoiseChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './noise-page.html',
  styleUrl: './noise-page.scss',
})
export class NoisePage {
  protected readonly actions = inject(KitActions);
  private readonly reader = inject(NoiseReading);
  protected readonly reading = toSignal(this.reader.state$);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  protected readonly wording = wordingSignal();
  protected readonly thumbnailIdOf = patchThumbnailId;
  private readonly chosenId = signal<string | null>(null);

  private readonly standard = computed<Standard | null>(() => this.workspace()?.standard ?? null);
  private readonly tests = computed(() => this.standard()?.noise?.tests ?? []);
  protected readonly bodies = computed(() =>
    (this.workspace()?.kit ?? []).filter((item): item is Body => item.kind === 'body' && item.medium === 'digital'),
  );
  protected readonly choices = computed(() => this.bodies().map(({ id, name }) => ({ value: id, label: name || 'A body' })));
  protected readonly body = computed(() => {
    const tested = new Set(this.tests().map(({ bodyId }) => bodyId));
    const byId = this.bodies().find(({ id }) => id === this.chosenId());
    return byId ?? this.bodies().find(({ id }) => tested.has(id)) ?? this.bodies()[0] ?? null;
  });
  protected readonly test = computed(() => this.tests().find(({ bodyId }) => bodyId === this.body()?.id) ?? NO_TEST);
  protected readonly curve = computed(() => curveOf(this.test()));
  private readonly acceptedRatio = computed(() => this.standard()?.noise?.acceptedRatio ?? null);
  protected readonly accepted = computed(() => {
    const [ratio, curve] = [this.acceptedRatio(), this.curve()];
    return ratio === null || curve === null ? null : { ratio, iso: curve.isoFor(ratio) };
  });
  protected readonly patches = computed(() =>
    this.test().points.map((point) => {
      const ratio = this.acceptedRatio();
      return {
        point,
        iso: this.wording().iso(point.iso, 'third'),
        isAccepted: ratio !== null && point.seen >= ratio / SAME_RATIO,
        isLimit: ratio !== null && point.seen / ratio < SAME_RATIO && ratio / point.seen < SAME_RATIO,
      };
    }),
  );

  protected readonly found = computed(() => {
    const [body, standard, accepted, curve] = [this.body(), this.standard(), this.accepted(), this.curve()];
    if (body === null || standard === null || accepted === null || curve === null) return null;
    const today = isoCeilingOf(body, standard);
    const takes = withCeiling(standard, body, ceilingByPatches(curve, accepted.ratio, body), today);
    const iso = takes.isoCeilingByBody?.[body.id] ?? today;
    const say = (value: number): string => this.wording().iso(value, 'third');
    return {
      iso: say(iso),
      words: noiseSentence({ accepted, curve, today, isBeyond: accepted.iso > body.highestIso, say }),
      take: Math.abs(Math.log2(iso / today)) < 0.05 ? null : () => this.actions.takeFromPatches(body.name, takes),
    };
  });
  /** Every body that was tested, where the same noise is reached. */
  protected readonly others = computed(() => {
    const ratio = this.acceptedRatio();
    if (ratio === null || this.tests().length < 2) return [];
    return this.tests().flatMap((test) => {
      const [body, curve] = [this.bodies().find(({ id }) => id === test.bodyId), curveOf(test)];
      return body === undefined || curve === null
        ? []
        : [{ id: body.id, name: body.name, iso: this.wording().iso(Number(curve.isoFor(ratio).toPrecision(2)), 'third') }];
    });
  });
  protected readonly sentence = computed(() => {
    const points = this.test().points.map(({ iso, seen }) => `ISO ${iso}: ${seen.toFixed(0)} to 1`);
    return `Signal to noise at the size looked at. ${points.join(', ')}.`;
  });
  protected readonly share = computed(() => {
    const state = this.reading();
    return state === undefined || state.of === 0 ? 0 : (100 * state.done) / state.of;
  });

  protected choose(id: string): void {
    this.chosenId.set(id);
  }

  protected take(event: Event): void {
    const field = event.target as HTMLInputElement;
    const files = [...(field.files ?? [])];
    field.value = '';
    const body = this.body();
    if (body !== null) void this.reader.read(body, files);
  }
}
