import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { exposureValue100 } from '@roam-dial/core/exposure';
import { bodyShutters } from '@roam-dial/core/kit';
import { ladderOf, type LightLadder } from '@roam-dial/core/setup';
import { type ManualSettings, isSameHand } from '@roam-dial/core/stop';
import { markedBetween, snapToMark } from '@roam-dial/core/units';
import { type Card, CardStore } from '../../state/card/card.store';
import { StopActions } from '../../state/walk/stop.actions';
import { FindingsStore } from '../../state/card/findings.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { MarkWheel } from '../../ui/mark-wheel';
import { nearestIndex } from '../../ui/nearest-mark';

const LARGEST_OFFSET_EV = 12;
/** Half of a ladder's step. */
const HALF_STEP_EV = 1 / 6;

/** What the camera shows of itself: the value that it sets at this light. */
export interface Shown {
  readonly control: 'iso' | 'shutter';
  readonly value: number;
}

/** The control that floats at this light: ISO where it is off its base or the hand holds the time, else the shutter. */
export function shownBy({ result, cells }: Card): Shown | null {
  const { iso, found } = { iso: result.setUp.iso, found: result.setUp.found };
  const { mode } = cells.scene.controls;
  if (mode === 'nothingFloats') return null;
  const isAtBase = found.camera.iso <= iso.lowest * 1.001;
  if (mode === 'isoFloats' || (mode === 'shutterThenIso' && !isAtBase)) return { control: 'iso', value: iso.expected };
  const marks = bodyShutters(cells.scene.input.body);
  const value = snapToMark({ value: found.camera.shutterS, marks, direction: 'nearest' }) ?? found.camera.shutterS;
  return { control: 'shutter', value };
}

/** Stops onto the model's light where the camera shows this value for the set-up in hand, its key placed as it is. */
export function offsetFor({ result, light }: Card, { control, value }: Shown): number {
  const { aperture, shutter, meter, iso, found } = result.setUp;
  const metered =
    control === 'iso'
      ? exposureValue100({ fNumber: aperture.fNumber, shutterS: shutter.seconds, iso: value })
      : exposureValue100({ fNumber: aperture.fNumber, shutterS: value, iso: Math.min(found.camera.iso, iso.highest) });
  return metered + meter.keyPlacementEv - light.modelEv100;
}

function handOn({ rungs }: LightLadder, ev100: number): ManualSettings | null {
  const rung = rungs.find(({ fromEv100, toEv100 }) => ev100 <= fromEv100 + HALF_STEP_EV && ev100 >= toEv100 - HALF_STEP_EV);
  return rung?.setUp.hand ?? null;
}

