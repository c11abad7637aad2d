import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { bodyShutters } from '@roam-dial/core/kit';
import type { Evaluation } from '@roam-dial/core/setup';
import { APPROACHES, type ManualSettings } from '@roam-dial/core/stop';
import { markedBetween, snapToMark } from '@roam-dial/core/units';
import type { Card } from '../../state/card/card.store';
import { StopActions } from '../../state/walk/stop.actions';
import { PinnedStore } from './pinned.store';
import type { Wording } from '../../words/wording';
import { dialText } from './what-holds/limits-view';
import { RoomState } from './room-state';

type Axis = 'aperture' | 'dial' | 'focus';
type Controls = Card['cells']['scene']['controls'];

const AXIS_NAMES = { slowestAuto: 'Slowest shutter', shutter: 'Shutter', iso: 'ISO', support: 'Support' } as const;

/** An ISO that the camera has set, as the mark that it shows. */
export function isoText(iso: number, { kit: { body } }: Card, wording: Wording): string {
  const marks = markedBetween('iso', body.markStep, body.lowestIso, body.highestIso);
  return wording.iso(snapToMark({ value: iso, marks, direction: 'nearest' }) ?? iso, body.markStep);
}

/** A set-up in one line. */
export function handText({ hand, camera }: Evaluation, card: Card, wording: Wording): string {
  const { body, lens } = card.kit;
  const time = hand.shutterS ?? camera.shutterS;
  return [
    wording.aperture(hand.fNumber, lens.clickStep),
    wording.exactDistance(hand.focusM),
    wording.shutter(snapToMark({ value: time, marks: bodyShutters(body), direction: 'nearest' }) ?? time, body.markStep),
    `ISO ${isoText(camera.iso, card, wording)}`,
    ...(hand.support === 'handheld' ? [] : [hand.support === 'braced' ? 'braced' : 'tripod']),
  ].join(', ');
}

