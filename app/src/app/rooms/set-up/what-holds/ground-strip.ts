import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import type { Passer } from '@roam-dial/core/setup';
import type { GroundMark } from '@roam-dial/core/stop';
import type { Wording } from '../../../words/wording';
import { elementWidth } from '../../../drawing/element-size';
import { Handle } from '../../../drawing/handle';
import { distanceAtX, distanceX, groundPlot, groundReachM, lengthTicks, wedgePath } from './ground-strip.geometry';

export type GroundHandle = 'focus' | 'near' | 'far';

export interface GroundMove {
  readonly handle: GroundHandle;
  /** Where it is dragged to, metres; or marks to step by. */
  readonly to: { readonly distanceM: number } | { readonly steps: 1 | -1 };
}

const LEFT_PX = 14;
const RIGHT_PX = 14;
const TOP_PX = 22;
const BAND_PX = 200;
const AXIS_PX = 48;
const MARK_PX = 18;
const FEET_M = 0.3048;
/** A halo is drawn so many times as wide as the blur would look on a print at arm's length. */
const HALO_PX_PER_CIRCLE = 5;
const MOST_HALO_PX = 34;

/**
 * The ground in front of the camera from above and to scale: the wedge that is sharp, what lies there, and people drawn
 * from the stop's own distances and speeds, each with a halo as wide as the blur on them. Focus, near and far are dragged.
 */
