import { type EmbeddedJpeg, largestJpeg } from '@roam-dial/core/formats/photos';
import type { NoisePoint } from '@roam-dial/core/kit';
import {
  cropped,
  type FrameFacts,
  frameFacts,
  type PictureReading,
  pictureReading,
  FULL_PART_PX,
  fullParts,
  type FullSize,
  lumaOf,
  MIDDLE,
  packedReading,
  type PackedReading,
  partBlur,
  type PatchProblem,
  problemOfPatch,
  readPatch,
  readSoftness,
  softnessVerdict,
  unpackedReading,
} from '@roam-dial/core/log';
import { imageSize } from 'image-size';
import { readTags, readThumbnail } from './read-tags';

/** What may be asked of a file, and what comes of it: null with why, where nothing does. */
export interface FrameAnswers {
  /** What the file says of itself, and the small picture that it may carry. */
  readonly facts: FactsAnswer;
  /** What can be measured in its picture. */
  readonly look: LookAnswer;
  /** What an even patch says of noise. */
  readonly patch: PatchAnswer;
}
export type FrameKind = keyof FrameAnswers;

export interface FrameQuestion {
  readonly kind: FrameKind;
  readonly file: File;
  /** What was set, so far as it is known: it bounds what can have spoilt the picture. */
  readonly settings?: TypedSettings;
}

export type TypedSettings = Partial<Pick<FrameFacts, 'shutterS' | 'iso'>>;

export interface FactsAnswer {
  readonly kind: 'facts';
  /** Null for what is no photograph, with why. */
  readonly facts: FrameFacts | null;
  readonly thumb: Blob | null;
  readonly problem: string;
}

export interface LookAnswer {
  readonly kind: 'look';
  /** Null where the browser cannot open it. */
  readonly seen: Seen | null;
  /** Why it could not be opened; where it was, what it was checked by, if not by itself. */
  readonly problem: string;
}

export interface Seen {
  readonly thumb: Blob | null;
  /** The middle of it at its full size; null where it was only opened brought down. */
  readonly close: Blob | null;
  readonly reading: PackedReading;
  readonly sight: PictureReading;
}

export interface PatchAnswer {
  readonly kind: 'patch';
  /** Null for what tells nothing of noise, with why. */
  readonly patch: { readonly point: NoisePoint; readonly picture: Blob } | null;
  readonly problem: string;
}

export type FrameAnswer = FrameAnswers[FrameKind];

/** Files that are pictures by their first bytes: the others are not handed to a reader of them. */
const HEAD_BYTES = 512 * 1024;
/** What is measured: pictures brought down to so many pixels. */
const READ_PIXELS = 2e6;
const MOST_MEGAPIXELS = 120;
/** Larger ones are not held as a whole: they are brought down while they are opened, and read at that size alone. */
const FULL_MEGAPIXELS = 64;
const MOST_BYTES = 200e6;
const THUMB_PX = 480;
/** As the whole picture stands beside what is said of it. */
const CLOSE_PX = { width: 324, height: 216 };
const EMPTY_FACTS: FrameFacts = frameFacts({});

/** Files of zeros pass for pictures of some kinds, without any size. */
async function isPicture(file: File): Promise<boolean> {
  const sides = await sidesOf(file);
  return sides !== null && sides.width > 0 && sides.height > 0;
}

async function factsOf(file: File): Promise<FactsAnswer> {
  if (file.size === 0) return { kind: 'facts', facts: null, thumb: null, problem: 'is empty: 0 bytes' };
  const tags = await readTags(file);
  if (tags === null) {
    return (await isPicture(file)) || (await previewIn(file)) !== null
      ? { kind: 'facts', facts: EMPTY_FACTS, thumb: null, problem: '' }
      : { kind: 'facts', facts: null, thumb: null, problem: 'is no photograph that can be read here' };
  }
  return { kind: 'facts', facts: frameFacts(tags), thumb: await readThumbnail(file), problem: '' };
}

interface Sides {
  readonly width: number;
  readonly height: number;
}

/** Sides of a picture that may be opened, or why it may not. */
async function sidesToOpen(file: Blob): Promise<Sides | string> {
  if (file.size > MOST_BYTES) return `is larger than ${MOST_BYTES / 1e6} MB`;
  const sides = await sidesOf(file);
  if (sides === null) return 'is of a kind that the browser cannot open';
  const megapixels = (sides.width * sides.height) / 1e6;
  return megapixels > MOST_MEGAPIXELS ? `has ${Math.round(megapixels)} megapixels; at most ${MOST_MEGAPIXELS} are opened` : sides;
}

