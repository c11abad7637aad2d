import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { Plot } from '../../../drawing/plot';
import { plotFrame, type PlotTable, type Tick } from '../../../drawing/plot-frame';
import type { PlacePx } from '../../../drawing/grip';
import { Handle } from '../../../drawing/handle';

export interface KeeperLine {
  readonly name: string;
  readonly isOwn: boolean;
  readonly at: (shutterS: number) => number;
}

export interface KeeperDot {
  readonly shutterS: number;
  readonly share: number;
  readonly frames: number;
}

const MARGINS = { leftPx: 52, rightPx: 92, topPx: 12, bottomPx: 26 };
const HEIGHT_PX = 250;
const STEPS_PER_STOP = 4;
/** The share at which hands are said to hold a time. */
const HELD = 0.8;
const NAMED_AT = 0.3;
/** Where curves come closer than a name is wide, each name stands a level above the one before it. */
const NAME_WIDTH_PX = 66;
const CROWDED_AT = [0.1, NAMED_AT, 0.62];
const THIRD = 1 / 3;

/**
 * Chance of a frame free of shake against shutter time, fast on the left: by hand with the band of the person's own test
 * frames, braced, walking. The time held four times of five is dragged, in thirds of a stop.
 */
@Component({
  selector: 'rd-keeper-curve',
  imports: [Handle, Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './keeper-curve.html',
  styleUrl: './keeper-curve.scss',
})
export class KeeperCurve {
  readonly lines = input.required<readonly KeeperLine[]>();
  readonly band = input<((shutterS: number) => { readonly low: number; readonly high: number }) | null>(null);
  readonly dots = input.required<readonly KeeperDot[]>();
  /** The limit of these hands, seconds. */
  readonly limitS = input.required<number>();
  /** Times of the axis, seconds, fast to slow. */
  readonly times = input.required<readonly number[]>();
  readonly say = input.required<(seconds: number) => string>();
  readonly sentence = input.required<string>();
  /** Stops that the limit is moved by. */
  readonly moved = output<number>();

  protected readonly frame = plotFrame(MARGINS, HEIGHT_PX);
  private dragFrom = { xPx: 0, movedStops: 0 };
  protected readonly third = THIRD;
  private readonly ends = computed(() => {
    const times = this.times();
    return [Math.log2(times[0] ?? 1e-3), Math.log2(times.at(-1) ?? 1)] as const;
  });
  private readonly x = computed(() => scaleLinear([...this.ends()], [this.frame().left, this.frame().right]).clamp(true));
  private readonly y = computed(() => scaleLinear([0, 1], [this.frame().base, this.frame().top]));
  private readonly samples = computed(() => {
    const [from, to] = this.ends();
    const count = Math.ceil((to - from) * STEPS_PER_STOP);
    return Array.from({ length: count + 1 }, (_, k) => from + (k / count) * (to - from));
  });
  protected readonly levels = computed(() =>
    [0, 0.2, 0.5, HELD, 1].map((share): Tick => ({
      at: this.y()(share),
      text: `${share * 100}`,
      rule: share === HELD ? 'dashed' : 'plain',
    })),
  );
  /** Times of the axis by their logarithm, as many as there is room for. */
  private readonly named = computed(() => {
    const [from, to] = this.ends();
    const every = Math.max(1, Math.ceil(((to - from) * 56) / (this.frame().right - this.frame().left)));
    const first = Math.ceil(from);
    return Array.from({ length: Math.floor((to - first) / every) + 1 }, (_, k) => first + k * every);
  });
  protected readonly ticks = computed(() => this.named().map((log): Tick => ({ at: this.x()(log), text: this.say()(2 ** log) })));
  protected readonly table = computed<PlotTable>(() => ({
    columns: ['Time', ...this.lines().map(({ name }) => name)],
    rows: this.named().map((log) => [
      this.say()(2 ** log),
      ...this.lines().map(({ at }) => `${Math.round(100 * at(2 ** log))} in 100`),
    ]),
  }));
  protected readonly curves = computed(() => {
    const draw = (at: KeeperLine['at']): string =>
      line<number>(
        (log) => this.x()(log),
        (log) => this.y()(at(2 ** log)),
      )([...this.samples()]) ?? '';
    return this.lines().map((one) => ({ ...one, path: draw(one.at) }));
  });
  protected readonly bandPath = computed(() => {
    const band = this.band();
    if (band === null) return null;
    return area<number>(
      (log) => this.x()(log),
      (log) => this.y()(band(2 ** log).low),
      (log) => this.y()(band(2 ** log).high),
    )([...this.samples()]);
  });
  protected readonly points = computed(() =>
    this.dots().map((dot, k) => ({
      k,
      x: this.x()(Math.log2(dot.shutterS)),
      y: this.y()(dot.share),
      r: Math.min(9, 3 + Math.sqrt(dot.frames) / 2),
    })),
  );
  /** Names stand low on their curves, where these are farthest apart. */
  protected readonly names = computed(() => {
    const byTime = this.lines()
      .map((one) => ({ one, ...this.placeAt(one, NAMED_AT) }))
      .sort((a, b) => a.x - b.x);
    const isCrowded = byTime.some(({ x }, k) => x - (byTime[k - 1]?.x ?? -Infinity) < NAME_WIDTH_PX);
    return byTime.map(({ one, x, y }, k) => {
      const place = isCrowded ? this.placeAt(one, CROWDED_AT[k] ?? NAMED_AT) : { x, y };
      return { name: one.name, isOwn: one.isOwn, ...place };
    });
  });
  protected readonly handle = computed(() => ({ x: this.x()(Math.log2(this.limitS())), y: this.y()(HELD) }));
  protected readonly limitText = computed(() => this.say()(this.limitS()));

  /** Where the curve first falls under the share, or its slow end. */
  private placeAt({ at }: KeeperLine, share: number): { readonly x: number; readonly y: number } {
    const log = this.samples().find((one) => at(2 ** one) < share) ?? this.ends()[1];
    return { x: this.x()(log), y: this.y()(at(2 ** log)) };
  }

  protected grab({ xPx }: PlacePx): void {
    this.dragFrom = { xPx, movedStops: 0 };
  }

  protected drag({ xPx }: PlacePx): void {
    const [from, to] = this.ends();
    const stops = ((xPx - this.dragFrom.xPx) / (this.frame().right - this.frame().left)) * (to - from);
    const wanted = Math.round(stops * 3) / 3;
    const by = wanted - this.dragFrom.movedStops;
    if (Math.abs(by) < THIRD / 2) return;
    this.dragFrom = { ...this.dragFrom, movedStops: wanted };
    this.moved.emit(by);
  }
}
