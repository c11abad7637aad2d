import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { bestCell, cameraResponse, placeOfCell, type ResponsePoint } from '@roam-dial/core/setup';
import type { Approach } from '@roam-dial/core/stop';
import { ResponseChart, type ResponseWords } from './response-chart';
import { type Card, scenes } from '../../../state/card/card.store';
import { FindingsStore } from '../../../state/card/findings.store';
import { ChoiceField } from '../../../fields/choice-field';
import { EXPOSURE_CHOICES } from '../../../words/set-up/approaches';
import { ladderLines } from '../../../shared/card/ladder-lines';
import { HomePanel } from './home-panel';
import { RoomState } from '../room-state';
import { ApproachesPanel } from './approaches-panel';
import { WaysOutPanel } from '../what-holds/ways-out-panel';
import { Term } from '../../../ui/term';

const EV_TOP = 17;
const EV_FOOT = -3;
const THIRD = 1 / 3;
const EVS = Array.from({ length: (EV_TOP - EV_FOOT) * 3 + 1 }, (_, k) => EV_TOP - k * THIRD);

/** As light goes: what the camera does, what the hand changes, the schools side by side, ways out, and the home state. */
@Component({
  selector: 'rd-as-light-goes-page',
  imports: [Term, ChoiceField, HomePanel, ResponseChart, ApproachesPanel, WaysOutPanel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './as-light-goes-page.html',
  styleUrls: ['../page.scss', './as-light-goes-page.scss'],
})
export class AsLightGoesPage {
  private readonly room = inject(RoomState);
  private readonly ladder = toSignal(inject(FindingsStore).ladder$);
  protected readonly wording = this.room.wording;

  /** The approach drawn beside the stop's own; empty for none. */
  protected readonly besides = signal<Approach['exposure'] | ''>('bothHeld');

  protected readonly words = computed<ResponseWords>(() => {
    const wording = this.wording();
    const step = this.room.card()?.kit.body.markStep ?? 'third';
    return {
      shutter: (seconds) => wording.shutter(seconds, step),
      iso: (iso) => wording.iso(iso, step),
      ev: (ev100) => wording.ev(ev100),
      stops: (stops) => wording.stops(Math.round(stops * 3) / 3, 'third'),
    };
  });
  protected readonly besideChoices = computed(() => {
    const card = this.room.card();
    const own = card?.cells.scene.controls.exposure;
    const isFilm = card?.kit.body.medium === 'film';
    const others = EXPOSURE_CHOICES.filter(({ value }) => value !== own && (value === 'film') === isFilm);
    return [{ value: '' as const, label: 'nothing' }, ...others];
  });
  private readonly besideUsed = computed(() => {
    const wanted = this.besides();
    return this.besideChoices().some(({ value }) => value === wanted) ? wanted : '';
  });
  protected readonly beside = this.besideUsed;

  protected readonly response = computed(() => {
    const [card, place] = [this.room.card(), this.room.place()];
    if (card === null || place === null) return null;
    const labelOf = (exposure: Approach['exposure']): string =>
      EXPOSURE_CHOICES.find(({ value }) => value === exposure)?.label ?? exposure;
    const own = card.cells.scene.controls.exposure;
    return {
      first: { name: labelOf(own), points: cameraResponse(card.cells.scene, place, EVS) },
      second: this.secondPoints(),
      now: card.light.keyEv100,
      safeS: safeTimeS(card),
    };
  });
  /** Only the stop and the approach matter here, not the hand: a drag does not search the other approach again. */
  private readonly secondPoints = computed(() => {
    const [cells, beside] = [this.room.cells(), this.besideUsed()];
    if (cells === null || beside === '') return null;
    const { input } = cells.scene;
    const other = scenes.cellsOf({ ...input, approach: this.approachWith(input.approach, beside) });
    const points: readonly ResponsePoint[] = cameraResponse(other.scene, placeOfCell(other, bestCell(other).cell), EVS);
    return { name: EXPOSURE_CHOICES.find(({ value }) => value === beside)?.label ?? beside, points };
  });
  private readonly kept = new Map<string, { readonly from: Approach; readonly approach: Approach }>();

  /** The same object for the same approach, because searches are kept by identity. */
  private approachWith(from: Approach, exposure: Approach['exposure']): Approach {
    const known = this.kept.get(exposure);
    if (known?.from === from) return known.approach;
    const approach = { ...from, exposure };
    this.kept.set(exposure, { from, approach });
    return approach;
  }

  protected readonly rungs = computed(() => {
    const finding = this.ladder();
    const card = this.room.card();
    if (card === null || finding?.card.stop.id !== card.stop.id) return null;
    return ladderLines(finding.card, finding.answer, this.wording());
  });
}

/** The slowest time at which half of the typical walkers, and half of the frames by these hands, are still good. */
function safeTimeS({ result }: Card): number | null {
  const { motionLimitS, shakeLimitS } = result.setUp.shutter;
  const limitS = Math.min(motionLimitS, shakeLimitS);
  return Number.isFinite(limitS) ? limitS : null;
}