/** Sides of a picture by the head of its file; null where it has none. */
async function sidesOf(file: Blob): Promise<Sides | null> {
  try {
    const { width, height, orientation = 1 } = imageSize(new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()));
    return orientation >= 5 ? { width: height, height: width } : { width, height };
  } catch {
    return null;
  }
}

function drawn(bitmap: ImageBitmap | OffscreenCanvas, width: number, height: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('this browser cannot read pictures');
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, width, height);
  return canvas;
}

function lumaFrom(canvas: OffscreenCanvas): ReturnType<typeof lumaOf> {
  const { width, height } = canvas;
  const { data } = (canvas.getContext('2d') as OffscreenCanvasRenderingContext2D).getImageData(0, 0, width, height);
  return lumaOf(data, width, height);
}

/** Parts of it at full size, side by side on one canvas: what is drawn is read back once. */
function fullSizeOf(bitmap: ImageBitmap): FullSize {
  const { width, height } = bitmap;
  const { across, down, parts } = fullParts(width, height);
  const canvas = new OffscreenCanvas(across * FULL_PART_PX, down * FULL_PART_PX);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  const corner = (k: number): readonly [number, number] => [(k % across) * FULL_PART_PX, Math.floor(k / across) * FULL_PART_PX];
  const side = FULL_PART_PX;
  parts.forEach(({ left, top }, k) => context?.drawImage(bitmap, left, top, side, side, ...corner(k), side, side));
  const all = lumaFrom(canvas);
  return { width, height, across, down, blurs: parts.map((_, k) => partBlur(cropped(all, ...corner(k), side, side))) };
}

const asJpeg = (canvas: OffscreenCanvas): Promise<Blob> => canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 });

/** Its middle as it is; null of what is smaller than that. */
async function middleOf(bitmap: ImageBitmap): Promise<Blob | null> {
  const { width, height } = CLOSE_PX;
  const [left, top] = [Math.round((bitmap.width - width) / 2), Math.round((bitmap.height - height) / 2)];
  if (left < 0 || top < 0) return null;
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.drawImage(bitmap, left, top, width, height, 0, 0, width, height);
  return asJpeg(canvas);
}

/** What browsers open by its first bytes: JPEG, PNG, WebP, and the boxes of HEIF and AVIF. */
const FINISHED = [/^\xff\xd8\xff/, /^\x89PNG/, /^RIFF....WEBP/s, /^....ftyp(?!crx)/s];
/** Previews smaller than this are thumbnails: nothing is told by them. */
const LEAST_PREVIEW_PX = 640;

/** The largest preview in a raw file; null where it has none that is large enough. */
async function previewIn(file: File): Promise<EmbeddedJpeg | null> {
  if (file.size > MOST_BYTES) return null;
  const preview = largestJpeg(new Uint8Array(await file.arrayBuffer()));
  return preview !== null && Math.max(preview.width, preview.height) >= LEAST_PREVIEW_PX ? preview : null;
}

/** The file itself where it is a finished picture; of a raw file its preview. Null where it has none. */
async function pictureOf(file: File): Promise<{ readonly picture: Blob; readonly note: string } | null> {
  const head = String.fromCharCode(...new Uint8Array(await file.slice(0, 16).arrayBuffer()));
  if (FINISHED.some((one) => one.test(head)) || file.size > MOST_BYTES) return { picture: file, note: '' };
  const preview = await previewIn(file);
  if (preview === null) return null;
  const { from, to, width, height } = preview;
  return { picture: file.slice(from, to, 'image/jpeg'), note: `was checked by its preview of ${width} × ${height} pixels` };
}

