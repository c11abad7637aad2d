import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MINUTES_PER_DAY } from '@roam-dial/core/light';
import { CARPET_ROWS, CARPET_STEP_MIN, type YearOfQuality, type YearOfSun } from '@roam-dial/core/stop';
import { scaleLinear } from 'd3-scale';
import type { Wording } from '../../../words/wording';
import { elementWidth } from '../../../drawing/element-size';

export interface CarpetCell {
  readonly day: string;
  /** Of a walk on that day: from 1440 on the next day's. */
  readonly minute: number;
}

const LEFT = 46;
const BOTTOM = 22;
const MONTHS = new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' });

/**
 * A year of one stop: days across, hours up, from midnight or, so that a night is one piece, from noon; night, shade, sun, and over
 * them how well the light suits the picture.
 */
@Component({
  selector: 'rd-year-carpet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './year-carpet.html',
  styleUrl: './year-carpet.scss',
})
export class YearCarpet {
  readonly stopName = input.required<string>();
  readonly sun = input.required<YearOfSun | null>();
  readonly quality = input<YearOfQuality | null>(null);
  readonly day = input.required<string>();
  readonly minute = input.required<number>();
  readonly wording = input.required<Wording>();
  /** Where a column begins: 0, or 720 for noon to noon. */
  readonly fromMin = input(0);
  readonly theme = input('light');
  readonly height = input(330);
  readonly chosen = output<CarpetCell>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly width = elementWidth(680);
  private readonly cursor = signal<CarpetCell | null>(null);

  protected readonly plotWidth = computed(() => this.width() - LEFT - 8);
  protected readonly plotHeight = computed(() => this.height() - BOTTOM);
  protected readonly left = LEFT;
  /** The last day of the answer is there for the night before it. */
  private readonly days = computed(() => this.sun()?.days.slice(0, -1) ?? []);
  protected readonly lastMin = computed(() => this.fromMin() + MINUTES_PER_DAY - CARPET_STEP_MIN);
  protected readonly x = computed(() => scaleLinear([0, Math.max(1, this.days().length)], [LEFT, LEFT + this.plotWidth()]));
  protected readonly y = computed(() => scaleLinear([this.fromMin(), this.fromMin() + MINUTES_PER_DAY], [this.plotHeight(), 0]));
  protected readonly hours = computed(() => [0, 6, 12, 18, 24].map((hour) => this.fromMin() + hour * 60));
  protected readonly midnight = computed(() => (this.fromMin() === 0 ? null : this.y()(MINUTES_PER_DAY)));
  protected readonly months = computed(() =>
    this.days().flatMap((day, k) =>
      day.endsWith('-01') ? [{ x: this.x()(k), label: MONTHS.format(new Date(`${day}T12:00:00Z`)) }] : [],
    ),
  );
  /** The column in which a minute of the walk stands, and the minute on its hours. */
  private readonly column = computed(() => {
    const k = this.days().indexOf(this.day());
    const over = Math.floor((this.minute() - this.fromMin()) / MINUTES_PER_DAY);
    return { k: k === -1 ? -1 : k + over, minute: this.minute() - over * MINUTES_PER_DAY };
  });
  protected readonly place = computed(() => {
    const { k, minute } = this.column();
    return this.days()[k] === undefined ? null : { x: this.x()(k + 0.5), y: this.y()(minute) };
  });
  protected readonly read = computed<CarpetCell>(() => {
    const { k, minute } = this.column();
    return this.cursor() ?? { day: this.days()[k] ?? this.day(), minute };
  });
  protected readonly reading = computed(() => {
    const { day, minute } = this.read();
    const k = this.days().indexOf(day);
    const sun = this.sun();
    if (k === -1 || sun === null) return 'Calculating the year.';
    const cell = k * CARPET_ROWS + Math.floor(minute / CARPET_STEP_MIN);
    const state = ['night', 'in shade', 'in the sun'][sun.states[cell] ?? 0] as string;
    const quality = this.quality();
    const isKnown = quality !== null && this.isDone(quality, k);
    const worth = isKnown ? (quality.quality[cell] ?? 0) / 255 : null;
    const good =
      worth === null
        ? ''
        : worth >= 0.25
          ? `, good for this picture (${Math.round(100 * worth)} in 100)`
          : ', not for this picture';
    const shown = sun.days[k + Math.floor(minute / MINUTES_PER_DAY)] ?? day;
    return `${this.wording().day(shown)}, ${this.wording().clock(minute)}: ${state}${good}.`;
  });
  /** The carpet as a table, one row a month. */
  protected readonly rows = computed(() => {
    const [sun, quality] = [this.sun(), this.quality()];
    return this.days().flatMap((day, k) => {
      if (!day.endsWith('-15') || sun === null) return [];
      const from = k * CARPET_ROWS + this.fromMin() / CARPET_STEP_MIN;
      const row = sun.states.subarray(from, from + CARPET_ROWS);
      const good = quality === null ? [] : [...quality.quality.subarray(from, from + CARPET_ROWS)];
      const minutesOf = (cells: number): string => this.wording().duration(cells * CARPET_STEP_MIN);
      return [
        {
          day: this.wording().day(day),
          sun: minutesOf(row.filter((state) => state === 2).length),
          good:
            quality !== null && this.isDone(quality, k) ? minutesOf(good.filter((value) => value >= 64).length) : 'not known yet',
        },
      ];
    });
  });

