import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { crowdShareAt } from '@roam-dial/core/day';
import {
  crossingTrailMm,
  type FireworkBrightness,
  fireworksPlan,
  readFrame,
  recedingTrailMm,
  scaledFromTest,
  secondsForRipple,
  standerGoneAfterS,
  UNSEEN,
  waitForFirstS,
  walkersVanish,
  type Water,
  WATER_LOOKS,
  WATER_MEMORY_S,
} from '@roam-dial/core/metering';
import { fieldAtDistance } from '@roam-dial/core/optics';
import { VanishingCurve } from './vanishing-curve';
import { ChoiceField } from '../../../fields/choice-field';
import { choicesOf } from '../../../words/choices';
import { TextField } from '../../../fields/text-field';
import { ValueField } from '../../../fields/value-field';
import { entryCodec, numberCodec } from '../../../fields/codec';
import { counted } from '../../../words/counted';
import { leftOfWalkers, longTime, LOOK_WORDS, trailWords, vanishingSentence, WATER_WORDS } from './night-words';
import { MeterState } from '../meter-state';

const STANDS_S = 20;
const KMH_PER_MPS = 3.6;
/** Beside the axis of the camera: the other lane. */
const LANE_M = 2.5;
const FIRST_TIME_S = 15;
const BRIGHTNESS_WORDS: Readonly<Record<FireworkBrightness, string>> = {
  faint: 'faint',
  usual: 'as usual',
  brilliant: 'brilliant',
};

/** Night: a test shot scaled, when walkers vanish, what water comes to, how long for fireworks. Nothing of it is stored. */
@Component({
  selector: 'rd-night-page',
  imports: [ChoiceField, TextField, ValueField, VanishingCurve],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './night-page.html',
  styleUrls: ['../page.scss', './night-page.scss'],
})
export class NightPage {
  protected readonly state = inject(MeterState);
  protected readonly longTime = longTime;

  protected readonly shutterS = signal(FIRST_TIME_S);
  private readonly crowd = computed(() => {
    const card = this.state.card();
    if (card === null) return null;
    const { stop, kit, minuteOfDay } = card;
    const { passersPerMinute, speedMps, speedSpreadMps, travelAngleDeg } = stop.movers;
    const perMinute = passersPerMinute * crowdShareAt(stop.crowdByHour, minuteOfDay);
    const distanceM = Math.max(stop.subject.medianM, (1.01 * kit.focalLengthMm) / 1000);
    const { widthM } = fieldAtDistance({ focalLengthMm: kit.focalLengthMm, ...kit.body, distanceM });
    const isMoving = speedMps > 0 && travelAngleDeg > 0 && perMinute > 0;
    return isMoving ? { perSecond: perMinute / 60, speedMps, speedSpreadMps, travelAngleDeg, viewM: widthM } : null;
  });
  protected readonly walkers = computed(() => {
    const crowd = this.crowd();
    if (crowd === null) return null;
    const now = walkersVanish(crowd, this.shutterS());
    return {
      gone: longTime(now.goneAfterS),
      sentence: vanishingSentence(now, this.shutterS()),
      leaves: (seconds: number) => leftOfWalkers(now, seconds),
      perMinute: (crowd.perSecond * 60).toFixed(crowd.perSecond * 60 < 10 ? 1 : 0),
      stander: longTime(standerGoneAfterS(STANDS_S)),
    };
  });
  protected readonly unseen = UNSEEN;

  protected readonly typed = signal('1/4 f2.8 6400');
  protected readonly added = signal(0);
  protected readonly fNumber = signal(8);
  protected readonly aperture = computed(() =>
    entryCodec({ kind: 'aperture', step: this.state.card()?.kit.lens.clickStep ?? 'third' }),
  );
  protected readonly stops = entryCodec({ kind: 'stops', step: 'third' });
  protected readonly test = computed(() => {
    const card = this.state.card();
    if (card === null) return null;
    const { body, film } = card.kit;
    const read = readFrame(this.typed(), { iso: body.baseIso, step: body.markStep });
    if (!read.ok) return { problem: read.message, time: '', words: '' };
    const iso = film?.exposureIndex ?? body.baseIso;
    const reciprocity = film === null ? null : { exponent: film.reciprocityExponent, thresholdS: film.reciprocityThresholdS };
    const seconds = scaledFromTest(read, { fNumber: this.fNumber(), iso }, { addedEv: this.added(), reciprocity });
    const words = `at ISO ${iso}${film === null ? '' : `, ${film.name}’s reciprocity in it`}`;
    return { problem: '', time: longTime(seconds), words };
  });

  protected readonly carKmh = signal(40);
  protected readonly carAwayM = signal(12);
  protected readonly carsPerMinute = signal(2);
  protected readonly kmh = numberCodec({ low: 1, high: 200, step: 5, unit: 'km/h', decimals: 0 });
  protected readonly metres = numberCodec({ low: 0.5, high: 500, step: 1, unit: 'm', decimals: 1 });
  protected readonly perMinute = numberCodec({ low: 0.01, high: 200, step: 1, decimals: 2 });
  protected readonly trails = computed(() => {
    const card = this.state.card();
    if (card === null) return null;
    const { focalLengthMm, body } = card.kit;
    const lens = { focalLengthMm, frameMm: body.sensorWidthMm };
    const speedMps = this.carKmh() / KMH_PER_MPS;
    const [awayM, shutterS] = [this.carAwayM(), this.shutterS()];
    const across = crossingTrailMm(lens, { speedMps, distanceM: awayM }, shutterS) / lens.frameMm;
    const away = recedingTrailMm(lens, { besideM: LANE_M, fromM: awayM, toM: awayM + speedMps * shutterS }) / lens.frameMm;
    return {
      across: `${Math.round(100 * across)} %`,
      words: trailWords(shutterS, across, away, waitForFirstS(this.carsPerMinute() / 60)),
    };
  });

  protected readonly waters = (Object.keys(WATER_MEMORY_S) as Water[]).map((water) => ({
    name: WATER_WORDS[water],
    times: Object.values(WATER_LOOKS).map((left) => longTime(secondsForRipple(left, WATER_MEMORY_S[water]))),
  }));
  protected readonly looks = Object.values(LOOK_WORDS);

  protected readonly brightnesses = choicesOf(BRIGHTNESS_WORDS);
  protected readonly brightness = signal<FireworkBrightness>('usual');
  protected readonly skyEv = signal(0);
  protected readonly ev = numberCodec({ low: -6, high: 10, step: 1, decimals: 1 });
  protected readonly fireworks = computed(() => {
    const card = this.state.card();
    const iso = card?.kit.body.baseIso ?? 100;
    const plan = fireworksPlan({ skyEv100: this.skyEv(), iso, brightness: this.brightness(), burstS: 4 });
    return {
      aperture: this.state.wording().aperture(plan.fNumber, 'third'),
      open: longTime(plan.openS),
      bursts: counted(plan.bursts, 'burst', 'bursts'),
      iso,
    };
  });
}
