import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import type { ResponsePoint } from '@roam-dial/core/setup';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { elementWidth } from '../../../drawing/element-size';

/** One way of running the camera, over the same EVs as the other. */
export interface Response {
  readonly name: string;
  readonly points: readonly ResponsePoint[];
}

export interface ResponseWords {
  readonly shutter: (seconds: number) => string;
  readonly iso: (iso: number) => string;
  readonly ev: (ev100: number) => string;
  readonly stops: (stops: number) => string;
}

const LEFT_PX = 64;
const RIGHT_PX = 14;
const BANDS = [
  { key: 'shutter', name: 'Shutter', top: 20, height: 100 },
  { key: 'iso', name: 'ISO', top: 158, height: 72 },
  { key: 'error', name: 'Off by', top: 268, height: 56 },
] as const;
const HEIGHT_PX = 352;
/** Levels of ISO are counted from 100. */
const ISO_100 = Math.log2(100);
const EV_STEP = 2;

type Band = (typeof BANDS)[number]['key'];

function valueOf(point: ResponsePoint, band: Band): number {
  switch (band) {
    case 'shutter':
      return Math.log2(point.shutterS);
    case 'iso':
      return Math.log2(point.iso);
    case 'error':
      return point.errorEv;
  }
}

/**
 * What the camera makes of the set-up over the light: shutter, ISO, and by how much the frame then comes out too dark or
 * too bright; a second approach dashed over the same. A cursor reads one EV out in words.
 */
@Component({
  selector: 'rd-response-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './response-chart.html',
  styleUrl: './response-chart.scss',
})
export class ResponseChart {
  readonly first = input.required<Response>();
  readonly second = input<Response | null>(null);
  readonly nowEv100 = input.required<number>();
  readonly words = input.required<ResponseWords>();
  /** Slower than this the walkers or the hands spoil more than half; null where nothing does. */
  readonly safeS = input<number | null>(null);

  private readonly width = elementWidth(680);
  protected readonly height = HEIGHT_PX;
  protected readonly bands = BANDS;
  protected readonly left = LEFT_PX;
  protected readonly svgWidth = computed(() => this.width());
  protected readonly right = computed(() => this.width() - RIGHT_PX);
  private readonly cursorEv = signal<number | null>(null);

