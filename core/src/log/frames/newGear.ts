import { proposeClock } from './cameraClock.js';
import type { LogFrame } from './frame.js';
import type { WalkLog } from './walkLog.js';

type Gear = Pick<WalkLog, 'cameras' | 'lenses'>;

/** What a name was said to be on the latest walk of those on which anything was said of it. */
function lastSaid<One extends { readonly name: string }>(known: readonly One[], name: string, id: (one: One) => string | null) {
  return known.reduce<string | null>((last, one) => (one.name === name ? (id(one) ?? last) : last), null);
}

/**
 * Cameras and lenses of frames that a log does not know yet: each camera's clock put right as its frames propose, and of the kit what
 * it was said to be on an earlier walk, so that it is asked once.
 * @param logs of all walks, the earliest first.
 */
export function newGear(
  log: Pick<WalkLog, 'cameras' | 'lenses' | 'stays' | 'timeZone'>,
  frames: readonly LogFrame[],
  logs: readonly Gear[],
): Gear {
  const written = frames.filter(({ source }) => source.kind === 'file');
  const unknown = (names: readonly string[], known: readonly { readonly name: string }[]): readonly string[] =>
    [...new Set(names)].filter((name) => !known.some((one) => one.name === name));
  const cameraNames = unknown(
    written.map(({ bodyName }) => bodyName),
    log.cameras,
  );
  const lensNames = unknown(
    written.map(({ lensName }) => lensName),
    log.lenses,
  );
  const [cameras, lenses] = [logs.flatMap((one) => one.cameras), logs.flatMap((one) => one.lenses)];
  return {
    cameras: cameraNames.map((name) => {
      const its = written.filter(({ bodyName }) => bodyName === name);
      const shiftS = proposeClock(log, its)?.shiftS ?? 0;
      return { name, bodyId: lastSaid(cameras, name, ({ bodyId }) => bodyId), shiftS, shiftBy: 'frames' };
    }),
    lenses: lensNames.map((name) => ({ name, lensId: lastSaid(lenses, name, ({ lensId }) => lensId) })),
  };
}
