import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import type { Wording } from '../../../words/wording';
import { elementWidth } from '../../../drawing/element-size';
import { Grip, type PlacePx } from '../../../drawing/grip';
import { Handle, type HandleStep } from '../../../drawing/handle';
import { hourTicks, midnightOn, minutesForStep, type TimeDomain, timeScale } from '../../../drawing/time-axis';
import { otherLine, profilePath, rowHeights, type RowProfile, walkerLine, type WalkRow } from './walk-chart.geometry';
import { windowSpan } from '../../../words/windows';

export interface StayMove {
  readonly stopId: string;
  readonly edge: 'arrive' | 'leave';
  readonly minute: number;
}

/** A time of the day that is no stop's: a meal, a rest. */
export interface PauseBand {
  readonly id: string;
  readonly name: string;
  readonly fromMin: number;
  readonly toMin: number;
}

interface Hold {
  readonly stopId: string;
  readonly edge: StayMove['edge'];
  /** Pointer against the value when it was taken hold of, so that nothing jumps. */
  readonly offsetMin: number;
}

const valueOf = (row: WalkRow, edge: StayMove['edge']): number => (edge === 'arrive' ? row.arriveMin : row.leaveMin);

const LEAST_ROW_PX = 34;
const ABOVE_BARS_PX = 17;
const PROFILE_ROOM_PX = 10;
const TOP_PX = 26;
const BOTTOM_PX = 22;

/**
 * Time across, distance along the route up: each stop a level line with its windows as bars, the walker one line.
 * A stay is dragged as a whole by its middle or by its ends; arrow keys move the focused end by five minutes.
 */
