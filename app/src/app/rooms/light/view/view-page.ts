import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { apparentSun } from '@roam-dial/core/light';
import { METER_PATTERNS } from '@roam-dial/core/kit';
import { heldSides } from '@roam-dial/core/sight';
import { RAD_PER_DEG } from '@roam-dial/core/units';
import { planStops } from '../../../drawing/street-plan/plan-stops';
import type { PlanStop } from '../../../drawing/street-plan/plan-parts';
import { StreetPlan } from '../../../drawing/street-plan/street-plan';
import { ChoiceField } from '../../../fields/choice-field';
import { StopActions } from '../../../state/walk/stop.actions';
import { PartMissing } from '../../../ui/part-missing';
import { capital } from '../../../words/capital';
import { stopsText } from '../../../words/walk/stops';
import { NO_KEY_WORDS, PATTERN_WORDS } from '../../../words/set-up/metering';
import { PatternOverlay } from './pattern-overlay';
import { numberCodec } from '../../../fields/codec';
import { ValueField } from '../../../fields/value-field';
import { type PlacePx, Grip } from '../../../drawing/grip';
import { SightPicture } from '../../../shared/sight-picture';
import { LightState } from '../light-state';
import { ViewState } from './view-state';
import { groundsWords, sightSentences, uprightsWords } from '../../../words/sight';

const MOST_TILT_DEG = 60;
const MOST_RISE_MM = 15;
/** A drag over the whole height of the picture tilts by so much. */
const TILT_A_HEIGHT_DEG = 30;
const TURN_STEP_DEG = { ArrowLeft: -1, ArrowRight: 1, Home: -10, End: 10 } as const;
const TILT_STEP_DEG = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 } as const;

