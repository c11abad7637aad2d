import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  crowdShareAt,
  fieldAtDistance,
  type FireworkBrightness,
  fireworksPlan,
  readFrame,
  scaledFromTest,
  secondsForRipple,
  standerGoneAfterS,
  UNSEEN,
  walkersVanish,
  type Water,
  WATER_LOOKS,
  WATER_MEMORY_S,
} from '@roam-dial/core';
import { VanishingCurve } from '../../charts/vanishing-curve/vanishing-curve';
import { ChoiceField } from '../../ui/choice-field';
import { choicesOf } from '../../ui/choices';
import { ValueField } from '../../ui/value-field';
import { entryCodec, numberCodec } from '../../wording/codec';
import { counted } from '../../wording/counted';
import { leftOfWalkers, longTime, LOOK_WORDS, vanishingSentence, WATER_WORDS } from '../../wording/night';
import { MeterState } from './meter-state';

const STANDS_S = 20;
const FIRST_TIME_S = 15;
const BRIGHTNESS_WORDS: Readonly<Record<FireworkBrightness, string>> = {
  faint: 'faint',
  usual: 'as usual',
  brilliant: 'brilliant',
};

/** Night: a test shot scaled, when walkers vanish, what water comes to, how long for fireworks. Nothing of it is stored. */
@Component({
  selector: 'rd-night-page',
  imports: [ChoiceField, ValueField, VanishingCurve],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './night-page.html',
  styleUrl: './night-page.scss',
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
