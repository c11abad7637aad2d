import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  DEFAULT_METERING,
  digitalMedium,
  filmMedium,
  isoFor,
  markedBetween,
  type Medium,
  type Metering,
  MOST_READINGS,
  ofKind,
  PLACING_SCHOOLS,
  placeKey,
  type Reading,
  readTyped,
  rollIso,
} from '@roam-dial/core';
import { createId } from '../../data/defaults';
import { StopActions } from '../../state/actions/stop.actions';
import { type Card, CardStore } from '../../state/card.store';
import { DeviceClock } from '../../state/device-clock';
import { wordingSignal } from '../../state/wording.store';
import { WorkspaceStore } from '../../state/workspace.store';

/** The readings of the chosen stop, where their key is put, and the exposure that comes of it. */
@Injectable()
export class MeterState {
  private readonly actions = inject(StopActions);
  private readonly clock = inject(DeviceClock);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly cardState = toSignal(inject(CardStore).card$);
  readonly wording = wordingSignal();

  readonly card = computed<Card | null>(() => {
    const card = this.cardState();
    return card?.kind === 'card' ? card : null;
  });
  readonly metering = computed<Metering>(() => this.card()?.stop.metering ?? DEFAULT_METERING);
  /** A film body has its roll, a digital one its two files. */
  readonly isFilm = computed(() => this.card()?.kit.body.medium === 'film');

  readonly medium = computed<Medium | null>(() => {
    const card = this.card();
    if (card === null) return null;
    const { body, film } = card.kit;
    if (this.isFilm()) return film === null ? null : filmMedium(film);
    return digitalMedium(body, this.metering().on, card.result.setUp.iso.expected);
  });

  readonly placements = computed(() => {
    const [medium, { readings }] = [this.medium(), this.metering()];
    if (medium === null) return [];
    return PLACING_SCHOOLS.map((school) => ({ school, placement: placeKey(readings, medium, school) }));
  });
  readonly placement = computed(() => {
    const { school } = this.metering();
    return this.placements().find((one) => one.school === school)?.placement ?? null;
  });

  /** The exposure as one sets it: aperture and time of the card, the ISO that goes with them; on film the time. */
  readonly exposure = computed(() => {
    const [card, placement] = [this.card(), this.placement()];
    if (card === null || placement === null) return null;
    const { body, lens } = card.kit;
    const { aperture, shutter, iso } = card.result.setUp;
    const wording = this.wording();
    const { school } = this.metering();
    const side = school === 'hold' ? 'nearest' : school === 'shadows' ? 'more' : 'less';
    const found = this.isFilm()
      ? null
      : isoFor(placement.ev100, {
          fNumber: aperture.fNumber,
          shutterS: shutter.seconds,
          isoMarks: markedBetween('iso', body.markStep, iso.lowest, iso.highest),
          side,
        });
    const filmIso = card.kit.film === null ? body.baseIso : rollIso(card.kit.film);
    const seconds = aperture.fNumber ** 2 / (2 ** placement.ev100 * ((this.isFilm() ? filmIso : iso.lowest) / 100));
    return {
      ev: wording.ev(placement.ev100),
      aperture: wording.aperture(aperture.fNumber, lens.clickStep),
      shutter: wording.shutter(found === null ? seconds : shutter.seconds, body.markStep),
      iso: wording.iso(found ?? (this.isFilm() ? filmIso : iso.lowest), body.markStep),
    };
  });

  /** The files of a digital body, and the rolls in the bag. */
  readonly mediaAtHand = computed<readonly { readonly name: string | null; readonly medium: Medium }[]>(() => {
    const card = this.card();
    if (card === null) return [];
    const { body } = card.kit;
    const digital =
      body.medium === 'digital' ? (['raw', 'straight'] as const).map((kind) => digitalMedium(body, kind, body.baseIso)) : [];
    const films = ofKind(this.workspace()?.kit ?? [], 'film')
      .filter(({ inBag }) => inBag)
      .map((film) => ({ name: film.name, medium: filmMedium(film) }));
    return [...digital.map((medium) => ({ name: null, medium })), ...films];
  });

  /** What each medium at hand would hold of the same readings. */
  readonly media = computed(() => {
    const { readings } = this.metering();
    return this.mediaAtHand().flatMap(({ name, medium }) => {
      const placement = placeKey(readings, medium, 'hold');
      return placement === null ? [] : [{ name, medium, placement }];
    });
  });

  /** Takes what was typed; why not, where it is no reading. */
  add(text: string, name: string): string | null {
    const card = this.card();
    if (card === null) return 'There is no stop to read at.';
    if (this.metering().readings.length >= MOST_READINGS) return `A stop keeps at most ${MOST_READINGS} readings: drop one first.`;
    const { body, film } = card.kit;
    const iso = film === null ? body.baseIso : rollIso(film);
    const read = readTyped(text, { iso, step: body.markStep });
    if (!read.ok) return read.message;
    const reading: Reading = {
      id: createId(),
      name: name.trim() || `Reading ${this.metering().readings.length + 1}`,
      kind: read.isFrame ? 'lookedRight' : 'spot',
      ev100: read.ev100,
      tone: null,
      takenMs: this.clock.nowMs(),
      isLetGo: false,
      isLamp: false,
      isKey: false,
    };
    this.write('readings', (metering) => ({ ...metering, readings: [...metering.readings, reading] }));
    return null;
  }

  change(id: string, change: Partial<Reading>): void {
    this.write('readings', (metering) => ({
      ...metering,
      readings: metering.readings.map((one) =>
        one.id === id ? { ...one, ...change } : change.isKey === true ? { ...one, isKey: false } : one,
      ),
    }));
  }

  remove(id: string): void {
    this.write('readings', (metering) => ({ ...metering, readings: metering.readings.filter((one) => one.id !== id) }));
  }

  choose(change: Partial<Pick<Metering, 'school' | 'on'>>): void {
    this.write('metering', (metering) => ({ ...metering, ...change }));
  }

  /** The tone that the key shall have. */
  tone(tone: number): void {
    const key = this.placement()?.key;
    if (key !== undefined)
      this.write('key’s tone', (metering) => ({
        ...metering,
        readings: metering.readings.map((one) => (one.id === key.reading.id ? { ...one, tone } : one)),
      }));
  }

  private write(part: string, change: (metering: Metering) => Metering): void {
    const card = this.card();
    if (card === null) return;
    this.actions.adjust(card, part, (stop) => ({ ...stop, metering: change(stop.metering ?? DEFAULT_METERING) }));
  }
}
