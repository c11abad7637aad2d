import type { MeterPattern } from '../../kit/index.js';
import type { Place } from '../../light/index.js';

/** What spoils a picture, as it can be seen in it. Source: docs/log.md#verdicts. */
export const CAUSES = ['shake', 'moved', 'focus', 'depth', 'veil', 'noise'] as const;
export type Cause = (typeof CAUSES)[number];

/** What a person decided of a frame: good, spoilt by a cause, or no for a reason that is not in the picture. */
export const VERDICTS = [...CAUSES, 'good', 'no'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** What was set; null where a frame does not say. */
export interface FrameSettings {
  readonly fNumber: number | null;
  readonly shutterS: number | null;
  readonly iso: number | null;
  readonly focalLengthMm: number | null;
  readonly compensationEv: number | null;
  readonly pattern: MeterPattern | null;
  readonly hasFlashed: boolean | null;
  /** Where the lens said that it stood. */
  readonly focusM: number | null;
}

/** A frame of film as it was scanned. */
export interface FrameScan {
  readonly name: string;
  readonly bytes: number;
  /** What its picture is kept under: scans that lie one frame off are put right without moving pictures. */
  readonly sightId: string;
}

/** Where a frame comes from. */
export type FrameSource =
  | { readonly kind: 'file'; readonly name: string; readonly bytes: number }
  /** Of a roll of film, by its counter; without a scan until there is one. */
  | { readonly kind: 'roll'; readonly rollId: string; readonly number: number; readonly scan: FrameScan | null };

/** A place within a picture, shares of its width and height from its upper left corner. */
export interface PictureSpot {
  readonly x: number;
  readonly y: number;
}

/** What was measured in a picture, so far as a list of frames needs it; its tiles stand beside it. */
export interface PictureReading {
  /** What it looks like, how sure that is (0..1), and where the subject was taken to be. */
  readonly looksLike: Cause | 'good' | 'cannotTell';
  readonly confidence: number;
  /** How likely each look is by picture and settings alone, to be held against what was meant. Absent where nothing can be told. */
  readonly shares?: Readonly<Record<Cause | 'good', number>>;
  /** Stops from mid-grey of its mean luminance. */
  readonly midToneEv: number;
  /** How far its subject is smeared along a line, of the picture's diagonal; absent where it could not be read. */
  readonly smearShare?: number;
}

/** A frame as it is kept: what it says of itself, and what the person said of it. Never the picture. */
export interface LogFrame extends FrameSettings {
  readonly id: string;
  readonly logId: string;
  readonly source: FrameSource;
  /** The camera's own clock, milliseconds since 1970 as though its zone were UTC; null where it says none. */
  readonly wallMs: number | null;
  /** What the camera's clock was ahead of UTC by, minutes; null where it does not say. */
  readonly offsetMin: number | null;
  /** Body and lens in the file's own words; empty where it has none. */
  readonly bodyName: string;
  /** The same apart, as the file has them; absent where it has none, and in frames kept before. */
  readonly maker?: string;
  readonly model?: string;
  readonly lensName: string;
  readonly position: Place | null;
  /** The way the camera looked, degrees from true north. */
  readonly bearingDeg: number | null;
  /** A place that the person gave it: a stop of its log, or none of them. Null: where it was found to belong. */
  readonly placedByHand: { readonly stopId: string | null } | null;
  readonly verdict: Verdict | null;
  /** Null for what could not be opened, and for film before it is scanned. */
  readonly sight: PictureReading | null;
  /** Where the person's subject is; null where nobody has said. */
  readonly subjectAt: PictureSpot | null;
}

/** What a person calls it: its file, or its number on the roll. */
export function frameName({ source }: Pick<LogFrame, 'source'>): string {
  return source.kind === 'file' ? source.name : `Frame ${source.number}`;
}

/** What its picture and what was measured in it are kept under. */
export function thumbnailIdOf({ id, source }: Pick<LogFrame, 'id' | 'source'>): string {
  return source.kind === 'roll' && source.scan !== null ? source.scan.sightId : id;
}

/** The file that shows it, in which tags could be written; null for film that is not scanned. */
export function fileOfFrame({ source }: Pick<LogFrame, 'source'>): { readonly name: string; readonly bytes: number } | null {
  return source.kind === 'file' ? source : source.scan;
}