/** What you set, each a step at a time; back to best; and one set-up put aside to compare with. */
@Component({
  selector: 'rd-hand-bar',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (view(); as v) {
      <div class="controls" role="group" aria-label="What you set">
        @for (one of v.controls; track one.axis) {
          <div class="control">
            <span class="label soft">{{ one.name }}</span>
            <span class="step">
              <button
                type="button"
                class="plain-button"
                [disabled]="!one.canLess"
                [attr.aria-label]="one.name + ': less'"
                (click)="step(one.axis, -1)"
              >
                −
              </button>
              <b class="figure">{{ one.text }}</b>
              <button
                type="button"
                class="plain-button"
                [disabled]="!one.canMore"
                [attr.aria-label]="one.name + ': more'"
                (click)="step(one.axis, 1)"
              >
                +
              </button>
            </span>
          </div>
        }
        <div class="control chance">
          <span class="label soft">Good frames</span>
          <b class="figure">{{ v.chance }} in 100</b>
        </div>
        <div class="actions">
          @if (v.isChosen) {
            <button mat-stroked-button type="button" (click)="back()">Back to best</button>
          }
          <button mat-button type="button" (click)="pin()">Pin this</button>
        </div>
      </div>
      @if (v.pinned; as p) {
        <div class="pinned">
          <span>
            Pinned:
            <b class="figure">{{ p.text }}</b>
            , {{ p.chance }} in 100. {{ p.difference }}
          </span>
          <button type="button" class="link-button" (click)="setPinned()">Set it</button>
          <button type="button" class="link-button" (click)="unpin()">Unpin</button>
        </div>
      }
    }
  `,
  styleUrl: './settings-bar.scss',
})
export class SettingsBar {
  private readonly room = inject(RoomState);
  private readonly stopActions = inject(StopActions);
  private readonly pinnedStore = inject(PinnedStore);
  private readonly pinned = toSignal(this.pinnedStore.pinned$, { initialValue: null });

  protected readonly view = computed(() => {
    const [card, place, found] = [this.room.card(), this.room.place(), this.room.found()];
    if (card === null || place === null || found === null) return null;
    const wording = this.room.wording();
    const { controls } = card.cells.scene;
    const control = (axis: Axis, name: string, marks: readonly number[], at: number, text: string) => {
      const [hasBefore, hasAfter] = [at > 0, at < marks.length - 1];
      const [canLess, canMore] = isReversed(controls, axis) ? [hasAfter, hasBefore] : [hasBefore, hasAfter];
      return { axis, name, text, canLess, canMore };
    };
    const mark = controls.dial.values[place.dial] as number;
    const pinned = this.pinned();
    return {
      controls: [
        control(
          'aperture',
          'Aperture',
          controls.fNumbers,
          place.aperture,
          wording.aperture(found.hand.fNumber, card.kit.lens.clickStep),
        ),
        control('focus', 'Focus', controls.focusM, place.focus, wording.exactDistance(found.hand.focusM)),
        control(
          'dial',
          AXIS_NAMES[controls.dial.kind],
          controls.dial.values,
          place.dial,
          dialText(controls.dial, mark, card, wording).replace('ISO ', ''),
        ),
      ],
      chance: Math.round(found.chance * 100),
      isChosen: card.isChosen,
      pinned: pinned?.stopId === card.stop.id ? this.pinnedView(pinned.found, found, card) : null,
    };
  });

  private pinnedView(pinned: Evaluation, found: Evaluation, card: Card): { text: string; chance: number; difference: string } {
    const gain = Math.round((found.chance - pinned.chance) * 100);
    const iso = Math.round((found.isoStops - pinned.isoStops) * 3) / 3;
    const said = gain === 0 ? 'As good as it' : `This one has ${Math.abs(gain)} ${gain > 0 ? 'more' : 'fewer'}`;
    const stops = this.room.wording().stops(Math.abs(iso), 'third').replace('+', '');
    const cost = Math.abs(iso) < 0.1 ? 'at the same ISO' : `at ${stops} stops ${iso > 0 ? 'more' : 'less'} ISO`;
    return {
      text: handText(pinned, card, this.room.wording()),
      chance: Math.round(pinned.chance * 100),
      difference: `${said}, ${cost}.`,
    };
  }

  protected step(axis: Axis, by: 1 | -1): void {
    const [card, place] = [this.room.card(), this.room.place()];
    if (card === null || place === null) return;
    const { controls } = card.cells.scene;
    this.stopActions.setHand(card, changeTo(controls, axis, place[axis] + (isReversed(controls, axis) ? -by : by)));
  }

  protected back(): void {
    const card = this.room.card();
    if (card !== null) this.stopActions.backToBest(card);
  }

  protected pin(): void {
    const card = this.room.card();
    if (card !== null) this.pinnedStore.pin(card);
  }

  protected setPinned(): void {
    const [card, pinned] = [this.room.card(), this.pinned()];
    if (card !== null && pinned !== null) this.stopActions.setHand(card, pinned.found.hand);
  }

  protected unpin(): void {
    this.pinnedStore.unpin();
  }
}

/** More of a shutter is a faster one, against the order of the marks. */
function isReversed({ dial }: Controls, axis: Axis): boolean {
  return axis === 'dial' && (dial.kind === 'shutter' || dial.kind === 'slowestAuto');
}

function changeTo(controls: Controls, axis: Axis, at: number): Partial<ManualSettings> {
  if (axis === 'aperture') return { fNumber: controls.fNumbers[at] as number };
  if (axis === 'focus') return { focusM: controls.focusM[at] as number };
  const mark = controls.dial.values[at] as number;
  switch (controls.dial.kind) {
    case 'iso':
      return { iso: mark };
    case 'support':
      return { support: APPROACHES.support[mark] as ManualSettings['support'] };
    case 'shutter':
    case 'slowestAuto':
      return { shutterS: mark };
  }
}