  private readonly evs = computed(() => this.first().points.map(({ ev100 }) => ev100));
  private readonly x = computed(() => {
    const evs = this.evs();
    return scaleLinear([Math.max(...evs), Math.min(...evs)], [LEFT_PX, this.right()]);
  });
  /** Dark on the right, because that is where the walk goes. */
  protected readonly ticks = computed(() => {
    const evs = this.evs();
    const [high, low] = [Math.max(...evs), Math.min(...evs)];
    const first = Math.ceil(low / EV_STEP) * EV_STEP;
    const count = Math.floor((high - first) / EV_STEP) + 1;
    return Array.from({ length: count }, (_, k) => first + k * EV_STEP).map((ev) => ({ ev, x: this.x()(ev) }));
  });
  private readonly scales = computed(() => {
    const all = [...this.first().points, ...(this.second()?.points ?? [])];
    return Object.fromEntries(
      BANDS.map(({ key, top, height }) => {
        const values = all.map((point) => valueOf(point, key));
        const [low, high] =
          key === 'error' ? [Math.min(-1, ...values), Math.max(1, ...values)] : [Math.min(...values), Math.max(...values)];
        const isFlat = high - low < 0.5;
        return [key, scaleLinear([isFlat ? low - 1 : low, isFlat ? high + 1 : high], [top + height, top])];
      }),
    ) as Record<Band, ReturnType<typeof scaleLinear<number, number>>>;
  });
  protected readonly levels = computed(() =>
    BANDS.flatMap(({ key }) => {
      const scale = this.scales()[key];
      const [low = 0, high = 0] = scale.domain();
      const every = Math.max(1, Math.ceil((high - low) / (key === 'shutter' ? 5 : 3)));
      const origin = key === 'iso' ? ISO_100 : 0;
      const first = origin + Math.ceil((low - origin - 1e-9) / every) * every;
      return Array.from({ length: Math.floor((high - first + 1e-9) / every) + 1 }, (_, k) => first + k * every).map((value) => ({
        key: `${key}${value}`,
        y: scale(value),
        text: this.levelText(key, value),
        isZero: key === 'error' && value === 0,
      }));
    }),
  );
  protected readonly lines = computed(() =>
    [this.first(), this.second()].flatMap((response, k) =>
      response === null
        ? []
        : BANDS.map(({ key }) => ({ id: `${k}${key}`, isSecond: k === 1, path: this.pathOf(response.points, key) })),
    ),
  );
  protected readonly shortfall = computed(() => {
    const zero = this.scales().error(0);
    const draw = line<ResponsePoint>(
      (point) => this.x()(point.ev100),
      (point) => this.scales().error(point.errorEv),
    );
    const path = draw([...this.first().points]) ?? '';
    const ends = [this.x()(this.evs().at(-1) ?? 0), this.x()(this.evs()[0] ?? 0)];
    return `${path}L${ends[0]},${zero}L${ends[1]},${zero}Z`;
  });
  protected readonly safeY = computed(() => {
    const safe = this.safeS();
    if (safe === null || !Number.isFinite(safe)) return null;
    const scale = this.scales().shutter;
    const [low = 0, high = 0] = scale.domain();
    const value = Math.log2(safe);
    return value > low && value < high ? scale(value) : null;
  });
  protected readonly nowX = computed(() => this.hold(this.x()(this.nowEv100())));
  protected readonly cursorX = computed(() => {
    const ev = this.cursorEv();
    return ev === null ? null : this.x()(ev);
  });
  protected readonly evNow = computed(() => this.nearest(this.cursorEv() ?? this.nowEv100()));
  protected readonly reading = computed(() => {
    const ev = this.evNow();
    const said = [this.first(), this.second()].flatMap((response) => {
      const point = response?.points.find(({ ev100 }) => ev100 === ev);
      return response === null || point === undefined ? [] : [`${response.name}: ${this.pointText(point)}`];
    });
    return `EV ${this.words().ev(ev)}. ${said.join(' ')}`;
  });
  protected readonly table = computed(() =>
    this.first()
      .points.filter((_, k) => k % 3 === 0)
      .map((point) => ({
        ev: this.words().ev(point.ev100),
        cells: [point, this.second()?.points.find(({ ev100 }) => ev100 === point.ev100)].flatMap((one) =>
          one === undefined ? [] : [this.pointText(one)],
        ),
      })),
  );

  protected trace(event: PointerEvent): void {
    const { left } = (event.currentTarget as Element).getBoundingClientRect();
    this.cursorEv.set(this.nearest(this.x().invert(event.clientX - left)));
  }

  protected leave(): void {
    this.cursorEv.set(null);
  }

  protected press(event: KeyboardEvent): void {
    const by = { ArrowLeft: -1, ArrowRight: 1, ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const evs = [...this.evs()].sort((a, b) => b - a);
    const at = evs.indexOf(this.evNow());
    this.cursorEv.set(evs[Math.min(evs.length - 1, Math.max(0, at + by))] ?? null);
  }

  private pointText({ shutterS, iso, errorEv }: ResponsePoint): string {
    const words = this.words();
    const off = Math.abs(errorEv) < 0.05 ? '' : `, ${words.stops(errorEv)} too ${errorEv < 0 ? 'dark' : 'bright'}`;
    return `${words.shutter(shutterS)}, ISO ${words.iso(iso)}${off}.`;
  }

  private levelText(key: Band, value: number): string {
    if (key === 'shutter') return this.words().shutter(2 ** value);
    return key === 'iso' ? this.words().iso(2 ** value) : this.words().stops(value);
  }

  private pathOf(points: readonly ResponsePoint[], key: Band): string {
    const scale = this.scales()[key];
    return (
      line<ResponsePoint>(
        (point) => this.x()(point.ev100),
        (point) => scale(valueOf(point, key)),
      )([...points]) ?? ''
    );
  }

  private hold(x: number): number {
    return Math.min(this.right(), Math.max(LEFT_PX, x));
  }

  private nearest(ev100: number): number {
    return this.evs().reduce((best, ev) => (Math.abs(ev - ev100) < Math.abs(best - ev100) ? ev : best), this.evs()[0] ?? 0);
  }
}
