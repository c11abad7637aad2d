import { type Medium, SLOPES } from './medium.js';

/** Mid-grey of an sRGB picture: 118 of 255. */
export const MID_GREY = 118 / 255;

/**
 * The tone, 0 to 1 and coded as sRGB, at which a stop from mid-grey comes out: two arcs of powers, mid-grey exact, both ends
 * exactly where the medium's range ends, with the medium's slope at mid-grey. Source: docs/metering.md#curve.
 */
export function toneOf(stopsFromGrey: number, { kind, overEv, underEv }: Medium): number {
  const g = SLOPES[kind];
  if (stopsFromGrey >= 0) {
    if (stopsFromGrey >= overEv) return 1;
    const p = Math.max(1, (g * overEv) / (1 - MID_GREY));
    return 1 - (1 - MID_GREY) * (1 - stopsFromGrey / overEv) ** p;
  }
  if (stopsFromGrey <= -underEv) return 0;
  const q = Math.max(1, (g * underEv) / MID_GREY);
  return MID_GREY * (1 + stopsFromGrey / underEv) ** q;
}

/** Linear light, 0 to 1, of a byte of an sRGB picture. Source: IEC 61966-2-1. */
export function linearOfCode(code: number): number {
  const v = code / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
}