@Component({
  selector: 'rd-ground-strip',
  imports: [Handle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ground-strip.html',
  styleUrl: './ground-strip.scss',
})
export class GroundStrip {
  readonly focusM = input.required<number>();
  readonly sharp = input.required<{ readonly nearM: number; readonly farM: number } | null>();
  readonly wantedFarM = input.required<number>();
  readonly medianM = input.required<number>();
  readonly passers = input.required<readonly Passer[]>();
  readonly circleMm = input.required<number>();
  /** Half of the field's width for each metre of distance. */
  readonly halfPerM = input.required<number>();
  readonly marks = input.required<readonly GroundMark[]>();
  readonly strideM = input.required<number>();
  readonly wording = input.required<Wording>();
  readonly sentence = input.required<string>();
  readonly canFocus = input(true);
  readonly moved = output<GroundMove>();

  private readonly width = elementWidth(680);
  protected readonly isDragging = signal(false);
  protected readonly topPx = TOP_PX;
  protected readonly bandPx = BAND_PX;
  protected readonly footPx = TOP_PX + BAND_PX;
  protected readonly fullHeight = TOP_PX + BAND_PX + AXIS_PX;
  protected readonly svgWidth = computed(() => this.width());
  /** While something is dragged the scale stands still. */
  private readonly reachM = linkedSignal<{ readonly wanted: number; readonly isHeld: boolean }, number>({
    source: () => ({
      isHeld: this.isDragging(),
      wanted: groundReachM([
        this.wantedFarM(),
        this.medianM() * 2,
        this.sharp()?.nearM ?? 0,
        ...this.marks().map(({ distanceM }) => distanceM),
        Math.min(this.sharp()?.farM ?? 0, this.medianM() * 3),
      ]),
    }),
    computation: ({ wanted, isHeld }, previous) => (isHeld && previous !== undefined ? previous.value : wanted),
  });
  protected readonly plot = computed(() =>
    groundPlot(LEFT_PX, TOP_PX, Math.max(120, this.width() - LEFT_PX - RIGHT_PX), BAND_PX, this.reachM()),
  );
  protected readonly field = computed(() => wedgePath(this.plot(), 0, Infinity, this.halfPerM()));
  protected readonly wedge = computed(() => {
    const sharp = this.sharp();
    return sharp === null || sharp.nearM >= this.reachM() ? null : wedgePath(this.plot(), sharp.nearM, sharp.farM, this.halfPerM());
  });
  protected readonly people = computed(() => {
    const plot = this.plot();
    return this.passers()
      .filter(({ distanceM }) => distanceM <= this.reachM())
      .map((passer, k) => ({
        k,
        x: distanceX(plot, passer.distanceM),
        y: plot.middleY + passer.across * (plot.height / 2 - 8),
        halo: Math.min(MOST_HALO_PX, 3 + (passer.blurMm / this.circleMm()) * HALO_PX_PER_CIRCLE),
        isGood: passer.isGood,
      }));
  });
  protected readonly marksAt = computed(() => {
    const plot = this.plot();
    let lastEnd = [-Infinity, -Infinity];
    return [...this.marks()]
      .sort((a, b) => a.distanceM - b.distanceM)
      .filter(({ distanceM }) => distanceM <= this.reachM())
      .map(({ label, distanceM }) => {
        const x = distanceX(plot, distanceM);
        const text = `${label} ${this.wording().distance(distanceM)}`;
        const half = (text.length * 6.4) / 2;
        const row = x - half > (lastEnd[0] as number) ? 0 : 1;
        lastEnd = row === 0 ? [x + half + 8, lastEnd[1] as number] : [lastEnd[0] as number, x + half + 8];
        const middle = Math.min(this.width() - half, Math.max(half, x));
        return { x, middle, text, y: TOP_PX + BAND_PX + 16 + row * MARK_PX };
      });
  });
  protected readonly ticks = computed(() => {
    const isFeet = this.wording().lengthUnit === 'feet';
    const unitM = isFeet ? FEET_M : 1;
    return lengthTicks(this.reachM(), unitM, this.plot().width).map((count) => ({
      count,
      x: distanceX(this.plot(), count * unitM),
      text: `${count} ${isFeet ? 'ft' : 'm'}`,
    }));
  });
  protected readonly strides = computed(() =>
    lengthTicks(this.reachM(), this.strideM(), this.plot().width, 70).map((count) => ({
      count,
      x: distanceX(this.plot(), count * this.strideM()),
      text: `${count} ${count === 1 ? 'stride' : 'strides'}`,
    })),
  );
  protected readonly handles = computed(() => {
    const sharp = this.sharp();
    const { plot, reachM, wording } = { plot: this.plot(), reachM: this.reachM(), wording: this.wording() };
    const all: { handle: GroundHandle; distanceM: number; name: string }[] = [
      ...(sharp === null
        ? []
        : [
            { handle: 'near' as const, distanceM: sharp.nearM, name: 'Near end of what is sharp' },
            { handle: 'far' as const, distanceM: sharp.farM, name: 'Far end of what is sharp' },
          ]),
      ...(this.canFocus() ? [{ handle: 'focus' as const, distanceM: this.focusM(), name: 'Focus' }] : []),
    ];
    return all.map((one) => ({
      ...one,
      x: distanceX(plot, Math.min(one.distanceM, reachM)),
      half: Math.min(plot.height / 2, one.distanceM * this.halfPerM() * plot.pxPerM),
      text: one.distanceM > reachM ? `on to ${wording.distance(one.distanceM)}` : wording.distance(one.distanceM),
      isBeyond: one.distanceM > reachM,
      isLabelLeft: one.handle === 'near' || (one.handle === 'far' && distanceX(plot, one.distanceM) > this.width() - 70),
      labelY: { near: 18, focus: BAND_PX / 2, far: BAND_PX - 34 }[one.handle] + TOP_PX,
    }));
  });

  /** A tap on the ground focuses there. */
  protected tap(event: MouseEvent): void {
    const svg = (event.currentTarget as SVGElement).ownerSVGElement as SVGSVGElement;
    const distanceM = this.distanceAt(event.clientX - svg.getBoundingClientRect().left);
    if (this.canFocus()) this.moved.emit({ handle: 'focus', to: { distanceM } });
  }

  protected distanceAt(xPx: number): number {
    return distanceAtX(this.plot(), xPx);
  }
}
