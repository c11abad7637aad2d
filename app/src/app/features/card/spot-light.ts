import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { markedBetween, snapToMark } from '@roam-dial/core';
import { type Card, CardStore } from '../../state/card.store';
import { changeStop } from '../../state/edits';
import { WordingStore } from '../../state/wording.store';
import { WorkspaceStore } from '../../state/workspace.store';

const LARGEST_OFFSET_EV = 12;

/** The light that the set-up in hand meets when the camera shows this ISO: EV = log2(N²/t) − log2(iso/100) + placement. */
export function offsetForIso({ result, light }: Card, iso: number): number {
  const { aperture, shutter, meter } = result.setUp;
  const metered = 2 * Math.log2(aperture.fNumber) - Math.log2(shutter.seconds) - Math.log2(iso / 100);
  return metered + meter.keyPlacementEv - light.modelEv100;
}

/** What the camera shows, against what the model says: corrects the stop's light from now on. */
@Component({
  selector: 'rd-spot-light',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (card(); as c) {
      <div class="spot" [class.in-hand]="isInHand()">
        @if (floats()) {
          <div class="wheel" role="group" aria-label="ISO that the camera shows">
            <span class="soft">Camera shows</span>
            <button type="button" class="plain-button" aria-label="The camera shows a lower ISO: more light" (click)="turn(-1)">
              −
            </button>
            <span class="figure shown">ISO {{ shownIso() }}</span>
            <button type="button" class="plain-button" aria-label="The camera shows a higher ISO: less light" (click)="turn(1)">
              +
            </button>
          </div>
        }
        <div class="drops">
          <button mat-stroked-button type="button" (click)="shift(-1)">Light dropped</button>
          <button mat-stroked-button type="button" (click)="shift(1)">Light rose</button>
          @if (c.light.readingOffsetEv !== 0) {
            <button mat-button type="button" (click)="reset()">Back to the model</button>
          }
        </div>
        <p class="answer" role="status">{{ answer() }}</p>
      </div>
    }
  `,
  styles: `
    .spot {
      margin-top: var(--space-3);
      padding-top: var(--space-2);
      border-top: 1.5px solid var(--rule-strong);
    }
    .wheel,
    .drops {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: var(--space-2);
    }
    .wheel .soft {
      font-size: var(--text-small);
    }
    .shown {
      min-width: 84px;
      text-align: center;
      font-weight: 650;
    }
    .plain-button {
      border: 1px solid var(--ink-soft);
      font-size: 1.125rem;
    }
    .drops {
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
      .wheel .soft {
        display: none;
      }
      .plain-button {
        width: 64px;
      }
      .drops {
        margin-top: 6px;
      }
      .drops button {
        flex: 1;
        min-height: 48px;
      }
      .shown {
        flex: 1;
        font-size: 1.25rem;
      }
    }
  `,
})
export class SpotLight {
  readonly isInHand = input(false);

  private readonly store = inject(WorkspaceStore);
  private readonly wording = inject(WordingStore).wording;
  private readonly state = toSignal(inject(CardStore).card$);
  /** The card before the last correction, to say what it changed in the hand. */
  private before: Card | null = null;

  protected readonly card = computed(() => {
    const state = this.state();
    return state?.kind === 'card' ? state : null;
  });
  protected readonly floats = computed(() => {
    const iso = this.card()?.result.setUp.iso;
    return iso !== undefined && iso.highest > iso.lowest * 1.001;
  });
  protected readonly shownIso = computed(() => {
    const card = this.card();
    return card === null ? '' : this.wording().iso(card.result.setUp.iso.expected, card.kit.body.markStep);
  });
  protected readonly answer = computed(() => {
    const card = this.card();
    if (card === null || this.before === null || this.before.stop.id !== card.stop.id) return '';
    if (this.before.light.readingOffsetEv === card.light.readingOffsetEv) return '';
    return this.changed(this.before, card);
  });

  protected turn(direction: 1 | -1): void {
    const card = this.card();
    if (card === null) return;
    const { iso } = card.result.setUp;
    const marks = markedBetween('iso', card.kit.body.markStep, iso.lowest, iso.highest);
    const next = snapToMark({ value: iso.expected * 2 ** (direction * 0.2), marks, direction: direction === 1 ? 'up' : 'down' });
    if (next !== null) this.correct(card, offsetForIso(card, next));
  }

  protected shift(stops: 1 | -1): void {
    const card = this.card();
    if (card !== null) this.correct(card, card.light.readingOffsetEv + stops);
  }

  protected reset(): void {
    const card = this.card();
    if (card !== null) this.correct(card, 0);
  }

  private correct(card: Card, offsetEv: number): void {
    const thirds = Math.round(offsetEv * 3) / 3;
    const lightOffsetEv = Math.max(-LARGEST_OFFSET_EV, Math.min(LARGEST_OFFSET_EV, thirds));
    this.before = card;
    this.store.edit(
      { label: `correct the light at ${card.stop.name}`, mergeKey: `light/${card.stop.id}` },
      changeStop(card.walk.id, card.stop.id, (stop) => ({ ...stop, lightOffsetEv })),
    );
  }

  /** "open to f/4", or nothing to change. */
  private changed(before: Card, after: Card): string {
    const wording = this.wording();
    const [from, to] = [before.result.setUp, after.result.setUp];
    const ev = `EV ${wording.ev(after.light.keyEv100)}`;
    if (after.result.kind === 'cannot') return `${ev}: not this picture any more.`;
    const words: string[] = [];
    if (to.aperture.fNumber !== from.aperture.fNumber) {
      const way = to.aperture.fNumber < from.aperture.fNumber ? 'open' : 'close';
      words.push(`${way} to ${wording.aperture(to.aperture.fNumber, after.kit.lens.clickStep)}`);
    }
    if (to.focus.distanceM !== from.focus.distanceM) words.push(`focus ${wording.exactDistance(to.focus.distanceM)}`);
    if (to.shutter.seconds !== from.shutter.seconds && to.shutter.role !== 'camera') {
      words.push(`shutter ${wording.shutter(to.shutter.seconds, after.kit.body.markStep)}`);
    }
    return words.length === 0 ? `${ev}: nothing to change, ISO follows.` : `${ev}: ${words.join(', ')}.`;
  }
}
