import { bestOf, qualityOf, type Ramp, type Ways, type WindowReason } from './quality.js';

export interface LightWindow {
  /** Minutes of the day, the last one included. */
  readonly fromMin: number;
  readonly toMin: number;
  readonly peakQuality: number;
  readonly opens: WindowReason;
  readonly closes: WindowReason;
  /** The best hour of a window over two hours, by its middle; null for a shorter one. */
  readonly bestMin: number | null;
  readonly label: 'sun' | 'shade' | null;
}

export interface WindowRules {
  readonly opensAt: number;
  readonly closesUnder: number;
  readonly bridgeMin: number;
  readonly shortestMin: number;
}

export const WINDOW_RULES: WindowRules = { opensAt: 0.25, closesUnder: 0.15, bridgeMin: 4, shortestMin: 5 };

/** Place of the smallest ramp, the first of equals. */
function weakestOf(ramps: readonly Ramp[]): number {
  return ramps.reduce((low, { value }, place) => (value < (ramps[low] as Ramp).value ? place : low), 0);
}

/** Centred median over five minutes; beyond the day's ends their own values count on. */
function smooth(quality: readonly number[]): readonly number[] {
  const near = new Float64Array(5);
  const last = quality.length - 1;
  return quality.map((_, minute) => {
    for (let k = 0; k < 5; k++) near[k] = quality[Math.min(last, Math.max(0, minute + k - 2))] as number;
    return near.sort()[2] as number;
  });
}

interface Span {
  readonly fromMin: number;
  readonly toMin: number;
}

/** Opens at one level, closes under a lower one, so that a flicker at the edge is one window. */
function spansOf(quality: readonly number[], { opensAt, closesUnder }: WindowRules): Span[] {
  const spans: Span[] = [];
  let fromMin: number | null = null;
  quality.forEach((value, minute) => {
    if (fromMin === null && value >= opensAt) fromMin = minute;
    if (fromMin !== null && value < closesUnder) {
      spans.push({ fromMin, toMin: minute - 1 });
      fromMin = null;
    }
  });
  if (fromMin !== null) spans.push({ fromMin, toMin: quality.length - 1 });
  return spans;
}

function bridge(spans: readonly Span[], bridgeMin: number): Span[] {
  return spans.reduce<Span[]>((joined, span) => {
    const before = joined.at(-1);
    if (before === undefined || span.fromMin - before.toMin - 1 > bridgeMin) return [...joined, span];
    return [...joined.slice(0, -1), { fromMin: before.fromMin, toMin: span.toMin }];
  }, []);
}

const LONG_MIN = 120;
const HOUR_MIN = 60;

function bestHour(quality: readonly number[], { fromMin, toMin }: Span): number | null {
  if (toMin - fromMin <= LONG_MIN) return null;
  let best = { sum: -1, middle: fromMin };
  for (let start = fromMin; start + HOUR_MIN <= toMin; start += 5) {
    const sum = quality.slice(start, start + HOUR_MIN).reduce((a, b) => a + b, 0);
    if (sum > best.sum + 1e-9) best = { sum, middle: start + HOUR_MIN / 2 };
  }
  return best.middle;
}

/**
 * Windows from an intent's ways, minute by minute: smoothed by a five-minute median, opened at 0.25, closed under
 * 0.15, bridged over gaps up to four minutes, dropped when too short. Each names what opened and what closed it: the
 * weakest ramp just outside its ends. Source: docs/formulas.md#windows.
 */
export function lightWindows(
  waysByMinute: readonly Ways[],
  rules: WindowRules = WINDOW_RULES,
  label: LightWindow['label'] = null,
): readonly LightWindow[] {
  const quality = smooth(waysByMinute.map(bestOf));
  /** Why the way that was open at `inside` is not at `outside`: the ramp that fails out there, by what held it open within. */
  const reasonAt = (outside: number, inside: number): WindowReason => {
    const now = waysByMinute[inside] ?? [];
    const way = now.findIndex((ramps) => qualityOf(ramps) === bestOf(now));
    const ramps = waysByMinute[outside]?.[way];
    return (ramps === undefined ? undefined : now[way]?.[weakestOf(ramps)]?.reason) ?? 'dayEdge';
  };
  return bridge(spansOf(quality, rules), rules.bridgeMin)
    .filter(({ fromMin, toMin }) => toMin - fromMin + 1 >= rules.shortestMin)
    .map((span) => ({
      ...span,
      peakQuality: Math.max(...quality.slice(span.fromMin, span.toMin + 1)),
      opens: reasonAt(span.fromMin - 1, span.fromMin),
      closes: reasonAt(span.toMin + 1, span.toMin),
      bestMin: bestHour(quality, span),
      label,
    }));
}
