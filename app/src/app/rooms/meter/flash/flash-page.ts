import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { bodyShutters, type Flash, widestFNumberAt } from '@roam-dial/core/kit';
import { gelMired, type LiftWindow, liftWindow, powerAt } from '@roam-dial/core/metering';
import { DEFAULT_INTENTS, type Stop } from '@roam-dial/core/stop';
import { snapToMark, type StopStep } from '@roam-dial/core/units';
import { LiftChart } from './lift-chart';
import { DaysStore } from '../../../state/light/days.store';
import { ValueField } from '../../../fields/value-field';
import { entryCodec, numberCodec } from '../../../fields/codec';
import { gelWords, powerWords } from './flash-words';
import type { Wording } from '../../../words/wording';
import { MeterState } from '../meter-state';

const FLASH_K = 5500;
const LAMPS_K = 2900;

/** When sky and flash balance, in words and for the drawing; null where they never do. */
function liftView(
  { span, balanceMin, ...window }: LiftWindow,
  {
    skyEv,
    syncS,
    slowestS,
    step,
    wording,
  }: {
    readonly skyEv: ArrayLike<number>;
    readonly syncS: number;
    readonly slowestS: number;
    readonly step: StopStep;
    readonly wording: Wording;
  },
) {
  if (span === null || balanceMin === null) return null;
  const [from, to] = [span.fromMin, span.toMin].map((minute) => wording.clock(minute));
  return {
    ...{ ...window, skyEv, span, balanceMin },
    balance: wording.clock(balanceMin),
    lasts: `${span.toMin - span.fromMin + 1} min, from ${from ?? ''} to ${to ?? ''}`,
    fastest: `${wording.shutter(syncS, step)}, the fastest with flash`,
    slowest: `${wording.shutter(slowestS, step)}, the slowest you can hold`,
  };
}

/** The power that a flash needs where people pass: nearest, usual, farthest. */
function powersOf(
  { nearM, medianM, farM }: Stop['subject'],
  { guideNumberM }: Flash,
  setting: { readonly fNumber: number; readonly iso: number; readonly toneEv: number },
  wording: Wording,
) {
  return [nearM, medianM, farM]
    .filter((metres) => Number.isFinite(metres))
    .map((metres) => ({
      distance: wording.distance(metres),
      words: powerWords(powerAt(metres, { ...setting, guideNumberM })),
    }));
}

/** Where a stop lifts with a flash: when sky and flash balance, how long that lasts, the power by distance, the gel. */
@Component({
  selector: 'rd-flash-page',
  imports: [LiftChart, RouterLink, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './flash-page.html',
  styleUrls: ['../page.scss', './flash-page.scss'],
})
export class FlashPage {
  protected readonly meter = inject(MeterState);
  private readonly days = toSignal(inject(DaysStore).days$);
  protected readonly lampsK = signal(LAMPS_K);
  /** Null: the card's. */
  protected readonly ownFNumber = signal<number | null>(null);
  protected readonly ownIso = signal<number | null>(null);
  protected readonly kelvin = numberCodec({ low: 1800, high: 10_000, step: 100, unit: 'K', decimals: 0 });

  protected readonly page = computed(() => {
    const card = this.meter.card();
    if (card === null) return null;
    const { stop, kit } = card;
    const { setUp } = card.result;
    // A picture without a flash is asked what one would do here, as a new stop of that kind begins.
    const isLift = stop.intent.kind === 'flashLift';
    const intent = stop.intent.kind === 'flashLift' ? stop.intent : DEFAULT_INTENTS.flashLift;
    const wording = this.meter.wording();
    const sayTime = (minute: number): string => wording.clock(minute);
    const marks = bodyShutters(kit.body);
    const syncS = kit.body.flashSyncS;
    const slowestS = Math.max(syncS, snapToMark({ value: setUp.shutter.shakeLimitS, marks, direction: 'down' }) ?? syncS);
    const iso = this.ownIso() ?? setUp.iso.lowest;
    const skyEv = this.days()?.get(stop.id)?.skyEv ?? null;
    const setting = { fNumber: this.ownFNumber() ?? setUp.aperture.fNumber, iso };
    const window = skyEv === null ? null : liftWindow({ ...setting, syncS, slowestS, skyToneEv: intent.skyUnderEv, skyEv });
    return {
      isLift,
      setting,
      apertures: entryCodec(
        { kind: 'aperture', step: kit.lens.clickStep },
        { low: widestFNumberAt(kit.lens, kit.focalLengthMm), high: kit.lens.smallestFNumber },
      ),
      isos: entryCodec({ kind: 'iso', step: kit.body.markStep }, { low: kit.body.lowestIso, high: kit.body.highestIso }),
      settings: `${wording.aperture(setting.fNumber, kit.lens.clickStep)}, ISO ${wording.iso(iso, kit.body.markStep)}`,
      isMeasured: skyEv !== null,
      window:
        window === null || skyEv === null ? null : liftView(window, { skyEv, syncS, slowestS, step: kit.body.markStep, wording }),
      sayTime,
      noFlash: kit.flash === null,
      powers: kit.flash === null ? [] : powersOf(stop.subject, kit.flash, { ...setting, toneEv: intent.flashEv }, wording),
    };
  });
  protected readonly gel = computed(() => gelWords(gelMired(this.lampsK(), FLASH_K)));
}
