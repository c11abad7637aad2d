import { type ExifTags, type FrameFacts, frameFacts } from '@roam-dial/core';
import {
  lumaOf,
  packedReading,
  type PackedReading,
  readSoftness,
  softnessVerdict,
  type SoftnessVerdict,
} from '@roam-dial/core/log';
import { imageSize } from 'image-size';

export type FrameQuestion =
  /** What the file says of itself, and the small picture that it may carry. */
  | { readonly kind: 'facts'; readonly file: File }
  /** What can be measured in its picture. */
  | { readonly kind: 'look'; readonly file: File };

export interface FactsAnswer {
  readonly kind: 'facts';
  /** Null for what is no photograph, with why. */
  readonly facts: FrameFacts | null;
  readonly thumb: Blob | null;
  readonly problem: string;
}

export interface LookAnswer {
  readonly kind: 'look';
  /** Null where the browser cannot open it, with why. */
  readonly seen: Seen | null;
  readonly problem: string;
}

export interface Seen {
  readonly thumb: Blob | null;
  readonly reading: PackedReading;
  readonly verdict: SoftnessVerdict;
}

export type FrameAnswer = FactsAnswer | LookAnswer;

/** Files that are pictures by their first bytes: the others are not handed to a reader of them. */
const HEAD_BYTES = 512 * 1024;
/** What is measured: pictures brought down to so many pixels. */
const READ_PIXELS = 2e6;
const MOST_MEGAPIXELS = 120;
const MOST_BYTES = 200e6;
const THUMB_PX = 480;
const TAGS = {
  tiff: true,
  exif: true,
  gps: true,
  interop: false,
  ifd1: false,
  translateKeys: true,
  translateValues: false,
  reviveValues: false,
  mergeOutput: true,
} as const;

const EMPTY_FACTS: FrameFacts = frameFacts({});

async function isPicture(file: File): Promise<boolean> {
  try {
    imageSize(new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()));
    return true;
  } catch {
    return false;
  }
}

async function factsOf(file: File): Promise<FactsAnswer> {
  if (file.size === 0) return { kind: 'facts', facts: null, thumb: null, problem: 'is empty: 0 bytes' };
  const { default: reader } = await import('exifr/dist/full.esm.mjs');
  const tags = await reader.parse(file, TAGS).catch(() => undefined);
  if (tags === undefined || tags === null) {
    return (await isPicture(file))
      ? { kind: 'facts', facts: EMPTY_FACTS, thumb: null, problem: '' }
      : { kind: 'facts', facts: null, thumb: null, problem: 'is no photograph that can be read here' };
  }
  const bytes = await reader.thumbnail(file).catch(() => undefined);
  const thumb = bytes === undefined ? null : new Blob([Uint8Array.from(bytes)], { type: 'image/jpeg' });
  return { kind: 'facts', facts: frameFacts(tags as ExifTags), thumb, problem: '' };
}

/** Sides of a picture by the head of its file; null where it has none. */
async function megapixelsOf(file: File): Promise<{ readonly width: number; readonly height: number } | null> {
  try {
    const { width, height, orientation = 1 } = imageSize(new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()));
    return orientation >= 5 ? { width: height, height: width } : { width, height };
  } catch {
    return null;
  }
}

function drawn(bitmap: ImageBitmap, width: number, height: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('this browser cannot read pictures');
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, width, height);
  return canvas;
}

async function lookAt(file: File): Promise<LookAnswer> {
  const refuse = (problem: string): LookAnswer => ({ kind: 'look', seen: null, problem });
  if (file.size > MOST_BYTES) return refuse(`is larger than ${MOST_BYTES / 1e6} MB`);
  const sides = await megapixelsOf(file);
  if (sides === null) return refuse('is of a kind that the browser cannot open');
  const pixels = sides.width * sides.height;
  if (pixels > MOST_MEGAPIXELS * 1e6)
    return refuse(`has ${Math.round(pixels / 1e6)} megapixels; at most ${MOST_MEGAPIXELS} are opened`);
  const scale = Math.min(1, Math.sqrt(READ_PIXELS / pixels));
  const [width, height] = [Math.max(1, Math.round(sides.width * scale)), Math.max(1, Math.round(sides.height * scale))];
  const bitmap = await createImageBitmap(file, { resizeWidth: width, resizeHeight: height, resizeQuality: 'high' }).catch(
    () => null,
  );
  if (bitmap === null) return refuse('is broken, or of a kind that the browser cannot open');
  const canvas = drawn(bitmap, width, height);
  const { data } = (canvas.getContext('2d') as OffscreenCanvasRenderingContext2D).getImageData(0, 0, width, height);
  const reading = readSoftness(lumaOf(data, width, height));
  const small = Math.min(1, THUMB_PX / Math.max(width, height));
  const thumb = await drawn(bitmap, Math.max(1, Math.round(width * small)), Math.max(1, Math.round(height * small))).convertToBlob({
    type: 'image/jpeg',
    quality: 0.8,
  });
  bitmap.close();
  return { kind: 'look', seen: { thumb, reading: packedReading(reading), verdict: softnessVerdict(reading) }, problem: '' };
}

/** Files never leave the browser; of a picture only what is said of it here stays. */
export function frameAnswer(question: FrameQuestion): Promise<FrameAnswer> {
  return question.kind === 'facts' ? factsOf(question.file) : lookAt(question.file);
}
