import type { KitItem } from '../../kit/index.js';
import { bodyOf, momentOfStayAt, type PlacedFrame, type WalkLog } from '../frames/index.js';
import type { FrameMeant } from '../softness/settings.js';

/** What the card of its stop and the kit say of a frame. A camera that is none of the kit says nothing of its sensor. */
export function frameMeant(kit: readonly KitItem[], log: WalkLog, placed: PlacedFrame): FrameMeant {
  const { stay, atMs } = placed;
  const body = bodyOf({ kit }, log, placed);
  return {
    depth: stay?.approach?.depth ?? 'free',
    focusM: stay === null ? null : (momentOfStayAt(stay, atMs)?.focusM ?? null),
    sensorDiagonalMm: body === null ? null : Math.hypot(body.sensorWidthMm, body.sensorHeightMm),
  };
}