/** What the camera shows, against what the model says: corrects the stop's light from now on. */
@Component({
  selector: 'rd-spot-light',
  imports: [MarkWheel, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (card(); as c) {
      <div class="spot" [class.in-hand]="isInHand()">
        @if (shown(); as s) {
          <rd-mark-wheel
            class="wheel"
            label="What the camera shows"
            [lessLabel]="'The camera shows a ' + (s.control === 'iso' ? 'lower ISO' : 'faster shutter') + ': more light'"
            [moreLabel]="'The camera shows a ' + (s.control === 'iso' ? 'higher ISO' : 'slower shutter') + ': less light'"
            [prefix]="s.control === 'iso' ? 'ISO ' : ''"
            [marks]="s.texts"
            [index]="s.index"
            (chosen)="show(s.control, s.values[$event])"
          />
        }
        <div class="drops">
          <button mat-stroked-button type="button" (click)="shift(-1)">Light dropped</button>
          <button mat-stroked-button type="button" (click)="shift(1)">Light rose</button>
          @if (c.light.readingOffsetEv !== 0) {
            <button mat-button type="button" (click)="reset()">Use the calculated light</button>
          }
        </div>
        <p class="answer" role="status">{{ answer() }}</p>
      </div>
    }
  `,
  styles: `
    @use 'phone';
    .spot {
      margin-top: var(--space-3);
      padding-top: var(--space-2);
      border-top: 1.5px solid var(--rule-strong);
    }
    .drops {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: var(--space-2);
      margin-top: var(--space-2);
    }
    .answer:empty {
      display: none;
    }
    .answer {
      margin-top: var(--space-1);
      font-size: var(--text-small);
    }
    .in-hand {
      margin: 0;
      padding: 0;
      border: 0;
      .drops {
        margin-top: 6px;
      }
      .drops button {
        flex: 1;
        min-height: 48px;
      }
    }
    @include phone.short {
      .in-hand {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 4px;
        .wheel {
          flex: 1;
        }
        .drops {
          flex-wrap: nowrap;
          gap: 4px;
          margin: 0;
        }
        .drops button {
          --mat-button-outlined-horizontal-padding: 6px;
          min-width: 0;
          max-width: 76px;
          line-height: 1.1;
          white-space: normal;
        }
        .answer {
          flex-basis: 100%;
        }
      }
    }
  `,
})
export class SpotLight {
  readonly isInHand = input(false);

  private readonly stopActions = inject(StopActions);
  private readonly wording = wordingSignal();
  private readonly state = toSignal(inject(CardStore).card$);
  /** The card before the last correction, to say what it changed in the hand. */
  private before: Card | null = null;

  protected readonly card = computed(() => {
    const state = this.state();
    return state?.kind === 'card' ? state : null;
  });
  private readonly ladder = toSignal(inject(FindingsStore).ladder$);
  /** Which marks the wheel has: the same ones as long as neither the control nor the body is another. */
  private readonly ends = computed(
    () => {
      const card = this.card();
      const control = card === null ? undefined : shownBy(card)?.control;
      if (card === null || control === undefined) return null;
      const { lowest, highest } = card.result.setUp.iso;
      return { control, body: card.kit.body, lowest, highest };
    },
    {
      equal: (a, b) => a?.control === b?.control && a?.body === b?.body && a?.lowest === b?.lowest && a?.highest === b?.highest,
    },
  );
  private readonly marks = computed(() => {
    const [ends, wording] = [this.ends(), this.wording()];
    if (ends === null) return null;
    const { control, body, lowest, highest } = ends;
    const values = control === 'iso' ? markedBetween('iso', body.markStep, lowest, highest) : bodyShutters(body);
    const say = (value: number): string =>
      control === 'iso' ? wording.iso(value, body.markStep) : wording.shutter(value, body.markStep);
    return { control, values, texts: values.map(say) };
  });
  /** The marks of the control that floats, from the most light to the least, and where among them it is. */
  protected readonly shown = computed(() => {
    const [card, marks] = [this.card(), this.marks()];
    const shown = card === null ? null : shownBy(card);
    return shown === null || marks === null ? null : { ...marks, index: nearestIndex(marks.values, shown.value) };
  });
  protected readonly answer = computed(() => {
    const card = this.card();
    if (card === null || this.before === null || this.before.stop.id !== card.stop.id) return '';
    if (this.before.light.readingOffsetEv === card.light.readingOffsetEv) return '';
    return this.changed(this.before, card);
  });

  protected show(control: Shown['control'], value: number | undefined): void {
    const card = this.card();
    if (card !== null && value !== undefined) this.correct(card, offsetFor(card, { control, value }));
  }

  protected shift(stops: 1 | -1): void {
    const card = this.card();
    if (card !== null) this.correct(card, card.light.readingOffsetEv + stops);
  }

  /** The model's light, and the best in it. */
  protected reset(): void {
    const card = this.card();
    if (card !== null) this.write(card, 0, null);
  }

  private correct(card: Card, offsetEv: number): void {
    const thirds = Math.round(offsetEv * 3) / 3;
    const lightOffsetEv = Math.max(-LARGEST_OFFSET_EV, Math.min(LARGEST_OFFSET_EV, thirds));
    this.write(card, lightOffsetEv, this.heldAt(card, card.light.modelEv100 + lightOffsetEv));
  }

  /** What the ladder has the hand hold at a light, so that it changes only where a rung says so. */
  private heldAt(card: Card, ev100: number): ManualSettings | null {
    const { hand } = card.result.setUp.found;
    const finding = this.ladder();
    const known = finding?.card.stop.id === card.stop.id ? finding.answer : null;
    // The last ladder counts as long as the hand stands on it. One that the worker still owes is worked out here: a tap must
    // not mean something else because it came early.
    const now = known === null ? null : handOn(known, card.light.keyEv100);
    const isOnIt = known !== null && now !== null && isSameHand(now, hand);
    const ladder = isOnIt ? known : ladderOf(card.cells.scene, card.light.keyEv100, { through: hand });
    return handOn(ladder, ev100);
  }

  private write(card: Card, lightOffsetEv: number, hand: ManualSettings | null): void {
    this.before = card;
    this.stopActions.correctLight(card, lightOffsetEv, hand);
  }

  /** "open up to f/4", or nothing to change. */
  private changed(before: Card, after: Card): string {
    const wording = this.wording();
    const [from, to] = [before.result.setUp, after.result.setUp];
    const ev = `EV ${wording.ev(after.light.keyEv100)}`;
    if (after.result.kind === 'cannot') return `${ev}: too little light for this picture.`;
    const words: string[] = [];
    if (to.aperture.fNumber !== from.aperture.fNumber) {
      const way = to.aperture.fNumber < from.aperture.fNumber ? 'open up' : 'stop down';
      words.push(`${way} to ${wording.aperture(to.aperture.fNumber, after.kit.lens.clickStep)}`);
    }
    if (to.focus.distanceM !== from.focus.distanceM) words.push(`focus ${wording.exactDistance(to.focus.distanceM)}`);
    if (to.shutter.seconds !== from.shutter.seconds && to.shutter.role !== 'camera') {
      words.push(`shutter ${wording.shutter(to.shutter.seconds, after.kit.body.markStep)}`);
    }
    return words.length === 0
      ? `${ev}: nothing to change, ${shownBy(after)?.control === 'iso' ? 'ISO' : 'the shutter'} follows.`
      : `${ev}: ${words.join(', ')}.`;
  }
}
