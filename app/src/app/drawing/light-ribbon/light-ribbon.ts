import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  input,
  linkedSignal,
  output,
  viewChild,
} from '@angular/core';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import type { StopDay } from '@roam-dial/core/stop';
import type { Wording } from '../../words/wording';
import { elementWidth } from '../element-size';
import { evScale, lightKindAt, ribbonOutline, ribbonSegments } from './light-ribbon.geometry';
import { Grip, type PlacePx } from '../grip';
import { Handle, type HandleStep } from '../handle';
import { hourTicks, midnightOn, minutesForStep, type TimeDomain, timeScale } from '../time-axis';
import { windowSpan } from '../../words/windows';

const KIND_WORDS = { lit: 'in the sun', shade: 'in shade', dark: 'after dark' } as const;

/**
 * The light of one stop through the day as data: its EV as a profile, straw where the sun reaches the spot, slate in
 * shade, ink after dark, its windows beneath; and the one time handle.
 */
@Component({
  selector: 'rd-light-ribbon',
  imports: [Grip, Handle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './light-ribbon.html',
  styleUrl: './light-ribbon.scss',
})
export class LightRibbon {
  readonly stopName = input.required<string>();
  readonly day = input.required<StopDay | null>();
  readonly domain = input.required<TimeDomain>();
  readonly minute = input.required<number>();
  readonly wording = input.required<Wording>();
  readonly gutter = input(124);
  readonly isReadOnly = input(false);
  readonly height = input(112);
  readonly moved = output<number>();

  private readonly handle = viewChild<ElementRef<SVGElement>>('handle');

  private readonly width = elementWidth(720);
  protected readonly right = computed(() => this.width() - 10);
  protected readonly profileBottom = computed(() => this.height() - 30);
  protected readonly x = computed(() => timeScale(this.domain(), this.gutter(), this.right()));
  protected readonly y = computed(() => evScale(6, this.profileBottom()));
  protected readonly segments = computed(() => {
    const day = this.day();
    return day === null ? [] : ribbonSegments(day, this.domain(), this.x(), this.y());
  });
  protected readonly outline = computed(() => {
    const day = this.day();
    return day === null ? '' : ribbonOutline(day, this.domain(), this.x(), this.y());
  });
  protected readonly windows = computed(() => {
    const { fromMin, toMin } = this.domain();
    return (this.day()?.windows ?? [])
      .filter((window) => window.toMin > fromMin && window.fromMin < toMin)
      .map((window) => ({ ...window, x0: this.x()(window.fromMin), x1: this.x()(window.toMin + 1) }));
  });
  protected readonly midnight = computed(() => {
    const midnight = midnightOn(this.domain());
    return midnight === null ? null : { ...midnight, x: this.x()(midnight.minute) };
  });
  protected readonly hours = computed(() =>
    hourTicks(this.domain(), this.right() - this.gutter()).map((minute) => ({
      x: this.x()(minute),
      // A label that would stick out at the right is left to its tick.
      label:
        this.x()(minute) > this.right() - 12
          ? ''
          : minute === this.midnight()?.minute
            ? this.midnight()?.name
            : this.wording().hour(minute),
    })),
  );
  protected readonly evTicks = [0, 5, 10, 15];
  protected readonly handleX = computed(() => this.x()(this.minute()));
  protected readonly clock = computed(() => this.wording().clock(this.minute()));
  /** The chip stays within the chart at both ends. */
  protected readonly chipX = computed(() => Math.min(this.right() - 30, Math.max(this.gutter() + 30, this.handleX())));

  protected readonly reading = computed(() => {
    const day = this.day();
    if (day === null) return `${this.clock()}, still calculating the light`;
    const ev100 = day.keyEv100[this.minute()];
    if (ev100 === undefined) return `${this.clock()}, still calculating the light`;
    const ev = this.wording().ev(ev100);
    return `${this.clock()}, EV ${ev}, ${KIND_WORDS[lightKindAt(day, this.minute())]}`;
  });
  protected readonly sentence = computed(() => {
    const windows = this.day()?.windows ?? [];
    if (windows.length === 0) return `${this.stopName()} has no light window on this day.`;
    const spans = windows.map((window) => windowSpan(window, this.wording()));
    return `Light windows at ${this.stopName()}: ${spans.join(', ')}.`;
  });
  /** The profile as a table, every half hour. */
  protected readonly rows = computed(() => {
    const day = this.day();
    if (day === null) return [];
    const { fromMin, toMin } = this.domain();
    const rows: { time: string; ev: string; kind: string }[] = [];
    for (let minute = fromMin; minute < Math.min(day.keyEv100.length, toMin); minute += 30) {
      rows.push({
        time: this.wording().clock(minute),
        ev: this.wording().ev(day.keyEv100[minute] as number),
        kind: KIND_WORDS[lightKindAt(day, minute)],
      });
    }
    return rows;
  });

  /** Keys that come faster than the picture follows go on from one another, not from what is still on screen. */
  private readonly reached = linkedSignal(() => this.minute());

  protected step(step: HandleStep): void {
    const to = Math.min(LAST_WALK_MINUTE, Math.max(0, this.reached() + minutesForStep(step)));
    this.reached.set(to);
    this.moved.emit(to);
  }

  /** From anywhere on the ribbon; the keys then go on from there. */
  protected grab(at: PlacePx): void {
    this.follow(at);
    this.handle()?.nativeElement.focus({ preventScroll: true });
  }

  protected follow({ xPx }: PlacePx): void {
    if (!this.isReadOnly()) this.moved.emit(Math.round(this.x().invert(xPx)));
  }
}