  constructor() {
    effect(() => this.paint());
  }

  /** Whether a column is known whole: one from noon to noon wants the next day too. */
  private isDone({ daysDone }: YearOfQuality, k: number): boolean {
    return daysDone > (this.fromMin() === 0 ? k : k + 1);
  }

  /** A pixel a cell, drawn large by the browser without smoothing. */
  private paint(): void {
    this.theme();
    const canvas = this.canvas().nativeElement;
    const [sun, quality] = [this.sun(), this.quality()];
    const context = canvas.getContext('2d');
    if (sun === null || context === null) return;
    const count = this.days().length;
    const first = this.fromMin() / CARPET_STEP_MIN;
    canvas.width = count;
    canvas.height = CARPET_ROWS;
    const style = getComputedStyle(canvas);
    const rgb = (token: string): readonly [number, number, number] => {
      const hex = style.getPropertyValue(token).trim();
      return [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as [number, number, number];
    };
    const colours = [rgb('--dark'), rgb('--slate'), rgb('--straw')] as const;
    const mark = rgb('--mark');
    const image = context.createImageData(count, CARPET_ROWS);
    for (let k = 0; k < count; k++) {
      for (let row = 0; row < CARPET_ROWS; row++) {
        const cell = first + k * CARPET_ROWS + row;
        const base = colours[sun.states[cell] as 0 | 1 | 2];
        const worth = (quality?.quality[cell] ?? 0) / 255;
        // A good cell is marked in every second pixel row, so that the light beneath stays readable.
        const isMarked = worth >= 0.25 && (row + k) % 2 === 0;
        const at = 4 * ((CARPET_ROWS - 1 - row) * count + k);
        for (let c = 0; c < 3; c++) image.data[at + c] = (isMarked ? mark[c as 0] : base[c as 0]) as number;
        image.data[at + 3] = 255;
      }
    }
    context.putImageData(image, 0, 0);
  }

  private cellAt(event: PointerEvent | MouseEvent): CarpetCell | null {
    const { left, top } = (event.currentTarget as Element).getBoundingClientRect();
    const k = Math.floor(this.x().invert(event.clientX - left));
    const day = this.days()[k];
    const minute = this.y().invert(event.clientY - top);
    if (day === undefined || minute < this.fromMin() || minute >= this.fromMin() + MINUTES_PER_DAY) return null;
    return { day, minute: Math.floor(minute / CARPET_STEP_MIN) * CARPET_STEP_MIN };
  }

  protected hover(event: PointerEvent): void {
    this.cursor.set(this.cellAt(event));
  }

  protected leave(): void {
    this.cursor.set(null);
  }

  protected choose(event: MouseEvent): void {
    const cell = this.cellAt(event);
    if (cell !== null) this.chosen.emit(cell);
  }

  /** Left and right a day, with Shift a week; up and down ten minutes. */
  protected press(event: KeyboardEvent): void {
    const { key, shiftKey } = event;
    const days = this.days();
    const from = this.read();
    const k = Math.max(0, days.indexOf(from.day));
    const step = shiftKey ? 7 : 1;
    const across = { ArrowRight: step, ArrowLeft: -step }[key] ?? 0;
    const up = { ArrowUp: CARPET_STEP_MIN, ArrowDown: -CARPET_STEP_MIN, PageUp: 60, PageDown: -60 }[key] ?? 0;
    if (key === 'Enter' || key === ' ') {
      event.preventDefault();
      this.chosen.emit(from);
      return;
    }
    if (across === 0 && up === 0) return;
    event.preventDefault();
    const day = days[Math.min(days.length - 1, Math.max(0, k + across))];
    if (day !== undefined) this.cursor.set({ day, minute: Math.min(this.lastMin(), Math.max(this.fromMin(), from.minute + up)) });
  }
}
