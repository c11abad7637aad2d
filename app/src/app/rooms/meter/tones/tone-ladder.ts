import { ChangeDetectionStrategy, Component, computed, input, model, output } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { elementWidth } from '../../../drawing/element-size';
import type { PlacePx } from '../../../drawing/grip';
import { Handle, type HandleStep } from '../../../drawing/handle';

/** A reading as a rung: where it comes out, stops from mid-grey, and how much of it is lost. */
export interface ToneRung {
  readonly id: string;
  readonly name: string;
  readonly toneEv: number;
  readonly lostEv: number;
  readonly isKey: boolean;
  readonly isLetGo: boolean;
}

/** What another school makes of the same readings. */
export interface ToneColumn {
  readonly id: string;
  readonly name: string;
  readonly tones: readonly { readonly toneEv: number; readonly lostEv: number; readonly isKey: boolean }[];
  readonly isChosen: boolean;
}

/** A loss is said in thirds of a stop, the least of them where it is less. */
const inThirds = (lostEv: number): number => Math.max(1, Math.round(Math.abs(lostEv) * 3)) / 3;

/** A name that is too wide for its column takes two lines, the longer one first. */
function inTwoLines(name: string): readonly string[] {
  const words = name.split(' ');
  const half = Math.ceil(words.length / 2);
  return [words.slice(0, half), words.slice(half)].filter((part) => part.length > 0).map((part) => part.join(' '));
}

const LEFT_PX = 54;
const TOP_PX = 36;
const BOTTOM_PX = 16;
const HEIGHT_PX = 420;
const COLUMN_PX = 58;
const COLUMNS_GAP_PX = 14;
/** Narrower than this there is no room for the schools beside the readings. */
const NARROW_PX = 460;
const LEAST_PX = 120;
/** So much beyond what is held is drawn. */
const BEYOND_EV = 2.5;
const NAME_PX = 17;
const THIRD = 1 / 3;
const LARGEST_TONE = 6;

/** A rung's name stands on its line, or as near above or below as the others leave room. */
function spread(wanted: readonly number[], low: number, high: number): readonly number[] {
  const order = wanted.map((y, k) => ({ y, k })).sort((a, b) => a.y - b.y);
  let last = -Infinity;
  for (const one of order) {
    one.y = Math.max(one.y, last + NAME_PX, low);
    last = one.y;
  }
  let next = high + NAME_PX;
  for (const one of [...order].reverse()) {
    one.y = Math.min(one.y, next - NAME_PX);
    next = one.y;
  }
  const placed = [...wanted];
  for (const { y, k } of order) placed[k] = y;
  return placed;
}

/**
 * Readings as rungs over what the medium holds: bright above, what falls off either end hatched and said in stops. The key is
 * dragged to the tone that it shall have; beside it what each school makes of the same readings, on the same scale.
 */
@Component({
  selector: 'rd-tone-ladder',
  imports: [Handle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tone-ladder.html',
  styleUrl: './tone-ladder.scss',
})
export class ToneLadder {
  readonly overEv = input.required<number>();
  readonly underEv = input.required<number>();
  readonly rungs = input.required<readonly ToneRung[]>();
  readonly columns = input.required<readonly ToneColumn[]>();
  /** The tone that the key shall have; null without one. */
  readonly keyTone = model.required<number | null>();
  readonly say = input.required<(stops: number) => string>();
  readonly sentence = input.required<string>();
  readonly columnChosen = output<string>();

  private readonly width = elementWidth(640);
  protected readonly height = HEIGHT_PX;
  protected readonly left = LEFT_PX;
  protected readonly top = TOP_PX;
  protected readonly bottom = HEIGHT_PX - BOTTOM_PX;
  protected readonly largest = LARGEST_TONE;
  protected readonly svgWidth = computed(() => this.width());
  protected readonly columnPx = COLUMN_PX;
  private readonly shown = computed(() => (this.width() < NARROW_PX ? [] : this.columns()));
  protected readonly right = computed(() => {
    const columnsPx = this.shown().length === 0 ? 0 : this.shown().length * COLUMN_PX + COLUMNS_GAP_PX;
    return Math.max(LEFT_PX + LEAST_PX, this.width() - columnsPx);
  });
  private readonly ends = computed(() => [-this.underEv() - BEYOND_EV, this.overEv() + BEYOND_EV] as const);
  private readonly y = computed(() => scaleLinear([...this.ends()], [this.bottom, TOP_PX]).clamp(true));
  protected readonly held = computed(() => ({ top: this.y()(this.overEv()), bottom: this.y()(-this.underEv()) }));
  protected readonly levels = computed(() => {
    const [low, high] = this.ends();
    const first = Math.ceil(low);
    return Array.from({ length: Math.floor(high) - first + 1 }, (_, k) => first + k).map((stops) => ({
      stops,
      y: this.y()(stops),
      text: stops === 0 ? 'mid-grey' : this.say()(stops),
      isGrey: stops === 0,
    }));
  });
  protected readonly lines = computed(() => {
    const rungs = this.rungs();
    const at = rungs.map(({ toneEv }) => this.y()(toneEv));
    const names = spread(at, TOP_PX + NAME_PX + 3, this.bottom - 2);
    return rungs.map((rung, k) => ({
      ...rung,
      y: at[k] as number,
      nameY: names[k] as number,
      text: rung.lostEv === 0 ? this.say()(rung.toneEv) : `lost by ${this.say()(inThirds(rung.lostEv)).replace('+', '')} stops`,
    }));
  });
  protected readonly key = computed(() => this.lines().find(({ isKey }) => isKey) ?? null);
  protected readonly schools = computed(() =>
    this.shown().map((column, k) => ({
      ...column,
      head: inTwoLines(column.name),
      x: this.right() + COLUMNS_GAP_PX + (k + 0.5) * COLUMN_PX,
      dots: column.tones.map((tone) => ({ ...tone, y: this.y()(tone.toneEv) })),
    })),
  );

  protected drag({ yPx }: PlacePx): void {
    this.move(this.y().invert(yPx));
  }

  protected step({ by }: HandleStep): void {
    const tone = this.keyTone();
    if (tone !== null) this.move(tone + by * THIRD);
  }

  private move(tone: number): void {
    const thirds = Math.round(Math.min(LARGEST_TONE, Math.max(-LARGEST_TONE, tone)) * 3) / 3;
    if (thirds !== this.keyTone()) this.keyTone.set(thirds);
  }
}
