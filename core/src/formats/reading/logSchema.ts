import Joi from 'joi';
import { METER_PATTERNS } from '../../kit/index.js';
import {
  type Cause,
  CAUSES,
  type LogFrame,
  type FrameScan,
  type PictureReading,
  type FrameSource,
  type LogCamera,
  type LogLens,
  type LogRoll,
  type LogStay,
  type LogTrack,
  type PictureSpot,
  type PlannedMoment,
  SHIFTS_BY,
  VERDICTS,
  type WalkLog,
} from '../../log/frames/index.js';
import { instant, moment } from './outingSchema.js';
import {
  bearing,
  calendarDay,
  fNumber,
  focalLength,
  id,
  iso,
  name,
  number,
  position,
  required,
  share,
  shutter,
  stops,
} from './schemaParts.js';
import { approachSchema, intentSchema } from './stopSchema.js';
import { timeZone } from './walkSchema.js';

/** More than anybody meets on a walk. */
const MOST_STAYS = 1000;
const MOST_CARDS = 500;
const MOST_CAMERAS = 200;
const MOST_ROLLS = 200;
/** Two years either way: a clock that was never set. */
const FURTHEST_SHIFT_S = 40 * 366 * 86_400;

const filmFrames = Joi.number().integer().min(1).max(400);

export const walkLogSchema = required<WalkLog>({
  id,
  walkId: id,
  name,
  day: calendarDay,
  timeZone,
  stays: Joi.array()
    .items(
      required<LogStay>({
        stopId: id,
        name,
        intent: intentSchema,
        position: position.allow(null),
        fromMs: instant,
        toMs: instant,
        cards: Joi.array()
          .items(required<PlannedMoment>({ atMs: instant, moment }))
          .max(MOST_CARDS),
        approach: approachSchema.optional(),
      }),
    )
    .max(MOST_STAYS),
  cameras: Joi.array()
    .items(
      required<LogCamera>({
        name,
        bodyId: id.allow(null),
        shiftS: number.min(-FURTHEST_SHIFT_S).max(FURTHEST_SHIFT_S),
        shiftBy: Joi.valid(...SHIFTS_BY),
      }),
    )
    .unique('name')
    .max(MOST_CAMERAS),
  lenses: Joi.array()
    .items(required<LogLens>({ name, lensId: id.allow(null) }))
    .unique('name')
    .max(MOST_CAMERAS),
  rolls: Joi.array()
    .items(
      required<LogRoll>({
        id,
        bodyId: id.allow(null),
        filmId: id.allow(null),
        exposureIndex: iso,
        pushStops: stops,
        frames: filmFrames,
      }),
    )
    .unique('id')
    .max(MOST_ROLLS),
  track: required<LogTrack>({ lengthM: number.min(0).max(1e7), walkingS: number.min(0).max(1e7) }).optional(),
});

const spot = required<PictureSpot>({ x: share, y: share });

export const frameSchema = required<LogFrame>({
  id,
  logId: id,
  source: Joi.object({ kind: Joi.valid('file', 'roll').required() })
    .when(Joi.object({ kind: Joi.valid('file') }).unknown(), {
      then: required<Extract<FrameSource, { kind: 'file' }>>({ kind: Joi.valid('file'), name, bytes: number.min(0) }),
    })
    .when(Joi.object({ kind: Joi.valid('roll') }).unknown(), {
      then: required<Extract<FrameSource, { kind: 'roll' }>>({
        kind: Joi.valid('roll'),
        rollId: id,
        number: filmFrames,
        scan: required<FrameScan>({ name, bytes: number.min(0), sightId: id }).allow(null),
      }),
    })
    .unknown(),
  wallMs: instant.allow(null),
  offsetMin: number.min(-1080).max(1080).allow(null),
  bodyName: name,
  maker: name.optional(),
  model: name.optional(),
  lensName: name,
  fNumber: fNumber.allow(null),
  shutterS: shutter.allow(null),
  iso: iso.allow(null),
  focalLengthMm: focalLength.allow(null),
  compensationEv: stops.allow(null),
  pattern: Joi.valid(...METER_PATTERNS, null),
  hasFlashed: Joi.boolean().allow(null),
  focusM: number.greater(0).max(100_000).allow(null),
  position: position.allow(null),
  bearingDeg: bearing.allow(null),
  placedByHand: required<NonNullable<LogFrame['placedByHand']>>({ stopId: id.allow(null) }).allow(null),
  verdict: Joi.valid(...VERDICTS, null),
  sight: required<PictureReading>({
    looksLike: Joi.valid(...CAUSES, 'good', 'cannotTell'),
    confidence: share,
    shares: required<NonNullable<PictureReading['shares']>>(
      Object.fromEntries([...CAUSES, 'good'].map((look) => [look, share])) as Record<Cause | 'good', Joi.NumberSchema>,
    ).optional(),
    midToneEv: number.min(-20).max(20),
    smearShare: share.optional(),
  }).allow(null),
  subjectAt: spot.allow(null),
});
