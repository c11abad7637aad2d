import { motionShutterLimitS } from '../../handheld/index.js';
import type { Scene } from '../scene/scene.js';

/** Slowest time at which the mean walker at the median distance does not smear: what is told, where the search looks at all of them. */
export function typicalMotionLimitS({ crowd, input }: Pick<Scene, 'crowd' | 'input'>): number {
  const { smear } = crowd;
  if (smear.kind === 'nothingMoves') return Infinity;
  const { movers, subject, focalLengthMm } = input;
  return motionShutterLimitS({
    focalLengthMm,
    subjectDistanceM: subject.medianM,
    speedMps: movers.speedMps,
    travelAngleDeg: movers.travelAngleDeg,
    blurLimitMm: smear.toMm,
  });
}