async function lookAt(whole: File, settings: TypedSettings): Promise<LookAnswer> {
  const refuse = (problem: string): LookAnswer => ({ kind: 'look', seen: null, problem });
  const found = await pictureOf(whole);
  if (found === null) return refuse('has no preview large enough to check');
  const { picture: file, note } = found;
  const sides = await sidesToOpen(file);
  if (typeof sides === 'string') return refuse(sides);
  const pixels = sides.width * sides.height;
  const scale = Math.min(1, Math.sqrt(READ_PIXELS / pixels));
  const [width, height] = [Math.max(1, Math.round(sides.width * scale)), Math.max(1, Math.round(sides.height * scale))];
  const isLarge = scale < 1 && pixels <= FULL_MEGAPIXELS * 1e6;
  const resized = { resizeWidth: width, resizeHeight: height, resizeQuality: 'high' } as const;
  const bitmap = await (isLarge ? createImageBitmap(file) : createImageBitmap(file, resized)).catch(() => null);
  if (bitmap === null) return refuse('is broken, or of a kind that the browser cannot open');
  const canvas = drawn(bitmap, width, height);
  const read = readSoftness(lumaFrom(canvas));
  // It is judged by what is kept of it, so that it is judged alike ever after.
  const kept = packedReading(isLarge ? { ...read, full: fullSizeOf(bitmap) } : read);
  const reading = unpackedReading(kept);
  const close = isLarge || scale === 1 ? await middleOf(bitmap) : null;
  const small = Math.min(1, THUMB_PX / Math.max(width, height));
  const thumb = await asJpeg(drawn(canvas, Math.max(1, Math.round(width * small)), Math.max(1, Math.round(height * small))));
  bitmap.close();
  return {
    kind: 'look',
    seen: { thumb, close, reading: kept, sight: pictureReading(reading, softnessVerdict(reading, MIDDLE, settings)) },
    problem: note,
  };
}

/** Why a patch is not taken, in words. */
const PATCH_PROBLEMS: Readonly<Record<PatchProblem, string>> = {
  tooSmall: 'is too small to tell noise by',
  tooDark: 'is too dark: expose the patch to mid-grey',
  tooBright: 'is too bright: expose the patch to mid-grey',
  uneven: 'is not of an even patch: its middle has shapes or shading in it',
};

/** So much of the middle is read, at its full size; and so much of it is shown at the size that pictures are looked at. */
const PATCH_PX = 1536;
const SHOWN_PX = 144;

async function patchOf(file: File): Promise<PatchAnswer> {
  const refuse = (problem: string): PatchAnswer => ({ kind: 'patch', patch: null, problem });
  const { facts, problem } = await factsOf(file);
  if (facts === null) return refuse(problem);
  if (facts.iso === null) return refuse('does not say its ISO');
  const opened = await sidesToOpen(file);
  if (typeof opened === 'string') return refuse(opened);
  const { width, height } = opened;
  const side = Math.min(PATCH_PX, Math.floor(Math.min(width, height) / 2));
  const corner = [Math.floor((width - side) / 2), Math.floor((height - side) / 2)] as const;
  const bitmap = await createImageBitmap(file, ...corner, side, side).catch(() => null);
  if (bitmap === null) return refuse('is broken, or of a kind that the browser cannot open');
  const seenSide = Math.round(side * Math.min(1, Math.sqrt(READ_PIXELS / (width * height))));
  const seenCanvas = drawn(bitmap, seenSide, seenSide);
  const [perPixel, seen] = [readPatch(lumaFrom(drawn(bitmap, side, side))), readPatch(lumaFrom(seenCanvas))];
  bitmap.close();
  const wrong = problemOfPatch(perPixel) ?? problemOfPatch(seen);
  if (wrong !== null || perPixel === null || seen === null) return refuse(PATCH_PROBLEMS[wrong ?? 'tooSmall']);
  const shown = new OffscreenCanvas(SHOWN_PX, SHOWN_PX);
  const from = Math.max(0, (seenSide - SHOWN_PX) / 2);
  shown.getContext('2d')?.drawImage(seenCanvas, -from, -from);
  // Without loss: what is looked at is its noise.
  const picture = await shown.convertToBlob({ type: 'image/png' });
  const point = { iso: facts.iso, perPixel: perPixel.signalToNoise, seen: seen.signalToNoise };
  return { kind: 'patch', patch: { point, picture }, problem: '' };
}

const ANSWERS = { facts: factsOf, look: lookAt, patch: patchOf } as const;

/** Files never leave the browser; of a picture only what is said of it here stays. */
export function frameAnswer({ kind, file, settings = {} }: FrameQuestion): Promise<FrameAnswer> {
  return ANSWERS[kind](file, settings);
}
