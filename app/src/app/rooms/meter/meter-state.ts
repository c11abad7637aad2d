import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { flashReachM } from '@roam-dial/core/exposure';
import { MOST_READINGS } from '@roam-dial/core/formats/archive';
import { type Body, rollIso } from '@roam-dial/core/kit';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import {
  digitalMedium,
  expectedTones,
  incidentEv,
  isoFor,
  type KeyPlacement,
  type Medium,
  placeKey,
  placeOnBody,
  type RangeWayOut,
  rangeWaysOut,
  readTyped,
  rollMedium,
  secondsFor,
  sideOfSchool,
} from '@roam-dial/core/metering';
import { minuteAt } from '@roam-dial/core/outing';
import { ofKind } from '@roam-dial/core/plan';
import { frameOf } from '@roam-dial/core/setup';
import type { HandReading } from '@roam-dial/core/stand-ins';
import {
  DEFAULT_METERING,
  METERED_ON,
  type MeteredOn,
  type Metering,
  PLACEMENT_METHODS,
  type PlacementMethod,
  type Reading,
} from '@roam-dial/core/stop';
import { markedBetween } from '@roam-dial/core/units';
import { createId } from '../../storage/defaults';
import { StopActions } from '../../state/walk/stop.actions';
import { type Card, CardStore } from '../../state/card/card.store';
import { DeviceClock } from '../../state/device/device-clock';
import { wordingSignal } from '../../state/workspace/wording.store';
import { mediumName } from '../../words/set-up/metering';
import { WorkspaceStore } from '../../state/workspace/workspace.store';

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
const FULL = `A stop holds at most ${MOST_READINGS} readings: remove one first.`;

/** A placement, on what, and at which ISO; null on film. */
interface PlacedHere {
  readonly placement: KeyPlacement;
  readonly medium: Medium;
  readonly iso: number | null;
}
interface SchoolPlaced {
  readonly school: PlacementMethod;
  readonly placed: PlacedHere | null;
}
interface MediumAtHand {
  /** Of a roll; null for the body's own files. */
  readonly name: string | null;
  readonly medium: Medium;
  readonly iso: number | null;
}

