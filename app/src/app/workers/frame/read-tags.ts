import { tiffBlocks } from '@roam-dial/core/formats/photos';
import type { ExifTags } from '@roam-dial/core/log';
import { fetched } from '../../base/fetched';

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

/** Names of tags that stand in a directory where the reader does not look for them. Source: EXIF 2.32, 4.6. */
const NAME_OF_TAG: Readonly<Record<number, string>> = {
  // Where one kind of raw file has it.
  0x0017: 'ISO',
  0x010f: 'Make',
  0x0110: 'Model',
  0x829a: 'ExposureTime',
  0x829d: 'FNumber',
  0x8827: 'ISO',
  0x8831: 'StandardOutputSensitivity',
  0x8832: 'RecommendedExposureIndex',
  0x8833: 'ISOSpeed',
  0x9003: 'DateTimeOriginal',
  0x9004: 'CreateDate',
  0x9010: 'OffsetTime',
  0x9011: 'OffsetTimeOriginal',
  0x9204: 'ExposureCompensation',
  0x9206: 'SubjectDistance',
  0x9207: 'MeteringMode',
  0x9209: 'Flash',
  0x920a: 'FocalLength',
  0xa434: 'LensModel',
};
/** Of a block of its own with the place: its tags have the numbers of that directory. */
const NAME_OF_PLACE_TAG: Readonly<Record<number, string>> = {
  1: 'GPSLatitudeRef',
  2: 'GPSLatitude',
  3: 'GPSLongitudeRef',
  4: 'GPSLongitude',
  7: 'GPSTimeStamp',
  16: 'GPSImgDirectionRef',
  17: 'GPSImgDirection',
  29: 'GPSDateStamp',
};

function named(tags: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>> {
  const isPlace = '2' in tags && '4' in tags;
  const names = isPlace ? NAME_OF_PLACE_TAG : NAME_OF_TAG;
  return Object.fromEntries(Object.entries(tags).map(([tag, value]) => [names[Number(tag)] ?? tag, value]));
}

/** Blocks are looked for in so much of a file: the whole of most photos, the head of the largest. */
const MOST_SEARCHED_BYTES = 32e6;

/** What tells that a reader has found what the camera says, not only what a program wrote about the picture. */
const TELLS = ['Make', 'Model', 'ExposureTime', 'FNumber', 'DateTimeOriginal', 'CreateDate'];

async function bytesOf(file: Blob | Uint8Array): Promise<Uint8Array> {
  return file instanceof Blob ? new Uint8Array(await file.slice(0, MOST_SEARCHED_BYTES).arrayBuffer()) : file;
}

/** The tags of a file by their names, whatever kind it is of; null where it has none, or is broken in a way that no reader gets over. */
export async function readTags(file: Blob | Uint8Array): Promise<ExifTags | null> {
  const { default: reader } = await fetched('The photo reader', () => import('exifr/dist/full.esm.mjs'));
  const parse = async (source: Blob | Uint8Array): Promise<Readonly<Record<string, unknown>>> =>
    named(((await reader.parse(source, TAGS).catch(() => undefined)) as Record<string, unknown> | undefined) ?? {});
  const tags = await parse(file);
  if (TELLS.some((tag) => tag in tags)) return tags;
  let all = tags;
  // Later blocks are those of smaller pictures inside: what the first one says stands.
  for (const block of tiffBlocks(await bytesOf(file))) all = { ...(await parse(block)), ...all };
  return Object.keys(all).length === 0 ? null : all;
}

/** The small picture that a file may carry. */
export async function readThumbnail(file: File): Promise<Blob | null> {
  const { default: reader } = await fetched('The photo reader', () => import('exifr/dist/full.esm.mjs'));
  const bytes = await reader.thumbnail(file).catch(() => undefined);
  return bytes === undefined ? null : new Blob([Uint8Array.from(bytes)], { type: 'image/jpeg' });
}
