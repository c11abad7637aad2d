import { DateTime } from 'luxon';
import type { Body, Film } from '../../kit/index.js';
import type { Moment } from '../../outing/index.js';
import type { LogFrame, LogRoll, WalkLog } from '../frames/index.js';

/** Frames of a small-format roll, and of a wide one. Source: ISO 1007 (135), ISO 732 (120, at 6 × 6). */
const SMALL_ROLL = 36;
const WIDE_ROLL = 12;
/** A frame wider than this is not of the small format, mm. */
const WIDEST_SMALL_MM = 40;
/** Frames are counted as far. */
export const MOST_ROLL_FRAMES = 400;

/** How far a roll may be pushed or pulled in developing, whole stops. */
export const ROLL_PUSHES = [-2, -1, 0, 1, 2, 3] as const;

/** A roll as it is loaded: the film's own index and push, as many frames as the body's format has. */
export function loadedRoll(id: string, body: Body, film: Film | null): LogRoll {
  return {
    id,
    bodyId: body.id,
    filmId: film?.id ?? null,
    exposureIndex: film?.exposureIndex ?? body.baseIso,
    pushStops: film?.pushStops ?? 0,
    frames: body.sensorWidthMm > WIDEST_SMALL_MM ? WIDE_ROLL : SMALL_ROLL,
  };
}

/** The number that its frame counter shows: one after the last that was exposed, on whichever walk. */
export function frameCounter(frames: readonly Pick<LogFrame, 'source'>[], rollId: string): number {
  return frames.reduce(
    (next, { source }) => (source.kind === 'roll' && source.rollId === rollId ? Math.max(next, source.number + 1) : next),
    1,
  );
}

/** The roll that lies in a body: the last that was loaded on any walk, by day. Null before the first. */
export function rollIn(logs: readonly WalkLog[], bodyId: string): LogRoll | null {
  const byDay = [...logs].sort((a, b) => a.day.localeCompare(b.day));
  return byDay.flatMap(({ rolls }) => rolls.filter((roll) => roll.bodyId === bodyId)).at(-1) ?? null;
}

/** What is set for a frame of film: of the card at first, then as it was. */
export interface ExposedWith {
  readonly fNumber: number;
  readonly shutterS: number;
  readonly focusM: number | null;
  readonly focalLengthMm: number | null;
}

export function exposedByCard({ fNumber, shutterS, focusM, focalLengthMm }: Moment): ExposedWith {
  return { fNumber, shutterS, focusM, focalLengthMm };
}

/** Of where and when; no instant for what is written down afterwards. */
export interface ExposedAt {
  readonly stopId: string | null;
  readonly wallMs: number | null;
  readonly offsetMin: number | null;
}

/** Exposed at an instant at a stop, as a clock of the walk's zone writes it down. */
export function exposedAt(atMs: number, timeZone: string, stopId: string | null): ExposedAt {
  const { offset: offsetMin } = DateTime.fromMillis(atMs, { zone: timeZone });
  return { stopId, wallMs: atMs + offsetMin * 60_000, offsetMin };
}

/** A frame of a roll: what the camera cannot write down, in its place. */
export function rollFrame(
  { id, logId, number }: { readonly id: string; readonly logId: string; readonly number: number },
  roll: LogRoll,
  names: { readonly bodyName: string; readonly lensName: string },
  used: ExposedWith | null,
  { stopId, wallMs, offsetMin }: ExposedAt,
): LogFrame {
  return {
    id,
    logId,
    source: { kind: 'roll', rollId: roll.id, number, scan: null },
    ...names,
    wallMs,
    offsetMin,
    fNumber: used?.fNumber ?? null,
    shutterS: used?.shutterS ?? null,
    iso: roll.exposureIndex,
    focalLengthMm: used?.focalLengthMm ?? null,
    focusM: used === null || used.focusM === null || !Number.isFinite(used.focusM) ? null : used.focusM,
    compensationEv: null,
    pattern: null,
    hasFlashed: null,
    position: null,
    bearingDeg: null,
    placedByHand: { stopId },
    verdict: null,
    sight: null,
    subjectAt: null,
  };
}
