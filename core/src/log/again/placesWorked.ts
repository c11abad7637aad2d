import type { Intent } from '../../stop/index.js';
import type { LogFrame, LogStay, PlacedFrame, WalkLog } from '../frames/index.js';
import { sceneEvOf } from '../compare/againstCard.js';
import type { WalkedFrames } from '../lessons/index.js';

/** What was set for pictures that are good, the middle of them; null where none says it. */
export interface WorkedWith {
  readonly fNumber: number | null;
  readonly shutterS: number | null;
  readonly iso: number | null;
  readonly focalLengthMm: number | null;
  readonly focusM: number | null;
  readonly compensationEv: number | null;
}

/** A stop on a day on which it was photographed. */
export interface PlaceWorked {
  /** Of the log and the stop. */
  readonly id: string;
  readonly log: WalkLog;
  readonly stopId: string;
  readonly name: string;
  readonly intent: Intent;
  readonly frames: number;
  readonly decided: number;
  readonly good: readonly LogFrame[];
  readonly with: WorkedWith;
  /** The middle of the good ones' instants; null where none has a time. */
  readonly atMs: number | null;
  /** EV at ISO 100 that the good ones averaged; null where none says. */
  readonly sceneEv: number | null;
}

/** The middle one of figures as they stand: of an even number the lower, so that it is one that was set. */
function lowerMiddle(values: readonly (number | null)[]): number | null {
  const known = values.filter((value) => value !== null).sort((a, b) => a - b);
  return known[(known.length - 1) >> 1] ?? null;
}

function placeOf(log: WalkLog, { stopId, name, intent }: LogStay, placed: readonly PlacedFrame[]): PlaceWorked {
  const good = placed.filter(({ frame }) => frame.verdict === 'good');
  const set = (of: (frame: LogFrame) => number | null): number | null => lowerMiddle(good.map(({ frame }) => of(frame)));
  return {
    id: `${log.id}/${stopId}`,
    log,
    stopId,
    name,
    intent,
    frames: placed.length,
    decided: placed.filter(({ frame }) => frame.verdict !== null).length,
    good: good.map(({ frame }) => frame),
    with: {
      fNumber: set((frame) => frame.fNumber),
      shutterS: set((frame) => frame.shutterS),
      iso: set((frame) => frame.iso),
      focalLengthMm: set((frame) => frame.focalLengthMm),
      focusM: set((frame) => frame.focusM),
      compensationEv: set((frame) => frame.compensationEv),
    },
    atMs: lowerMiddle(good.map(({ atMs }) => atMs)),
    sceneEv: lowerMiddle(good.map(({ frame }) => sceneEvOf(frame))),
  };
}

/** Every stop at which something was photographed, log by log; those with the most good ones first. Source: docs/log.md#again. */
export function placesWorked(walked: readonly WalkedFrames[]): readonly PlaceWorked[] {
  return walked
    .flatMap(({ log, placed }) =>
      [...new Map(log.stays.map((stay) => [stay.stopId, stay])).values()].flatMap((stay) => {
        const own = placed.filter((one) => one.stay?.stopId === stay.stopId);
        return own.length === 0 ? [] : [placeOf(log, stay, own)];
      }),
    )
    .sort((a, b) => b.good.length - a.good.length || b.log.day.localeCompare(a.log.day));
}

/** How much of what was decided has to be good. */
export const GOOD_FILTERS = ['any', 'some', 'half'] as const;
export type GoodFilter = (typeof GOOD_FILTERS)[number];

export interface PlaceFilter {
  /** Null: of every intent. */
  readonly intent: Intent['kind'] | null;
  /** Words that the name has in it, in any case; empty for every one. */
  readonly name: string;
  readonly good: GoodFilter;
}

export function isWanted({ intent, name, good, decided }: PlaceWorked, wanted: PlaceFilter): boolean {
  const isGood = { any: true, some: good.length > 0, half: good.length > 0 && 2 * good.length >= decided }[wanted.good];
  const isNamed = name.toLocaleLowerCase().includes(wanted.name.trim().toLocaleLowerCase());
  return isGood && isNamed && (wanted.intent === null || intent.kind === wanted.intent);
}
