import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { numberCodec } from '../../../fields/codec';
import { ValueField } from '../../../fields/value-field';
import { type PlacePx, Grip } from '../../../drawing/grip';
import { SightPicture } from '../../../shared/sight-picture';
import { LightState } from '../light-state';
import { ViewState } from './view-state';
import { groundsWords, sightSentences, uprightsWords } from './view-words';

const MOST_TILT_DEG = 60;
const MOST_RISE_MM = 15;
/** A drag over the whole height of the picture tilts by so much. */
const TILT_A_HEIGHT_DEG = 30;
const TILT_STEP_DEG = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 } as const;

/** What the frame will see from where one stands: at the time handle, tilted, shifted and zoomed at will. */
@Component({
  selector: 'rd-light-sight',
  imports: [Grip, MatSlideToggleModule, SightPicture, ValueField],
  providers: [ViewState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './view-page.html',
  styleUrls: ['../../set-up/page.scss', './view-page.scss'],
})
export class ViewPage {
  protected readonly room = inject(LightState);
  protected readonly view = inject(ViewState);
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

  private from: { readonly yPx: number; readonly tiltDeg: number } | null = null;

  protected grab({ yPx }: PlacePx): void {
    this.from = { yPx, tiltDeg: this.view.frame().tiltDeg };
  }

  protected drag({ yPx }: PlacePx, heightPx: number): void {
    if (this.from === null) return;
    // What is taken hold of goes along with the pointer: pulled down, the camera looks further up.
    this.tiltTo(Math.round(this.from.tiltDeg + ((yPx - this.from.yPx) / Math.max(1, heightPx)) * TILT_A_HEIGHT_DEG));
  }

  protected press(event: KeyboardEvent): void {
    const step = TILT_STEP_DEG[event.key as keyof typeof TILT_STEP_DEG];
    if (step === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    this.tiltTo(this.view.frame().tiltDeg + step);
  }

  private tiltTo(tiltDeg: number): void {
    this.view.change({ tiltDeg: Math.min(MOST_TILT_DEG, Math.max(-MOST_TILT_DEG, tiltDeg)) });
  }
}
