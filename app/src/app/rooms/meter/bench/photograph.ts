import { exposureValue100 } from '@roam-dial/core/exposure';
import type { Photograph } from '@roam-dial/core/metering';
import { imageSize } from 'image-size';
import { createId } from '../../../storage/defaults';
import { fetched } from '../../../base/fetched';

export interface BenchPhoto {
  readonly id: string;
  readonly name: string;
  readonly photograph: Photograph;
}

export type ReadPhotograph = { readonly ok: true; readonly photo: BenchPhoto } | { readonly ok: false; readonly message: string };

/** A picture is brought down to the cells that a scene has. */
const MOST_CELLS = 1_000_000;
/** What a browser can open without running out of room. */
const MOST_MEGAPIXELS = 120;
const MOST_BYTES = 200e6;
/** The head of a file, in which its size stands. */
const HEAD_BYTES = 512 * 1024;

/** EXIF orientations from which on a picture is turned by a quarter: the browser turns it back. */
const LYING_FROM = 5;

const refuse = (message: string): ReadPhotograph => ({ ok: false, message });

/** Sides of a picture by the head of its file; null where it has none. */
async function sidesOf(file: File): Promise<{ readonly width: number; readonly height: number } | null> {
  try {
    const { width, height, orientation = 1 } = imageSize(new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()));
    if (!(width > 0 && height > 0)) return null;
    return orientation >= LYING_FROM ? { width: height, height: width } : { width, height };
  } catch {
    return null;
  }
}

/** EV at ISO 100 of the frame by its EXIF; null where it does not say all of it. */
async function exposureOf(file: File): Promise<number | null> {
  const { default: exifr } = await fetched('The photo reader', () => import('exifr/dist/lite.esm.mjs'));
  const said = await exifr.parse(file, { exif: true, gps: false, reviveValues: false }).catch(() => undefined);
  const [fNumber, shutterS, iso] = [said?.FNumber, said?.ExposureTime, said?.ISO].map((value: unknown) =>
    typeof value === 'number' && Number.isFinite(value) && value > 0 ? value : null,
  ) as [number | null, number | null, number | null];
  return fNumber === null || shutterS === null || iso === null ? null : exposureValue100({ fNumber, shutterS, iso });
}

/** Reads a photograph as a scene, brought down to a megapixel. Nothing leaves the device. */
export async function readPhotograph(file: File): Promise<ReadPhotograph> {
  if (file.size === 0) return refuse(`${file.name} is empty: 0 bytes.`);
  if (file.size > MOST_BYTES) return refuse(`${file.name} is larger than ${MOST_BYTES / 1e6} MB: make a smaller copy of it.`);
  const sides = await sidesOf(file);
  if (sides === null) return refuse(`${file.name} is not a picture that can be read here: use a JPEG, PNG or WebP.`);
  const megapixels = (sides.width * sides.height) / 1e6;
  if (megapixels > MOST_MEGAPIXELS) {
    return refuse(
      `${file.name} has ${Math.round(megapixels)} megapixels; ${MOST_MEGAPIXELS} at most are read. Make a smaller copy of it.`,
    );
  }
  const scale = Math.min(1, Math.sqrt(MOST_CELLS / (sides.width * sides.height)));
  const bitmap = await createImageBitmap(file, {
    resizeWidth: Math.max(1, Math.round(sides.width * scale)),
    resizeHeight: Math.max(1, Math.round(sides.height * scale)),
    resizeQuality: 'medium',
  }).catch(() => null);
  if (bitmap === null) return refuse(`${file.name} is broken: its picture cannot be opened.`);
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (context === null) return refuse('This browser cannot read pictures.');
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  const { data } = context.getImageData(0, 0, width, height);
  return {
    ok: true,
    photo: { id: createId(), name: file.name, photograph: { width, height, rgba: data, exposureEv: await exposureOf(file) } },
  };
}