/** What the frame will see from where one stands: at the time handle, tilted, shifted and zoomed at will. */
@Component({
  selector: 'rd-light-sight',
  imports: [ChoiceField, Grip, MatSlideToggleModule, PartMissing, PatternOverlay, SightPicture, StreetPlan, ValueField],
  providers: [ViewState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './view-page.html',
  styleUrls: ['../../set-up/page.scss', './view-page.scss'],
})
export class ViewPage {
  protected readonly room = inject(LightState);
  protected readonly view = inject(ViewState);
  private readonly stopActions = inject(StopActions);
  protected readonly isNight = computed(() => this.room.workspace()?.settings.theme === 'night');
  /** In the night theme the picture is dim until it is asked for at its own brightness. */
  protected readonly isFull = signal(false);

  protected readonly tilt = numberCodec({ low: -MOST_TILT_DEG, high: MOST_TILT_DEG, unit: '°', decimals: 0 });
  protected readonly rise = numberCodec({ low: -MOST_RISE_MM, high: MOST_RISE_MM, unit: 'mm', decimals: 1 });
  protected readonly focal = numberCodec({ low: 8, high: 400, unit: 'mm', decimals: 0, step: 5 });

  protected readonly sentences = computed(() => {
    const picture = this.view.picture();
    return picture === null ? [] : sightSentences(picture.facts, this.room.wording());
  });
  protected readonly spoken = computed(() => {
    const stop = this.room.stop()?.name ?? '';
    return `${stop} at ${this.room.wording().clock(this.room.minute())}, as the frame sees it. ${this.sentences().join(' ')}`;
  });
  protected readonly uprights = computed(() => uprightsWords(this.view.frame()));
  protected readonly grounds = computed(() => {
    const place = this.view.place();
    return place === null ? '' : groundsWords(place.from, place.heights);
  });
  protected readonly warnsOfSun = computed(() => this.view.picture()?.facts.isSunInFrame === true);

  protected readonly bearing = numberCodec({ low: 0, high: 360, unit: '°', decimals: 0, step: 5 });
  protected readonly patterns = [
    { value: 'none', label: 'none' },
    ...METER_PATTERNS.map((pattern) => ({ value: pattern, label: PATTERN_WORDS[pattern] })),
  ];
  /** What the drawn pattern makes of it, in words. */
  protected readonly patternWords = computed(() => {
    const [picture, pattern] = [this.view.picture(), this.view.pattern()];
    const its = picture?.metered.patterns.find((one) => one.pattern === pattern);
    if (picture == null || its === undefined) return '';
    const wording = this.room.wording();
    const { key } = picture.metered;
    const reads = `It reads EV ${wording.ev(its.readEv)}`;
    if (key === null) return `${reads}.`;
    const offEv = its.readEv - key.exposureEv;
    if (Math.abs(offEv) < 1 / 6) return `${reads}: as it should be.`;
    return `${reads}: it wants ${stopsText(offEv, wording)} ${offEv > 0 ? 'more' : 'less'}.`;
  });
  protected readonly noKey = computed(() => {
    const [picture, stop] = [this.view.picture(), this.room.stop()];
    return picture === null || stop === null || picture.metered.key !== null ? '' : `${capital(NO_KEY_WORDS[stop.intent.kind])}.`;
  });
  /** The plan, with the fan of how one looks here. */
  protected readonly planStops = computed<readonly PlanStop[]>(() => {
    const [district, walk, workspace, selected] = [this.room.district(), this.room.walk(), this.room.workspace(), this.room.stop()];
    if (district === null || walk === null || workspace === undefined || selected === null) return [];
    const frame = this.view.frame();
    const half = Math.atan(heldSides(frame)[0] / 2 / frame.focalLengthMm) / RAD_PER_DEG;
    return planStops(walk, district, workspace.kit, selected.id).map((one) =>
      one.isSelected ? { ...one, shootingBearingDeg: this.view.bearingDeg(), halfFieldDeg: half } : one,
    );
  });
  protected readonly sun = computed(() => {
    const light = this.room.light();
    return light === null ? null : apparentSun(light.sun);
  });
  protected readonly theme = computed(() => this.room.workspace()?.settings.theme ?? 'light');
  protected readonly planKey = computed(() => this.room.stop()?.id ?? '');

  private from: { readonly at: PlacePx; readonly tiltDeg: number; readonly bearingDeg: number } | null = null;

  protected grab(at: PlacePx): void {
    this.from = { at, tiltDeg: this.view.frame().tiltDeg, bearingDeg: this.view.bearingDeg() };
  }

  protected drag({ xPx, yPx }: PlacePx, { clientWidth, clientHeight }: HTMLElement): void {
    if (this.from === null) return;
    // What is taken hold of goes along with the pointer: pulled down, the camera looks further up.
    const { at, tiltDeg, bearingDeg } = this.from;
    const frame = this.view.frame();
    const fieldDeg = (2 * Math.atan(heldSides(frame)[0] / 2 / frame.focalLengthMm)) / RAD_PER_DEG;
    this.tiltTo(Math.round(tiltDeg + ((yPx - at.yPx) / Math.max(1, clientHeight)) * TILT_A_HEIGHT_DEG));
    this.view.turnTo(Math.round(bearingDeg - ((xPx - at.xPx) / Math.max(1, clientWidth)) * fieldDeg));
  }

  protected takeBearing(): void {
    const [walk, stop] = [this.room.walk(), this.room.stop()];
    if (walk === null || stop === null) return;
    const shootingBearingDeg = this.view.bearingDeg();
    this.stopActions.adjust({ walk, stop }, 'direction', (one) => ({ ...one, shootingBearingDeg }));
  }

  protected choosePattern(value: string): void {
    this.view.pattern.set(METER_PATTERNS.find((pattern) => pattern === value) ?? null);
  }

  protected press(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const step = TILT_STEP_DEG[event.key as keyof typeof TILT_STEP_DEG];
    const turn = TURN_STEP_DEG[event.key as keyof typeof TURN_STEP_DEG];
    if (step === undefined && turn === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    if (step !== undefined) this.tiltTo(this.view.frame().tiltDeg + step);
    if (turn !== undefined) this.view.turnTo(this.view.bearingDeg() + turn);
  }

  private tiltTo(tiltDeg: number): void {
    this.view.change({ tiltDeg: Math.min(MOST_TILT_DEG, Math.max(-MOST_TILT_DEG, tiltDeg)) });
  }
}