/** Where no ISO of the card's gives an exposure: in less light its highest, in more its lowest, and the time gives way. */
function endOfIso({ aperture, shutter, iso }: Card['result']['setUp'], ev100: number): number {
  return secondsFor(ev100, { fNumber: aperture.fNumber, iso: iso.highest }) > shutter.seconds ? iso.highest : iso.lowest;
}

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
  /** Until something is metered, what the stop's own frame is expected to have. */
  readonly isExpected = computed(() => this.metering().readings.length === 0);
  readonly readings = computed<readonly Reading[]>(() => {
    const card = this.card();
    if (card === null) return [];
    if (!this.isExpected()) return this.metering().readings;
    return card.seen?.metered.tones ?? expectedTones(frameOf(card.input));
  });
  /** A film body has its roll, a digital one its two files. */
  readonly isFilm = computed(() => this.card()?.kit.body.medium === 'film');

  private readonly rolls = computed<readonly MediumAtHand[]>(() => {
    const films = ofKind(this.workspace()?.kit ?? [], 'film').filter(({ inBag }) => inBag);
    return films.map((film) => ({ name: film.name, medium: rollMedium(film), iso: null }));
  });
  private readonly roll = computed<Medium | null>(() => {
    const film = this.card()?.kit.film ?? null;
    return film === null ? null : rollMedium(film);
  });
  /** Each way of placing the key, with what is held at the ISO of its own exposure. */
  readonly placements = computed<readonly SchoolPlaced[]>(() => {
    const [readings, { on }] = [this.readings(), this.metering()];
    return PLACEMENT_METHODS.map((school) => ({ school, placed: this.placedOn(readings, on, school) }));
  });
  private readonly placed = computed(() => {
    const { school } = this.metering();
    return this.placements().find((one) => one.school === school)?.placed ?? null;
  });
  readonly placement = computed<KeyPlacement | null>(() => this.placed()?.placement ?? null);

  /** What the picture is taken on; before anything is read, at the card's ISO. Null in a film body without a roll. */
  readonly medium = computed<Medium | null>(() => {
    const card = this.card();
    if (card === null) return null;
    if (this.isFilm()) return this.roll();
    return this.placed()?.medium ?? digitalMedium(card.kit.body, this.metering().on, card.result.setUp.iso.expected);
  });

  readonly exposure = computed(() => {
    const placement = this.placement();
    return placement === null ? null : this.exposureAt(placement.ev100);
  });

  /** What could be done where the range is wider than what is held. */
  readonly waysOut = computed<readonly RangeWayOut[]>(() => {
    const [card, medium, readings] = [this.card(), this.medium(), this.readings()];
    if (card === null || medium === null) return [];
    const { aperture, iso } = card.result.setUp;
    const { flash } = card.kit;
    const reachM =
      flash === null ? 0 : flashReachM({ guideNumberM: flash.guideNumberM, iso: iso.expected, fNumber: aperture.fNumber });
    // The file that it is metered on is no way out of itself; another roll of the same kind may be.
    const others = this.mediaFor(this.metering().school).filter((one) => one.name !== null || one.medium.kind !== medium.kind);
    return rangeWaysOut({
      readings,
      medium,
      others: others.map((one) => ({ name: one.name ?? mediumName(one.medium), medium: one.medium })),
      contrastEv: card.light.isLit ? Math.max(0, card.light.contrastEv) : 0,
      flashReaches: reachM >= card.stop.subject.medianM,
      bracketSteps: BRACKET_STEPS_EV,
    });
  });

  /** The files of a digital body at its base, and the rolls in the bag: what a scene is held against before anything is set. */
  readonly mediaAtHand = computed<readonly MediumAtHand[]>(() => {
    const body = this.card()?.kit.body;
    const files = body === undefined || this.isFilm() ? [] : METERED_ON.map((kind) => digitalMedium(body, kind, body.baseIso));
    return [...files.map((medium) => ({ name: null, medium, iso: body?.baseIso ?? null })), ...this.rolls()];
  });

  /** The same files each at the ISO of its own exposure. */
  private mediaFor(school: PlacementMethod): readonly MediumAtHand[] {
    const card = this.card();
    if (card === null) return [];
    const readings = this.readings();
    const digital = this.isFilm()
      ? []
      : METERED_ON.flatMap((kind) => {
          const found = this.placedOn(readings, kind, school);
          return found === null ? [] : [{ name: null, medium: found.medium, iso: found.iso }];
        });
    return [...digital, ...this.rolls()];
  }

  /** Placed on one of a digital body's files, or on the roll. */
  private placedOn(readings: readonly Reading[], on: MeteredOn, school: PlacementMethod): PlacedHere | null {
    const card = this.card();
    if (card === null) return null;
    if (!this.isFilm()) {
      return placeOnBody(readings, school, { body: card.kit.body, kind: on, isoAt: (ev100) => this.isoAt(card, ev100, school) });
    }
    const roll = this.roll();
    const placement = roll === null ? null : placeKey(readings, roll, school);
    return roll === null || placement === null ? null : { placement, medium: roll, iso: null };
  }

  /** The ISO that goes with an exposure at the card's aperture and time. */
  private isoAt({ kit, result }: Card, ev100: number, school: PlacementMethod): number {
    return this.floatingIso(kit.body, result.setUp, ev100, school) ?? endOfIso(result.setUp, ev100);
  }

  /** Null where no ISO of the card's gives that exposure at its aperture and time. */
  private floatingIso(
    body: Body,
    { aperture, shutter, iso }: Card['result']['setUp'],
    ev100: number,
    school: PlacementMethod,
  ): number | null {
    const isoMarks = markedBetween('iso', body.markStep, iso.lowest, iso.highest);
    return isoFor(ev100, { fNumber: aperture.fNumber, shutterS: shutter.seconds, isoMarks, side: sideOfSchool(school) });
  }

  /** What each medium at hand would hold of the same readings. */
  readonly media = computed(() => {
    const readings = this.readings();
    return this.mediaFor('hold').flatMap((one) => {
      const placement = placeKey(readings, one.medium, 'hold');
      return placement === null ? [] : [{ ...one, placement }];
    });
  });

  /** An exposure as one sets it: aperture and time of the card, the ISO that goes with them; on film the time. */
  exposureAt(ev100: number): ExposureWords | null {
    const card = this.card();
    if (card === null) return null;
    const { body, lens, film } = card.kit;
    const { aperture, shutter } = card.result.setUp;
    const wording = this.wording();
    const found = this.isFilm() ? null : this.floatingIso(body, card.result.setUp, ev100, this.metering().school);
    const setIso = found ?? (film === null ? endOfIso(card.result.setUp, ev100) : rollIso(film));
    const seconds = secondsFor(ev100, { fNumber: aperture.fNumber, iso: setIso });
    return {
      ev: wording.ev(ev100),
      aperture: wording.aperture(aperture.fNumber, lens.clickStep),
      shutter: wording.shutter(found === null ? seconds : shutter.seconds, body.markStep),
      iso: wording.iso(setIso, body.markStep),
    };
  }

  isoText(iso: number | null): string {
    const card = this.card();
    return card === null || iso === null ? '' : this.wording().iso(iso, card.kit.body.markStep);
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
    if (card === null) return 'There is no stop to meter at.';
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

  /** When it was read, by the clock of the walk's place; nothing of another day, when it was typed at the table. */
  takenAt({ takenMs }: Reading): string {
    const card = this.card();
    if (card === null) return '';
    const minute = Math.floor(minuteAt(card.walk, takenMs));
    return minute < 0 || minute > LAST_WALK_MINUTE ? '' : this.wording().clock(minute);
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
    // The first is the key until another is made it: a second one does not move the exposure unasked.
    this.write('readings', (metering) => ({
      ...metering,
      readings: [...metering.readings, { ...reading, isKey: metering.readings.length === 0 }],
    }));
  }

  private write(part: string, change: (metering: Metering) => Metering): void {
    const card = this.card();
    if (card === null) return;
    this.actions.adjust(card, part, (stop) => ({ ...stop, metering: change(stop.metering ?? DEFAULT_METERING) }));
  }
}
