import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { fitSteadiness } from '@roam-dial/core/handheld';
import {
  bodyShutters,
  FIGURE_RANGES,
  focusPositionsM,
  lensApertures,
  type Standard,
  type StoredHandTest,
} from '@roam-dial/core/kit';
import { barrelTape, type MissingMeasurement } from '@roam-dial/core/optics';
import { shakeLimitS, steadyCurve } from '@roam-dial/core/setup';
import { KeeperCurve } from './keeper-curve';
import type { Card } from '../../../state/card/card.store';
import { saveBlob } from '../../../base/save-file';
import { KitActions } from '../../../state/kit/actions';
import { ChoiceField } from '../../../fields/choice-field';
import { ValueField } from '../../../fields/value-field';
import { numberCodec } from '../../../fields/codec';
import { barrelTapePdf } from './barrel-tape-pdf';
import { fieldCheck } from './field-check';
import { RoomState } from '../room-state';

const FULL_STOP = Math.SQRT2;
const STEADINESS = { low: -4, high: 6 };
const FLOOR = { low: 1 / 8000, high: 1 };
const FASTEST_DRAWN_S = 1 / 1000;
const SLOWEST_DRAWN_S = 2;

const MEASURE: Readonly<Record<MissingMeasurement, string>> = {
  ringDiameter: 'The diameter of the focus ring: wrap a strip of paper round it, mark where it meets, measure, divide by 3.14.',
  direction: 'Which way the ring turns towards infinity, seen from behind the camera.',
  infinity: 'Where infinity is: the turn in degrees at the end of the throw, written as “inf: 90”.',
  moreDistances:
    'At least four distances: tape a paper ruler around the ring, focus on things at 0.5, 1, 2 and 5 m measured with a tape, note the turn at each; 1° is the ring’s circumference divided by 360.',
  order: 'The turn has to go one way as the distance grows: one of the measured points is out of order.',
};

