import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { type Limit, LIMITS } from '@roam-dial/core/setup';
import { elementWidth } from '../../../drawing/element-size';
import {
  borderPath,
  type Box,
  chanceContours,
  columnX,
  fieldAt,
  largestBox,
  type LimitsFields,
  maskPath,
  type LimitsPlot,
  rowY,
} from './limits-chart.geometry';

export interface FieldPlace {
  readonly column: number;
  readonly row: number;
}

/** Labels along both sides, and a field read out in words. */
export interface LimitsWords {
  readonly columns: readonly string[];
  readonly rows: readonly string[];
  readonly across: string;
  readonly limit: (limit: Limit) => string;
  readonly reading: (place: FieldPlace) => string;
}

const LEFT_PX = 52;
const BOTTOM_PX = 26;
const TOP_PX = 8;
const RIGHT_PX = 10;
const LETTER_PX = 7.1;
const NAME_HEIGHT_PX = 20;
const CONTOURS = [0.5, 0.8, 0.9, 0.95];
const KEYS = 'abcdefghij';
/** A contour's own label needs this much room to the next. */
const LABEL_PX = 52;

interface Area {
  readonly limit: Limit;
  readonly path: string;
  readonly name: { readonly x: number; readonly y: number; readonly width: number; readonly text: string } | null;
  readonly key: { readonly x: number; readonly y: number; readonly text: string } | null;
}

/**
 * What holds the picture: the mark across against the aperture, each area that breaks a limit with its texture and its
 * name, the island outlined, lines of equal chance. The chosen point is dragged, or moved by arrow keys; with Shift they
 * move a cursor that only reads out.
 */
@Component({
  selector: 'rd-limits-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './limits-chart.html',
  styleUrl: './limits-chart.scss',
})
export class LimitsChart {
  readonly fields = input.required<LimitsFields>();
  readonly words = input.required<LimitsWords>();
  readonly point = input.required<FieldPlace>();
  readonly pointLabel = input.required<string>();
  readonly best = input.required<FieldPlace>();
  /** What would hold at another light, drawn faint where nothing holds at this one. */
  readonly faint = input<LimitsFields | null>(null);
  readonly pinned = input<FieldPlace | null>(null);
  readonly height = input(340);
  readonly moved = output<FieldPlace>();

  private readonly width = elementWidth(680);
  private isDragging = false;
  /** The field under the pointer or the reading cursor. */
  protected readonly cursor = signal<FieldPlace | null>(null);
  /** Where the point is, or where keys have led since it was drawn. */
  private readonly held = linkedSignal(() => this.point());

