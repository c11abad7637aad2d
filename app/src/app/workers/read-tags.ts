import type { ExifTags } from '@roam-dial/core';
import { fetched } from '../data/fetched';

/** What is asked of a file: the numbers as they stand, nothing made of them. */
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

/** The tags of a file by their names; null where it has none, or is broken in a way that no reader gets over. */
export async function readTags(file: Blob | Uint8Array): Promise<ExifTags | null> {
  const { default: reader } = await fetched('The photo reader', () => import('exifr/dist/full.esm.mjs'));
  const tags: unknown = await reader.parse(file, TAGS).catch(() => undefined);
  return (tags ?? null) as ExifTags | null;
}

/** The small picture that a file may carry. */
export async function readThumbnail(file: File): Promise<Blob | null> {
  const { default: reader } = await fetched('The photo reader', () => import('exifr/dist/full.esm.mjs'));
  const bytes = await reader.thumbnail(file).catch(() => undefined);
  return bytes === undefined ? null : new Blob([Uint8Array.from(bytes)], { type: 'image/jpeg' });
}