/** My hands: what they hold, finding focus on the spot, and the tape for a lens without marks. */
@Component({
  selector: 'rd-hands-page',
  imports: [ChoiceField, KeeperCurve, MatButtonModule, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './hands-page.html',
  styleUrls: ['../page.scss', './hands-page.scss'],
})
export class HandsPage {
  private readonly room = inject(RoomState);
  private readonly kitActions = inject(KitActions);
  protected readonly wording = this.room.wording;
  protected readonly count = numberCodec({ low: 1, high: 10_000, decimals: 0 });
  protected readonly good = numberCodec({ low: 0, high: 10_000, decimals: 0 });
  protected readonly tapeProblem = signal('');

  private readonly tests = computed<readonly StoredHandTest[]>(() => this.room.card()?.standard.handTests ?? []);

  protected readonly keepers = computed(() => {
    const card = this.room.card();
    if (card === null) return null;
    const { input } = card;
    const wording = this.wording();
    const step = card.kit.body.markStep;
    const ruleS = ruleLimitS(card);
    const tests = this.tests().map((one) => ({ ...one, shutterS: one.againstRule * ruleS }));
    const limitS = shakeLimitS({ ...input, shooting: standing(input) }, 'handheld');
    const fit = tests.length === 0 ? null : fitSteadiness(tests, ruleS * 2 ** card.standard.steadinessStops);
    const one = standing(input);
    const curves = [
      { name: 'by hand', isOwn: true, at: steadyCurve({ ...input, shooting: one }, 'handheld') },
      { name: 'braced', isOwn: false, at: steadyCurve({ ...input, shooting: one }, 'braced') },
      { name: 'walking', isOwn: false, at: steadyCurve({ ...input, shooting: { ...one, isWalking: true } }, 'handheld') },
    ];
    const fitted =
      fit === null
        ? ''
        : ` Your own frames say ${wording.shutter(fit.limitS, step)}, give or take ${fit.limitErrorStops.toFixed(1)} stops.`;
    const marksS = bodyShutters(card.kit.body).filter((time) => time >= FASTEST_DRAWN_S && time <= SLOWEST_DRAWN_S);
    return {
      curves,
      limitS,
      band: fit === null ? null : fit.at,
      dots: tests.map(({ shutterS, frames, sharp }) => ({ shutterS, frames, share: sharp / frames })),
      times: [FASTEST_DRAWN_S, SLOWEST_DRAWN_S],
      say: (seconds: number): string => wording.shutter(seconds, step),
      sentence: `${Number(card.kit.focalLengthMm.toFixed(1))} mm: four frames of five are steady at ${wording.shutter(limitS, step)}.${fitted}`,
      fit,
      ruleS,
      rows: tests.map((test) => ({
        ...test,
        text: wording.shutter(test.shutterS, step),
        mark: String(nearestTime(marksS, test.shutterS)),
      })),
      marksS,
      marks: marksS.map((markS) => ({ value: String(markS), label: wording.shutter(markS, step) })),
    };
  });
  protected readonly check = computed(() => {
    const card = this.room.card();
    return card === null ? null : fieldCheck(card, this.wording());
  });
  protected readonly tape = computed(() => {
    const card = this.room.card();
    if (card === null) return null;
    const { lens, focalLengthMm } = card.kit;
    const apertures = lensApertures(lens, focalLengthMm);
    const widest = apertures[0] ?? 2;
    const fNumbers = apertures.filter((fNumber) => isFullStopFrom(widest, fNumber) && fNumber >= 2.7);
    const found = barrelTape({
      measured: lens,
      focalLengthMm,
      circleOfConfusionMm: card.cells.scene.circleMm,
      fNumbers: fNumbers.length > 0 ? fNumbers : apertures,
      distancesM: focusPositionsM(lens),
    });
    return found.kind === 'tape'
      ? { kind: 'tape' as const, found, lensName: lens.name, focalLengthMm }
      : { kind: 'needs' as const, lensName: lens.name, list: found.missing.map((one) => MEASURE[one]) };
  });

  protected moveLimit(stops: number): void {
    this.kitActions.adjustStandard('steadiness', (standard) => moved(standard, stops));
  }

  protected useFit(): void {
    const keepers = this.keepers();
    if (keepers?.fit == null) return;
    const { limitS, spreadStops } = keepers.fit;
    const stops = Math.log2(limitS / keepers.ruleS);
    this.kitActions.changeStandard(
      (standard) => ({
        ...moved({ ...standard, steadinessStops: 0 }, Math.round(stops * 100) / 100),
        steadinessSpreadStops: Math.round(spreadStops * 100) / 100,
      }),
      'take your steadiness from your frames',
    );
  }

  /** The slowest time not tried yet, near where the curve bends. */
  protected addTest(): void {
    const keepers = this.keepers();
    if (keepers === null) return;
    const tried = new Set(keepers.rows.map(({ shutterS }) => Math.round(Math.log2(shutterS) * 3)));
    const near = [...keepers.marksS].sort(byNearnessTo(keepers.limitS));
    const shutterS = near.find((time) => !tried.has(Math.round(Math.log2(time) * 3))) ?? keepers.limitS;
    this.setTests([...this.tests(), { againstRule: shutterS / keepers.ruleS, frames: 10, sharp: 8 }]);
  }

  protected putTest(index: number, change: Partial<StoredHandTest>): void {
    this.setTests(
      this.tests().map((test, k) => {
        if (k !== index) return test;
        const next = { ...test, ...change };
        return { ...next, sharp: Math.min(next.sharp, next.frames) };
      }),
    );
  }

  protected putTime(index: number, mark: string): void {
    const keepers = this.keepers();
    if (keepers !== null) this.putTest(index, { againstRule: Number(mark) / keepers.ruleS });
  }

  protected removeTest(index: number): void {
    this.setTests(this.tests().filter((_, k) => k !== index));
  }

  private setTests(handTests: readonly StoredHandTest[]): void {
    this.kitActions.adjustStandard('test of your hands', (standard) => ({ ...standard, handTests }));
  }

  protected async saveTape(): Promise<void> {
    const tape = this.tape();
    if (tape?.kind !== 'tape') return;
    const wording = this.wording();
    const step = this.room.card()?.kit.lens.clickStep ?? 'third';
    try {
      const bytes = await barrelTapePdf(tape.found, {
        title: `${tape.lensName}: barrel tape`,
        basis: `${Number(tape.focalLengthMm.toFixed(1))} mm, depth by your own standard of sharpness.`,
        distance: (distanceM) => wording.exactDistance(distanceM),
        aperture: (fNumber) => wording.aperture(fNumber, step),
      });
      this.tapeProblem.set('');
      saveBlob(new Blob([bytes as BlobPart], { type: 'application/pdf' }), 'barrel-tape.pdf');
    } catch (error) {
      this.tapeProblem.set(`The tape could not be written: ${error instanceof Error ? error.message : String(error)}`);
    }
  }
}

/** One frame, standing: what the curve of the hands is about. */
function standing({ shooting }: Card['input']): NonNullable<Card['input']['shooting']> {
  const base = { smear: 'byIntent', lamp: 'steady', wantsGlitch: false, spotByEye: false } as const;
  return { ...base, ...shooting, burstFrames: 1, isWalking: false };
}

/** What the rule says for this lens without the person's own steadiness, however long that may be. */
function ruleLimitS({ input }: Card): number {
  const figures = { ...input.standard.figures, longestHandheldS: FIGURE_RANGES.longestHandheldS[1] };
  return shakeLimitS(
    { ...input, standard: { ...input.standard, figures, steadinessStops: 0 }, shooting: standing(input) },
    'handheld',
  );
}

/** Steadier by so many stops: against the rule, or the fixed floor itself where that is the rule. */
function moved(standard: Standard, stops: number): Standard {
  const { shakeRule } = standard;
  if (shakeRule.kind === 'floor') {
    const floorS = Math.max(FLOOR.low, Math.min(FLOOR.high, shakeRule.floorS * 2 ** stops));
    return { ...standard, shakeRule: { ...shakeRule, floorS } };
  }
  const wanted = Math.round((standard.steadinessStops + stops) * 100) / 100;
  return { ...standard, steadinessStops: Math.max(STEADINESS.low, Math.min(STEADINESS.high, wanted)) };
}

function isFullStopFrom(widest: number, fNumber: number): boolean {
  const stops = Math.log(fNumber / widest) / Math.log(FULL_STOP);
  return Math.abs(stops - Math.round(stops)) < 0.1;
}

/** Times that are sorted by how many stops they lie from one. */
const byNearnessTo =
  (timeS: number) =>
  (a: number, b: number): number =>
    Math.abs(Math.log2(a / timeS)) - Math.abs(Math.log2(b / timeS));

function nearestTime(timesS: readonly number[], timeS: number): number {
  return [...timesS].sort(byNearnessTo(timeS))[0] ?? timeS;
}