  protected readonly svgWidth = computed(() => this.width());
  protected readonly plot = computed<LimitsPlot>(
    () => ({
      x: LEFT_PX,
      y: TOP_PX,
      width: this.width() - LEFT_PX - RIGHT_PX,
      height: this.height() - TOP_PX - BOTTOM_PX,
      columns: this.fields().columns,
      rows: this.fields().rows,
    }),
    { equal: (a, b) => a.width === b.width && a.height === b.height && a.columns === b.columns && a.rows === b.rows },
  );
  protected readonly areas = computed<readonly Area[]>(() => {
    const plot = this.plot();
    const { columns, fields } = this.faint() ?? this.fields();
    const firstAt = (column: number, row: number): Limit | undefined => fields[row * columns + column]?.limits[0];
    let keys = 0;
    return LIMITS.flatMap((limit): Area[] => {
      const has = (column: number, row: number): boolean => firstAt(column, row) === limit;
      const box = largestBox(plot, has);
      if (box === null) return [];
      const text = this.words().limit(limit);
      const hasRoom = box.width >= text.length * LETTER_PX + 16 && box.height >= NAME_HEIGHT_PX;
      const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
      return [
        {
          limit,
          path: maskPath(plot, has),
          name: hasRoom ? { ...middle, width: text.length * LETTER_PX + 14, text } : null,
          key: hasRoom ? null : { ...middle, text: KEYS[keys++] ?? '·' },
        },
      ];
    });
  });
  protected readonly keyed = computed(() => this.areas().filter(({ key }) => key !== null));
  protected readonly island = computed(() => {
    const { columns, fields } = this.fields();
    return borderPath(this.plot(), (column, row) => fields[row * columns + column]?.limits.length === 0);
  });
  protected readonly islandFill = computed(() => {
    const { columns, fields } = this.fields();
    return maskPath(this.plot(), (column, row) => fields[row * columns + column]?.limits.length === 0);
  });
  protected readonly contours = computed(() => chanceContours(this.plot(), this.fields(), CONTOURS));
  protected readonly columnLabels = computed(() => {
    const plot = this.plot();
    const labels = this.words().columns;
    const every = Math.max(1, Math.ceil((labels.length * LABEL_PX) / plot.width));
    const step = every <= 3 ? every : Math.ceil(every / 3) * 3;
    return labels.flatMap((text, k) => {
      const x = columnX(plot, k + 0.5);
      const isCut = x + (text.length * LETTER_PX) / 2 > this.width();
      return k % step === 0 && !isCut ? [{ text, x, k }] : [];
    });
  });
  protected readonly rowLabels = computed(() => {
    const plot = this.plot();
    const labels = this.words().rows;
    const every = Math.max(1, Math.ceil((labels.length * 15) / plot.height));
    return labels.flatMap((text, k) => ((labels.length - 1 - k) % every === 0 ? [{ text, y: rowY(plot, k + 0.5), k }] : []));
  });
  protected readonly pointAt = computed(() => this.middleOf(this.point()));
  protected readonly bestAt = computed(() => this.middleOf(this.best()));
  protected readonly isAtBest = computed(() => this.point().column === this.best().column && this.point().row === this.best().row);
  protected readonly pinnedAt = computed(() => {
    const pinned = this.pinned();
    return pinned === null ? null : this.middleOf(pinned);
  });
  protected readonly cursorBox = computed<Box | null>(() => {
    const cursor = this.cursor();
    if (cursor === null) return null;
    const plot = this.plot();
    const [x, y] = [columnX(plot, cursor.column), rowY(plot, cursor.row)];
    return { x, y, width: columnX(plot, cursor.column + 1) - x, height: rowY(plot, cursor.row + 1) - y };
  });
  /** The label stands where there is room for it, and never over the point. */
  protected readonly label = computed(() => {
    const { x, y } = this.pointAt();
    const width = this.pointLabel().length * LETTER_PX + 14;
    const isRight = x + 14 + width <= this.width() - RIGHT_PX;
    return { x: isRight ? x + 14 : Math.max(LEFT_PX, x - 14 - width), y: Math.max(TOP_PX + 11, y), width };
  });
  protected readonly reading = computed(() => this.words().reading(this.cursor() ?? this.point()));
  /** The table behind the picture, at the labelled marks. */
  protected readonly table = computed(() =>
    this.rowLabels().map(({ text, k: row }) => ({
      head: text,
      cells: this.columnLabels().map(({ k: column }) => this.words().reading({ column, row })),
    })),
  );

  private middleOf({ column, row }: FieldPlace): { readonly x: number; readonly y: number } {
    return { x: columnX(this.plot(), column + 0.5), y: rowY(this.plot(), row + 0.5) };
  }

  /** The mouse drags from anywhere; a finger drags the point, taps elsewhere, and scrolls. */
  protected grab(event: PointerEvent, isOnPoint: boolean): void {
    if (event.button !== 0 || (event.pointerType !== 'mouse' && !isOnPoint)) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.isDragging = true;
    if (!isOnPoint) this.moveTo(event);
  }

  protected tap(event: MouseEvent): void {
    this.moveTo(event);
  }

  protected trace(event: PointerEvent): void {
    if (this.isDragging) this.moveTo(event);
    else if (event.pointerType === 'mouse') this.cursor.set(this.placeOf(event));
  }

  protected release(): void {
    this.isDragging = false;
  }

  protected leave(): void {
    if (!this.isDragging) this.cursor.set(null);
  }

  private moveTo(event: MouseEvent): void {
    const place = this.placeOf(event);
    this.cursor.set(null);
    this.put(place);
  }

  private put(place: FieldPlace): void {
    const { column, row } = this.held();
    if (place.column === column && place.row === row) return;
    this.held.set(place);
    this.moved.emit(place);
  }

  private placeOf(event: MouseEvent): FieldPlace {
    const svg = (event.currentTarget as SVGElement).ownerSVGElement ?? (event.currentTarget as SVGSVGElement);
    const { left, top } = svg.getBoundingClientRect();
    return fieldAt(this.plot(), event.clientX - left, event.clientY - top);
  }

  protected press(event: KeyboardEvent): void {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (event.key === 'Enter' && this.cursor() !== null) {
      this.put(this.cursor() as FieldPlace);
      this.cursor.set(null);
      return;
    }
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const from = event.shiftKey ? (this.cursor() ?? this.held()) : this.held();
    const { columns, rows } = this.fields();
    const place = {
      column: Math.min(columns - 1, Math.max(0, from.column + (by[0] as number))),
      row: Math.min(rows - 1, Math.max(0, from.row + (by[1] as number))),
    };
    if (event.shiftKey) {
      this.cursor.set(place);
      return;
    }
    this.cursor.set(null);
    this.put(place);
  }
}
