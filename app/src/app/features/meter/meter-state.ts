import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  DEFAULT_METERING,
  digitalMedium,
  flashReachM,
  type HandReading,
  incidentEv,
  isoFor,
  markedBetween,
  type Medium,
  type Metering,
  MOST_READINGS,
  ofKind,
  placeKey,
  PLACING_SCHOOLS,
  type RangeWayOut,
  rangeWaysOut,
  type Reading,
  readTyped,
  rollIso,
  rollMedium,
  secondsFor,
  sideOfSchool,
  wallMinuteAt,
} from '@roam-dial/core';
import { createId } from '../../data/defaults';
import { StopActions } from '../../state/actions/stop.actions';
import { type Card, CardStore } from '../../state/card.store';
import { DeviceClock } from '../../state/device-clock';
import { wordingSignal } from '../../state/wording.store';
import { mediumName } from '../../wording/metering';
import { WorkspaceStore } from '../../state/workspace.store';

/** An exposure in the words of the card. */
export interface ExposureWords {
  readonly ev: string;
  readonly aperture: string;
  readonly shutter: string;
  readonly iso: string;
}

/** Stops between the frames of a bracket that bodies offer. */
const BRACKET_STEPS_EV = [1, 2];
const LARGEST_OFFSET_EV = 12;
const MINUTES_A_DAY = 1440;
const FULL = `A stop keeps at most ${MOST_READINGS} readings: drop one first.`;

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
    if (this.isFilm()) return film === null ? null : rollMedium(film);
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

  readonly exposure = computed(() => {
    const placement = this.placement();
    return placement === null ? null : this.exposureAt(placement.ev100);
  });

  /** What could be done where the range is wider than what is held. */
  readonly waysOut = computed<readonly RangeWayOut[]>(() => {
    const [card, medium, { readings }] = [this.card(), this.medium(), this.metering()];
    if (card === null || medium === null) return [];
    const { aperture, iso } = card.result.setUp;
    const { flash } = card.kit;
    const reachM =
      flash === null ? 0 : flashReachM({ guideNumberM: flash.guideNumberM, iso: iso.expected, fNumber: aperture.fNumber });
    // The file that it is metered on is no way out of itself; another roll of the same kind may be.
    const others = this.mediaAtHand().filter((one) => one.name !== null || one.medium.kind !== medium.kind);
    return rangeWaysOut({
      readings,
      medium,
      others: others.map((one) => ({ name: one.name ?? mediumName(one.medium), medium: one.medium })),
      contrastEv: card.light.isLit ? Math.max(0, card.light.contrastEv) : 0,
      flashReaches: reachM >= card.stop.subject.medianM,
      bracketSteps: BRACKET_STEPS_EV,
    });
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
      .map((film) => ({ name: film.name, medium: rollMedium(film) }));
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

  /** An exposure as one sets it: aperture and time of the card, the ISO that goes with them; on film the time. */
  exposureAt(ev100: number): ExposureWords | null {
    const card = this.card();
    if (card === null) return null;
    const { body, lens, film } = card.kit;
    const { aperture, shutter, iso } = card.result.setUp;
    const wording = this.wording();
    const side = sideOfSchool(this.metering().school);
    const isoMarks = markedBetween('iso', body.markStep, iso.lowest, iso.highest);
    const found = this.isFilm() ? null : isoFor(ev100, { fNumber: aperture.fNumber, shutterS: shutter.seconds, isoMarks, side });
    const setIso = found ?? (film === null ? iso.lowest : rollIso(film));
    const seconds = secondsFor(ev100, { fNumber: aperture.fNumber, iso: setIso });
    return {
      ev: wording.ev(ev100),
      aperture: wording.aperture(aperture.fNumber, lens.clickStep),
      shutter: wording.shutter(found === null ? seconds : shutter.seconds, body.markStep),
      iso: wording.iso(setIso, body.markStep),
    };
  }

  /** The time that an exposure takes at the card's aperture and ISO. */
  timeAt(ev100: number): string {
    const card = this.card();
    if (card === null) return '';
    const { aperture, iso } = card.result.setUp;
    return this.wording().shutter(secondsFor(ev100, { fNumber: aperture.fNumber, iso: iso.expected }), card.kit.body.markStep);
  }

  /** The card exposes as it was metered: its light is what makes it do so. */
  setCard(ev100: number): void {
    const card = this.card();
    if (card !== null) this.lightIs(card, ev100 + card.result.setUp.meter.keyPlacementEv);
  }

  /** The light that falls there is what a reading says: the card follows. */
  correctBy(reading: Reading): void {
    const card = this.card();
    if (card !== null) this.lightIs(card, incidentEv(reading));
  }

  private lightIs(card: Card, keyEv100: number): void {
    const offset = keyEv100 - card.light.modelEv100;
    const thirds = Math.round(Math.max(-LARGEST_OFFSET_EV, Math.min(LARGEST_OFFSET_EV, offset)) * 3) / 3;
    this.actions.correctLight(card, thirds, null);
  }

  /** A reading of the meter in the hand. */
  take({ ev100, name }: HandReading): string | null {
    const { readings } = this.metering();
    if (readings.length >= MOST_READINGS) return FULL;
    this.put({ name, kind: 'spot', ev100 });
    return null;
  }

  /** Takes what was typed; why not, where it is no reading. */
  add(text: string, name: string): string | null {
    const card = this.card();
    if (card === null) return 'There is no stop to read at.';
    if (this.metering().readings.length >= MOST_READINGS) return FULL;
    const { body, film } = card.kit;
    const iso = film === null ? body.baseIso : rollIso(film);
    const read = readTyped(text, { iso, step: body.markStep });
    if (!read.ok) return read.message;
    this.put({
      name: name.trim() || `Reading ${this.metering().readings.length + 1}`,
      kind: !read.isFrame ? 'spot' : read.offEv === 0 ? 'lookedRight' : 'testShot',
      ev100: read.ev100,
    });
    return null;
  }

  /** When it was read, by the clock of the walk's place. */
  takenAt({ takenMs }: Reading): string {
    const card = this.card();
    if (card === null) return '';
    const minute = wallMinuteAt(card.walk.day, card.walk.place.timeZone, takenMs);
    return this.wording().clock(((minute % MINUTES_A_DAY) + MINUTES_A_DAY) % MINUTES_A_DAY);
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
  tone(tone: number | null): void {
    const key = this.placement()?.key;
    if (key !== undefined && tone !== null)
      this.write('key’s tone', (metering) => ({
        ...metering,
        readings: metering.readings.map((one) => (one.id === key.reading.id ? { ...one, tone } : one)),
      }));
  }

  private put(read: Pick<Reading, 'name' | 'kind' | 'ev100'>): void {
    const reading: Reading = {
      ...read,
      id: createId(),
      tone: null,
      takenMs: this.clock.nowMs(),
      isLetGo: false,
      isLamp: false,
      isKey: false,
    };
    this.write('readings', (metering) => ({ ...metering, readings: [...metering.readings, reading] }));
  }

  private write(part: string, change: (metering: Metering) => Metering): void {
    const card = this.card();
    if (card === null) return;
    this.actions.adjust(card, part, (stop) => ({ ...stop, metering: change(stop.metering ?? DEFAULT_METERING) }));
  }
}
