import { toneOf } from '../curve.js';
import type { Medium } from '../medium.js';
import { BINS, BINS_A_STOP, LOWEST_BIN_EV } from '../patterns/prepareMap.js';

/** Shares of a frame by tone: what is held in columns of tone, what is beyond either end apart. */
export interface ToneHistogram {
  /** By column from black to white. */
  readonly columns: readonly number[];
  readonly beyondBlack: number;
  readonly beyondWhite: number;
}

const COLUMNS = 96;
/** A bin that covers less of a column than this stands in one. */
const NARROWEST = 1e-9;

/** Share of a bin from `fromEv` to `toEv` that lies below an EV. */
function shareBelow(fromEv: number, toEv: number, ev: number): number {
  return Math.min(1, Math.max(0, (ev - fromEv) / (toEv - fromEv)));
}

/** Spreads a share evenly over the columns from one place to another, 0 to 1 each. */
function spread(columns: number[], share: number, from: number, to: number): void {
  const last = columns.length - 1;
  const [start, end] = [from * columns.length, to * columns.length];
  const first = Math.min(last, Math.floor(start));
  if (end - start < NARROWEST || first === Math.min(last, Math.floor(end))) {
    columns[first] = (columns[first] as number) + share;
    return;
  }
  for (let column = first; column <= Math.min(last, Math.floor(end)); column++) {
    const overlap = Math.min(end, column + 1) - Math.max(start, column);
    columns[column] = (columns[column] as number) + (share * overlap) / (end - start);
  }
}

/**
 * Each bin of EV is spread over the columns that it covers, so that a coarse bin does not comb. Source: docs/metering.md#curve.
 */
export function toneHistogram(histogram: Uint32Array, medium: Medium, exposureEv: number, count = COLUMNS): ToneHistogram {
  const columns = Array.from({ length: count }, () => 0);
  let [beyondBlack, beyondWhite, cells] = [0, 0, 0];
  for (const its of histogram) cells += its;
  for (let bin = 0; bin < BINS; bin++) {
    const share = (histogram[bin] as number) / cells;
    if (share === 0) continue;
    const from = LOWEST_BIN_EV + bin / BINS_A_STOP - exposureEv;
    const to = from + 1 / BINS_A_STOP;
    const black = shareBelow(from, to, -medium.underEv);
    const white = 1 - shareBelow(from, to, medium.overEv);
    beyondBlack += share * black;
    beyondWhite += share * white;
    const held = share * (1 - black - white);
    if (held > 0)
      spread(columns, held, toneOf(Math.max(from, -medium.underEv), medium), toneOf(Math.min(to, medium.overEv), medium));
  }
  return { columns, beyondBlack, beyondWhite };
}
