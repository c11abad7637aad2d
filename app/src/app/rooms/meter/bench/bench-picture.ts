import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  input,
  model,
  type Signal,
  viewChild,
} from '@angular/core';
import type { MeterPattern } from '@roam-dial/core/kit';
import type { Spot } from '@roam-dial/core/metering';
import { elementWidth } from '../../../drawing/element-size';
import { Grip, type PlacePx } from '../../../drawing/grip';
import { Handle, type HandleStep } from '../../../drawing/handle';

/** A picture as bytes, 8 bit RGBA row by row. */
export type PictureBytes = Uint8ClampedArray<ArrayBuffer>;

export interface PatternDrawn {
  readonly pattern: MeterPattern;
  /** Radius of a spot, and of the middle's circle, heights of the frame. */
  readonly spotRadius: number;
  readonly centreRadius: number;
  readonly zonesAcross: number;
  readonly zonesDown: number;
  /** First column and row of the nine that count most. */
  readonly focusZones: readonly [column: number, row: number];
}

const MOST_WIDTH_PX = 640;
const SPOT_STEP = 0.03;
const FINE_STEP = 0.01;
const SPLIT_STEP = 0.1;
const HIT_PX = 22;
/** The split's handle stands this far above the picture's lower edge. */
const SPLIT_UP_PX = 26;

/**
 * A scene as the pattern would expose it, left of the split, and as it should be, right of it; the pattern drawn on it, and the
 * spot, which is also where one focuses, to be dragged.
 */
@Component({
  selector: 'rd-bench-picture',
  imports: [Grip, Handle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench-picture.html',
  styleUrl: './bench-picture.scss',
})
export class BenchPicture {
  readonly cells = input.required<{ readonly width: number; readonly height: number }>();
  readonly before = input.required<PictureBytes>();
  readonly after = input.required<PictureBytes>();
  readonly drawn = input.required<PatternDrawn>();
  /** The picture's own until it is told otherwise: keys go on from one another, however fast. */
  readonly at = model.required<Spot>();
  /** Share of the width that shows what the pattern gives. */
  readonly split = model.required<number>();
  readonly sentence = input.required<string>();

  private readonly shown = elementWidth(430);
  private readonly beforeCanvas = viewChild.required<ElementRef<HTMLCanvasElement>>('beforeCanvas');
  private readonly afterCanvas = viewChild.required<ElementRef<HTMLCanvasElement>>('afterCanvas');
  protected readonly hitPx = HIT_PX;
  protected readonly splitUpPx = SPLIT_UP_PX;
  protected readonly aspect = computed(() => this.cells().width / this.cells().height);
  protected readonly widthPx = computed(() => Math.min(MOST_WIDTH_PX, this.shown()));
  protected readonly heightPx = computed(() => this.widthPx() / this.aspect());
  protected readonly spot = computed(() => {
    const [scale, { x, y }] = [this.heightPx(), this.at()];
    return { x: x * scale, y: y * scale, radius: this.drawn().spotRadius * scale };
  });
  protected readonly splitPx = computed(() => this.split() * this.widthPx());
  protected readonly centre = computed(() => ({
    x: this.widthPx() / 2,
    y: this.heightPx() / 2,
    radius: this.drawn().centreRadius * this.heightPx(),
  }));
  protected readonly zones = computed(() => {
    const { zonesAcross, zonesDown, focusZones } = this.drawn();
    const [wide, tall] = [this.widthPx() / zonesAcross, this.heightPx() / zonesDown];
    const [firstColumn, firstRow] = focusZones;
    return {
      lines: [
        ...Array.from({ length: zonesAcross - 1 }, (_, k) => ({
          x1: (k + 1) * wide,
          x2: (k + 1) * wide,
          y1: 0,
          y2: this.heightPx(),
        })),
        ...Array.from({ length: zonesDown - 1 }, (_, k) => ({ x1: 0, x2: this.widthPx(), y1: (k + 1) * tall, y2: (k + 1) * tall })),
      ],
      focus: { x: firstColumn * wide, y: firstRow * tall, width: 3 * wide, height: 3 * tall },
    };
  });

  constructor() {
    this.draw(this.beforeCanvas, this.before);
    this.draw(this.afterCanvas, this.after);
  }

  protected drag({ xPx, yPx }: PlacePx): void {
    this.moveTo(xPx / this.heightPx(), yPx / this.heightPx());
  }

  /** Left and right across, up and down. */
  protected press(event: KeyboardEvent): void {
    const by = event.shiftKey ? FINE_STEP : SPOT_STEP;
    const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
    if (move === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    const { x, y } = this.at();
    this.moveTo(x + (move[0] ?? 0), y + (move[1] ?? 0));
  }

  protected dragSplit({ xPx }: PlacePx): void {
    this.split.set(Math.min(1, Math.max(0, xPx / this.widthPx())));
  }

  protected stepSplit({ by }: HandleStep): void {
    this.split.update((share) => Math.min(1, Math.max(0, share + by * SPLIT_STEP)));
  }

  private moveTo(x: number, y: number): void {
    this.at.set({ x: Math.min(this.aspect(), Math.max(0, x)), y: Math.min(1, Math.max(0, y)) });
  }

  private draw(canvas: Signal<ElementRef<HTMLCanvasElement>>, bytes: Signal<PictureBytes>): void {
    effect(() => {
      const { width, height } = this.cells();
      const pixels = bytes();
      const { nativeElement } = canvas();
      if (pixels.length !== width * height * 4) return;
      if (nativeElement.width !== width || nativeElement.height !== height) {
        nativeElement.width = width;
        nativeElement.height = height;
      }
      nativeElement.getContext('2d')?.putImageData(new ImageData(pixels, width, height), 0, 0);
    });
  }
}
