import type { StopDay } from '@roam-dial/core/stop';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { TimeDomain } from '../time-axis';

export type LightKind = 'lit' | 'shade' | 'dark';

export interface RibbonSegment {
  readonly kind: LightKind;
  readonly path: string;
}

/** Below this the sky gives nothing that a hand could use without lamps. */
const DARK_BELOW_DEG = -6;
export const LOWEST_EV = -2;
export const HIGHEST_EV = 17;

export function lightKindAt(day: StopDay, minute: number): LightKind {
  if (day.isLit[minute] === 1) return 'lit';
  return (day.sunAltitudeDeg[minute] as number) < DARK_BELOW_DEG ? 'dark' : 'shade';
}

export function evScale(top: number, bottom: number): ScaleLinear<number, number> {
  return scaleLinear([LOWEST_EV, HIGHEST_EV], [bottom, top]).clamp(true);
}

/** Those of the axis that are measured. */
function minutesOf({ keyEv100 }: StopDay, { fromMin, toMin }: TimeDomain): number[] {
  const last = Math.min(keyEv100.length - 1, toMin);
  return Array.from({ length: Math.max(0, last - fromMin + 1) }, (_, k) => fromMin + k);
}

/** The stop's EV through the day, cut where its light changes kind; neighbours share their edge. */
export function ribbonSegments(
  day: StopDay,
  domain: TimeDomain,
  x: (minute: number) => number,
  y: ScaleLinear<number, number>,
): readonly RibbonSegment[] {
  const bottom = y(LOWEST_EV);
  const shape = area<number>(
    (minute) => x(minute),
    bottom,
    (minute) => y(day.keyEv100[minute] as number),
  );
  const runs: { kind: LightKind; minutes: number[] }[] = [];
  for (const minute of minutesOf(day, domain)) {
    const kind = lightKindAt(day, minute);
    const run = runs.at(-1);
    if (run?.kind === kind) run.minutes.push(minute);
    else {
      run?.minutes.push(minute);
      runs.push({ kind, minutes: [minute] });
    }
  }
  return runs.map(({ kind, minutes }) => ({ kind, path: shape(minutes) ?? '' }));
}

export function ribbonOutline(
  day: StopDay,
  domain: TimeDomain,
  x: (minute: number) => number,
  y: ScaleLinear<number, number>,
): string {
  const outline = line<number>(
    (minute) => x(minute),
    (minute) => y(day.keyEv100[minute] as number),
  );
  return outline(minutesOf(day, domain)) ?? '';
}
