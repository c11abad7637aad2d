import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { map, of, startWith } from 'rxjs';
import { sharpZone } from '@roam-dial/core/optics';
import { nearestPlace, passersAt } from '@roam-dial/core/setup';
import type { GroundMark } from '@roam-dial/core/stop';
import { type FieldPlace, LimitsChart } from './limits-chart';
import { type GroundMove, GroundStrip } from './ground-strip';
import { StopActions } from '../../../state/walk/stop.actions';
import { FindingsStore } from '../../../state/card/findings.store';
import { PinnedStore } from '../pinned.store';
import { CheckField } from '../../../fields/check-field';
import { askLatest } from '../../../workers/answers';
import { limitWords } from '../../../words/set-up/limits';
import { zoneWords } from '../zone-words';
import { flickerSentence } from './flicker-sentence';
import { groundSentence } from './ground-sentence';
import { GroundMarks } from './ground-marks';
import { fieldOf, fieldsAt, handFor, limitsView, limitsWords } from './limits-view';
import { RoomState } from '../room-state';

const PEOPLE = 24;

/** What limits it: the limits round the chosen set-up, and the ground that is sharp. */
@Component({
  selector: 'rd-holds-page',
  imports: [CheckField, GroundMarks, GroundStrip, LimitsChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './holds-page.html',
  styleUrl: '../page.scss',
})
export class HoldsPage {
  private readonly room = inject(RoomState);
  private readonly stopActions = inject(StopActions);
  private readonly findings = inject(FindingsStore);
  private readonly pinned = toSignal(inject(PinnedStore).pinned$, { initialValue: null });
  protected readonly wording = this.room.wording;

  /** Each field at its own best focus, or all at the focus in hand. */
  protected readonly isBestFocus = signal(false);
  private readonly focusPlace = computed(() => (this.isBestFocus() ? null : (this.room.place()?.focus ?? 0)));
  private readonly kit = computed(() => this.room.card()?.kit ?? null, {
    equal: (a, b) => a?.body === b?.body && a?.lens === b?.lens && a?.focalLengthMm === b?.focalLengthMm,
  });

  private readonly limits = computed(() => {
    const cells = this.room.cells();
    return cells === null ? null : limitsView(cells, this.focusPlace());
  });
  private readonly words = computed(() => {
    const [view, kit, cells] = [this.limits(), this.kit(), this.room.cells()];
    if (view === null || kit === null || cells === null) return null;
    return limitsWords(view, { kit, input: cells.scene.input }, this.wording());
  });
  protected readonly chart = computed(() => {
    const [view, words, place, card] = [this.limits(), this.words(), this.room.place(), this.room.card()];
    if (view === null || words === null || place === null || card === null) return null;
    const pinned = this.pinned();
    const point = fieldOf(view.grid, place);
    return {
      fields: view.fields,
      words,
      point,
      label: this.pointLabel(),
      best: fieldOf(view.grid, view.grid.best),
      pinned:
        pinned?.stopId === card.stop.id
          ? fieldOf(view.grid, nearestPlace(card.cells.scene, pinned.found.hand, view.grid.best))
          : null,
    };
  });
  private readonly pointLabel = computed(() => {
    const [card, found] = [this.room.card(), this.room.found()];
    if (card === null || found === null) return '';
    const { body, lens } = card.kit;
    const { shutter, iso } = card.result.setUp;
    const wording = this.wording();
    const [time, sits] = [wording.shutter(shutter.seconds, body.markStep), wording.iso(iso.expected, body.markStep)];
    return `${wording.aperture(found.hand.fNumber, lens.clickStep)}, ${time}, ISO ${sits}`;
  });
  protected readonly summary = computed(() => {
    const card = this.room.card();
    if (card === null) return '';
    const wording = this.wording();
    return `EV ${wording.ev(card.light.keyEv100)}, ${zoneWords(card.input, wording)}`;
  });
  protected readonly isEmpty = computed(() => this.limits()?.fields.fields.every(({ limits }) => limits.length > 0) ?? false);

  /** The light at which something is limited first, where nothing is now; null while that is not known. */
  private readonly unlimited = computed(
    () => {
      const [view, card] = [this.limits(), this.room.card()];
      const isFree = view?.fields.fields.every(({ limits }) => limits.length === 0) ?? false;
      return view === null || card === null || !isFree ? null : { card, view, focus: this.focusPlace() };
    },
    { equal: (a, b) => a?.view === b?.view },
  );
  private readonly firstLimit = toSignal(
    toObservable(this.unlimited).pipe(
      askLatest((asked) =>
        asked === null
          ? of(null)
          : this.findings.firstLimit(asked.card, asked.focus).pipe(
              map((found) => ({ ...asked, found })),
              startWith(null),
            ),
      ),
    ),
    { initialValue: null },
  );
  protected readonly first = computed(() => {
    const [known, asked] = [this.firstLimit(), this.unlimited()];
    if (known === null || asked === null || known.view !== asked.view) return null;
    const { found, view, card } = known;
    if (found === null) return { faint: null, sentence: 'Nothing is limited here, nor within twelve stops.' };
    const limit = limitWords(found.limit, card.input);
    return {
      faint: fieldsAt(view, found),
      sentence: `Nothing is limited here. The first limit comes at EV ${this.wording().ev(found.ev100)}, drawn faint: ${limit}.`,
    };
  });

  protected readonly flicker = computed(() => {
    const card = this.room.card();
    return card === null ? null : flickerSentence(card, this.wording());
  });
  protected readonly ground = computed(() => {
    const [card, found] = [this.room.card(), this.room.found()];
    if (card === null || found === null) return null;
    const { input, cells, stop, standard, kit } = card;
    return {
      focusM: found.hand.focusM,
      sharp: found.sharp,
      wantedFarM: stop.subject.farM,
      medianM: stop.subject.medianM,
      passers: passersAt(cells.scene, found, PEOPLE),
      circleMm: cells.scene.circleMm,
      halfPerM: kit.body.sensorWidthMm / 2 / kit.focalLengthMm,
      marks: stop.ground ?? [],
      strideM: standard.strideM,
      canFocus: input.approach.focus === 'fixedZone',
      sentence: groundSentence(card, this.wording()),
    };
  });

  protected move(place: FieldPlace): void {
    const [view, card] = [this.limits(), this.room.card()];
    if (view !== null && card !== null) this.stopActions.setHand(card, handFor(view, place, this.isBestFocus()));
  }

  protected moveGround({ handle, to }: GroundMove): void {
    const [card, place] = [this.room.card(), this.room.place()];
    if (card === null || place === null) return;
    const { fNumbers, focusM } = card.cells.scene.controls;
    if (handle === 'focus') {
      const at = 'steps' in to ? focusM[place.focus + to.steps] : nearestFocus(focusM, to.distanceM);
      if (at !== undefined) this.stopActions.setHand(card, { focusM: at });
      return;
    }
    const isWiderZone = handle === 'near' ? -1 : 1;
    const at = 'steps' in to ? fNumbers[place.aperture + to.steps * isWiderZone] : this.apertureFor(handle, to.distanceM);
    if (at !== undefined) this.stopActions.setHand(card, { fNumber: at });
  }

  /** The aperture whose zone ends nearest to a distance, the focus left where it is. */
  private apertureFor(end: 'near' | 'far', distanceM: number): number | undefined {
    const [card, found] = [this.room.card(), this.room.found()];
    if (card === null || found === null) return undefined;
    const { controls, circleMm } = card.cells.scene;
    const off = (fNumber: number): number => {
      const zone = sharpZone({
        focalLengthMm: card.kit.focalLengthMm,
        fNumber,
        circleOfConfusionMm: circleMm,
        focusDistanceM: found.hand.focusM,
      });
      if (zone === null) return Infinity;
      const endM = end === 'near' ? zone.nearM : zone.farM;
      return Math.abs(1 / endM - 1 / distanceM);
    };
    return controls.fNumbers.reduce((best, one) => (off(one) < off(best) ? one : best));
  }

  protected setMarks(ground: readonly GroundMark[]): void {
    const card = this.room.card();
    if (card === null) return;
    this.stopActions.adjust(card, 'ground', (stop) => ({ ...stop, ground }));
  }
}

/** In dioptres, as a ring feels it. */
function nearestFocus(marks: readonly number[], distanceM: number): number | undefined {
  const off = (mark: number): number => Math.abs(1 / mark - 1 / Math.max(0.01, distanceM));
  return marks.length === 0 ? undefined : marks.reduce((best, mark) => (off(mark) < off(best) ? mark : best));
}
