import type { Body, KitItem, Lens } from '../../kit/index.js';
import { cameraOf } from './frameTime.js';
import type { PlacedFrame } from './matching.js';
import type { WalkLog } from './walkLog.js';

interface Owned {
  readonly kit: readonly KitItem[];
}

/** Which of the kit a frame was taken with; null while nobody has said. */
export function bodyOf({ kit }: Owned, log: WalkLog, { frame }: PlacedFrame): Body | null {
  const bodyId = cameraOf(log, frame)?.bodyId ?? null;
  return kit.find((item): item is Body => item.kind === 'body' && item.id === bodyId) ?? null;
}

export function lensOf({ kit }: Owned, log: WalkLog, { frame }: PlacedFrame): Lens | null {
  const lensId = log.lenses.find(({ name }) => name === frame.lensName)?.lensId ?? null;
  return kit.find((item): item is Lens => item.kind === 'lens' && item.id === lensId) ?? null;
}