@Component({
  selector: 'rd-walk-chart',
  imports: [Grip, Handle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './walk-chart.html',
  styleUrl: './walk-chart.scss',
})
export class WalkChart {
  readonly rows = input.required<readonly WalkRow[]>();
  readonly domain = input.required<TimeDomain>();
  readonly minute = input.required<number>();
  readonly selectedId = input.required<string | null>();
  readonly sentence = input.required<string>();
  readonly wording = input.required<Wording>();
  readonly gutter = input(124);
  readonly height = input(380);
  /** Stays of another plan, laid over these. */
  readonly other = input<readonly { readonly id: string; readonly fromMin: number; readonly toMin: number }[]>([]);
  /** Of the chosen stop: what the day is worth by when it begins. */
  readonly profile = input<RowProfile | null>(null);
  readonly pauses = input<readonly PauseBand[]>([]);
  readonly selected = output<string>();
  readonly pauseMoved = output<{ readonly id: string; readonly minute: number }>();
  readonly stayMoved = output<StayMove>();
  /** A drag begins or ends; gains and losses are told against the beginning. */
  readonly dragging = output<boolean>();

  private readonly width = elementWidth(720);
  private hold: Hold | null = null;
  private pauseHold: { readonly id: string; readonly offsetMin: number } | null = null;

  protected readonly right = computed(() => this.width() - 10);
  /** Room for a profile over the first row. */
  private readonly top = computed(() => (this.profile() === null ? TOP_PX : TOP_PX + PROFILE_ROOM_PX));
  protected readonly fullHeight = computed(() =>
    Math.max(this.height(), this.top() + BOTTOM_PX + (this.rows().length - 1) * LEAST_ROW_PX),
  );
  protected readonly x = computed(() => timeScale(this.domain(), this.gutter(), this.right()));
  private readonly heights = computed(() => rowHeights(this.rows(), this.top(), this.fullHeight() - BOTTOM_PX, LEAST_ROW_PX));
  protected readonly walker = computed(() => walkerLine(this.rows(), this.heights(), this.x()));
  protected readonly otherPath = computed(() => otherLine(this.other(), this.rows(), this.heights(), this.x()));
  protected readonly profileArea = computed(() => {
    const profile = this.profile();
    const y = this.heights()[this.rows().findIndex(({ stopId }) => stopId === this.selectedId())];
    return profile === null || y === undefined ? '' : profilePath(profile, y - ABOVE_BARS_PX, this.x());
  });
  protected readonly bands = computed(() =>
    this.pauses().map((pause) => ({ ...pause, x0: this.x()(pause.fromMin), x1: this.x()(pause.toMin) })),
  );
  protected readonly hours = computed(() =>
    hourTicks(this.domain(), this.right() - this.gutter()).map((minute) => this.x()(minute)),
  );
  protected readonly midnight = computed(() => {
    const midnight = midnightOn(this.domain());
    return midnight === null ? null : { ...midnight, x: this.x()(midnight.minute) };
  });
  protected readonly lastMinute = LAST_WALK_MINUTE;
  protected readonly handX = computed(() => this.x()(this.minute()));
  protected readonly lines = computed(() => {
    const x = this.x();
    const { fromMin, toMin } = this.domain();
    return this.rows().map((row, k) => ({
      ...row,
      y: this.heights()[k] as number,
      label: this.label(row.name),
      isSelected: row.stopId === this.selectedId(),
      ends: [
        { edge: 'arrive' as const, name: `Arrive at ${row.name}`, minute: row.arriveMin },
        { edge: 'leave' as const, name: `Leave ${row.name}`, minute: row.leaveMin },
      ],
      x0: x(row.arriveMin),
      x1: x(row.leaveMin),
      bars: row.windows
        .filter((window) => window.toMin > fromMin && window.fromMin < toMin)
        .map((window) => ({ ...window, x0: x(window.fromMin), x1: x(window.toMin + 1) })),
      crowd: [...row.crowdByHour, ...row.crowdByHour]
        .map((share, hour) => ({ hour, share, x0: x(hour * 60), x1: x(hour * 60 + 60) }))
        .filter(({ share, x0, x1 }) => share > 0 && x1 > x0),
    }));
  });

  protected spanOf(window: WalkRow['windows'][number]): string {
    return windowSpan(window, this.wording());
  }

  /** The gutter holds some fifteen letters; the whole name is in the title and the spine. */
  private label(name: string): string {
    const most = Math.floor((this.gutter() - 12) / 7.2);
    return name.length > most ? `${name.slice(0, most - 1)}…` : name;
  }

  protected grab({ xPx }: PlacePx, row: WalkRow, edge: StayMove['edge']): void {
    this.hold = { stopId: row.stopId, edge, offsetMin: valueOf(row, edge) - this.x().invert(xPx) };
    this.dragging.emit(true);
    this.selected.emit(row.stopId);
  }

  protected drag({ xPx }: PlacePx): void {
    if (this.hold === null) return;
    const { stopId, edge, offsetMin } = this.hold;
    this.stayMoved.emit({ stopId, edge, minute: Math.round(this.x().invert(xPx) + offsetMin) });
  }

  protected release(): void {
    this.hold = null;
    this.dragging.emit(false);
  }

  protected stepPause(step: HandleStep, { id, fromMin }: PauseBand): void {
    this.pauseMoved.emit({ id, minute: fromMin + minutesForStep(step) });
  }

  protected grabPause({ xPx }: PlacePx, { id, fromMin }: PauseBand): void {
    this.pauseHold = { id, offsetMin: fromMin - this.x().invert(xPx) };
  }

  protected dragPause({ xPx }: PlacePx): void {
    if (this.pauseHold === null) return;
    const { id, offsetMin } = this.pauseHold;
    this.pauseMoved.emit({ id, minute: Math.round(this.x().invert(xPx) + offsetMin) });
  }

  protected releasePause(): void {
    this.pauseHold = null;
  }

  protected step(step: HandleStep, row: WalkRow, edge: StayMove['edge']): void {
    this.stayMoved.emit({ stopId: row.stopId, edge, minute: valueOf(row, edge) + minutesForStep(step) });
  }
}
