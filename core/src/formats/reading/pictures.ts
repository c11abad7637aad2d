import Joi from 'joi';
import { id, number, required } from './schemaParts.js';

/** What was measured in a picture, its windows as base64. */
export interface ArchivedReading {
  readonly width: number;
  readonly height: number;
  readonly across: number;
  readonly down: number;
  readonly noise: number;
  readonly noiseSeen: number;
  readonly blackShare: number;
  readonly midToneEv: number;
  readonly noiseBlock?: number;
  readonly noiseLeft?: number;
  readonly darkShare?: number;
  readonly blockDarkShare?: number;
  readonly hazeShare?: number;
  readonly leastHazeShare?: number;
  readonly colourNoise?: number;
  readonly windows: string;
  readonly traces?: { readonly across: number; readonly down: number; readonly parts: string } | null;
  readonly full?: {
    readonly width: number;
    readonly height: number;
    readonly across: number;
    readonly down: number;
    readonly parts: string;
  };
}

/** Kinds that the program itself makes. */
const PICTURE_TYPES = ['image/jpeg', 'image/png'] as const;
type PictureType = (typeof PICTURE_TYPES)[number];

/** A small picture that goes along with an archive, beside its rows; nothing refers to it but what has its id. */
export interface ArchivedPicture {
  readonly id: string;
  readonly logId: string;
  /** Its media type and its bytes as base64; null where only what was measured is kept. */
  readonly picture: { readonly type: PictureType; readonly bytes: string } | null;
  readonly reading: ArchivedReading | null;
}

/** More pictures than frames may be there: patches and places have some. */
const MOST_PICTURES = 250_000;
/** Of a small picture; of a reading's windows, four bytes each. */
const LONGEST_PICTURE = 2_000_000;
const LONGEST_WINDOWS = 20_000;
const MOST_PX = 100_000;
const MOST_CELLS = 64;
/** Along the longer side of a panorama of two megapixels. */
const MOST_PARTS = 1000;

const base64 = (most: number): Joi.StringSchema => Joi.string().base64().allow('').max(most);
const side = Joi.number().integer().min(1).max(MOST_PX);
const parts = Joi.number().integer().min(1).max(MOST_PARTS);
const cells = Joi.number().integer().min(1).max(MOST_CELLS);

const readingSchema = required<ArchivedReading>({
  width: side,
  height: side,
  across: cells,
  down: cells,
  noise: number.min(0),
  noiseSeen: number.min(0),
  blackShare: number.min(0),
  midToneEv: number.min(-20).max(20),
  noiseBlock: Joi.number()
    .integer()
    .min(0)
    .max(MOST_CELLS ** 2)
    .optional(),
  noiseLeft: number.min(0).optional(),
  darkShare: number.min(0).optional(),
  blockDarkShare: number.min(0).optional(),
  hazeShare: number.min(0).optional(),
  leastHazeShare: number.min(0).optional(),
  colourNoise: number.min(0).optional(),
  windows: base64(LONGEST_WINDOWS),
  traces: required<NonNullable<ArchivedReading['traces']>>({ across: parts, down: parts, parts: base64(LONGEST_WINDOWS) })
    .allow(null)
    .optional(),
  full: required<NonNullable<ArchivedReading['full']>>({
    width: side,
    height: side,
    across: cells,
    down: cells,
    parts: base64(LONGEST_WINDOWS),
  }).optional(),
  // What archives of this version kept of smears at first.
}).append({ echoes: Joi.any().optional().strip() });

const pictureSchema = required<ArchivedPicture>({
  id,
  logId: id,
  picture: required<NonNullable<ArchivedPicture['picture']>>({
    type: Joi.valid(...PICTURE_TYPES),
    bytes: base64(LONGEST_PICTURE),
  }).allow(null),
  reading: readingSchema.allow(null),
});

/** Those of a list that can be used; pictures are no data: one that is broken is left out, and nothing else suffers. */
export function readPictures(value: unknown): readonly ArchivedPicture[] {
  if (!Array.isArray(value)) return [];
  return value.slice(0, MOST_PICTURES).flatMap((one: unknown) => {
    const { error } = pictureSchema.validate(one, { convert: false });
    return error === undefined ? [one as ArchivedPicture] : [];
  });
}
