import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { type Body, DEFAULT_STANDARD, type ShakeRule, type Standard, usualIsoCeiling } from '@roam-dial/core/kit';
import type { SharpnessStandard } from '@roam-dial/core/optics';
import { ofKind } from '@roam-dial/core/plan';
import { formatEntry } from '@roam-dial/core/units';
import { CardFocus, type CardTarget } from '../../state/selection/card-focus';
import { KitActions } from '../../state/kit/actions';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { ChoiceField } from '../../fields/choice-field';
import { choicesOf } from '../../words/choices';
import { ValueField } from '../../fields/value-field';
import { distanceCodec, entryCodec, numberCodec, optional, percentCodec } from '../../fields/codec';
import { NOISE_CHOICES, type NoiseTolerance, noiseToleranceOf, withNoiseTolerance } from './noise-tolerance';
import { cardNumbers } from './card-numbers';
import { FiguresEditor } from './figures-editor';

const OWN_CIRCLE_MM = 0.025;
const FLOOR_S = 2 ** -7;

/** A person's own limits: sharpness, steadiness, noise, guessing, pace. */
@Component({
  selector: 'rd-standard-editor',
  imports: [ChoiceField, FiguresEditor, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './standard-editor.html',
  styleUrl: './field-row.scss',
})
export class StandardEditor {
  private readonly actions = inject(KitActions);
  private readonly cardFocus = inject(CardFocus);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly unit = computed(() => (this.workspace()?.settings ?? DEFAULT_SETTINGS).lengthUnit);
  protected readonly numbers = cardNumbers();
  protected readonly standard = computed(() => this.workspace()?.standard ?? DEFAULT_STANDARD);
  protected readonly bodies = computed(() =>
    ofKind(this.workspace()?.kit ?? [], 'body').filter(({ medium }) => medium === 'digital'),
  );

  protected readonly sharpnessChoices = choicesOf<SharpnessStandard['kind']>({
    armsLength: 'a print at arm’s length (diagonal/1500)',
    strict: 'strict (diagonal/3000)',
    twoPixels: 'at 100 % (two pixels)',
    own: 'own circle of confusion',
  });
  protected readonly ruleChoices = choicesOf<ShakeRule['kind']>({
    reciprocal: '1/f',
    reciprocalCrop: '1/(f x crop)',
    halfReciprocalCrop: '1/(2f x crop)',
    floor: 'a fixed floor',
  });
  protected readonly circle = numberCodec({ low: 0.001, high: 0.2, decimals: 4, step: 0.001, unit: 'mm' });
  protected readonly floor = entryCodec({ kind: 'shutter', step: 'third' }, { low: 1 / 8000, high: 1 });
  protected readonly steadiness = numberCodec({ low: -4, high: 6, step: 0.5, unit: 'stops' });
  protected readonly steadinessSpread = numberCodec({ low: 0.1, high: 3, step: 0.1, unit: 'stops' });
  protected readonly spread = percentCodec(100);
  protected readonly bias = percentCodec(100, -50);
  protected readonly pace = numberCodec({ low: 0.2, high: 4, step: 0.1, unit: 'm/s' });
  protected readonly reaction = numberCodec({ low: 0, high: 10, step: 0.1, unit: 's' });
  protected readonly stride = computed(() => distanceCodec(this.unit(), { low: 0.2, high: 2 }));

  protected readonly tolerance = computed(() => noiseToleranceOf(this.standard()));
  protected readonly noiseChoices = computed(() =>
    NOISE_CHOICES.filter(({ value }) => value !== 'own' || this.tolerance() === 'own'),
  );

  protected setTolerance(tolerance: NoiseTolerance): void {
    this.actions.changeStandard((standard) => withNoiseTolerance(standard, tolerance));
  }

  protected usualCeilingOf(body: Body): string {
    return `${formatEntry(usualIsoCeiling(body), { kind: 'iso', step: body.markStep })}, usual for this sensor`;
  }

  protected ceilingOf(body: Body): number | null {
    return this.standard().isoCeilingByBody[body.id] ?? null;
  }

  protected ceilingCodec({ markStep, baseIso, highestIso }: Body): ReturnType<typeof optional<number>> {
    return optional(entryCodec({ kind: 'iso', step: markStep }, { low: baseIso, high: highestIso }));
  }

  protected setCeiling({ id }: Body, iso: number | null): void {
    const others = Object.entries(this.standard().isoCeilingByBody).filter(([bodyId]) => bodyId !== id);
    this.set({ isoCeilingByBody: Object.fromEntries(iso === null ? others : [...others, [id, iso]]) });
  }

  protected setSharpness(kind: SharpnessStandard['kind']): void {
    this.set({ sharpness: kind === 'own' ? { kind, circleOfConfusionMm: OWN_CIRCLE_MM } : { kind } });
  }

  protected setRule(kind: ShakeRule['kind']): void {
    this.set({ shakeRule: kind === 'floor' ? { kind, floorS: FLOOR_S } : { kind } });
  }

  protected set(change: Partial<Standard>): void {
    this.actions.changeStandard((standard) => ({ ...standard, ...change }));
  }

  protected point(target: CardTarget): void {
    this.cardFocus.pointAt(target);
  }
}
