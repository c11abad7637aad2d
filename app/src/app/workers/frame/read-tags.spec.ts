import { ARCHIVE_VERSION } from '@roam-dial/core/formats/archive';
import { readRow } from '@roam-dial/core/formats/reading';
import { frameFacts } from '@roam-dial/core/log';
import { STAND_IN_FRAME } from '../../../testing/stand-in-frame';
import { readTags } from './read-tags';

/** Numbers from 0 to 1, the same for the same seed. */
function numbersFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2 ** 31;
    return state / 2 ** 31;
  };
}

/** Where a file says something of itself. */
const SAYS_BYTES = 700;
/** A hundred thousand are gone through by scripts/mutated-frames.mjs. */
const MUTATIONS = 600;

describe('files that somebody has torn', () => {
  it('say what they say whole', async () => {
    expect(frameFacts((await readTags(STAND_IN_FRAME)) ?? {})).toMatchObject({
      iso: 400,
      bodyName: 'Made-up One',
      shutterS: 1 / 125,
    });
  });

  it('say nothing, or what a frame may say, whatever their bytes are', async () => {
    const random = numbersFrom(7);
    for (let k = 0; k < MUTATIONS; k++) {
      const bytes = Uint8Array.from(STAND_IN_FRAME);
      for (let n = 1 + Math.floor(12 * random()); n > 0; n--)
        bytes[2 + Math.floor(SAYS_BYTES * random())] = Math.floor(256 * random());
      const torn = random() < 0.2 ? bytes.subarray(0, Math.floor(random() * bytes.length)) : bytes;
      const facts = frameFacts((await readTags(torn)) ?? {});
      const frame = {
        ...facts,
        id: 'f',
        logId: 'log',
        source: { kind: 'file', name: 'A.JPG', bytes: torn.length },
        placedByHand: null,
        verdict: null,
        sight: null,
        subjectAt: null,
      };
      expect(readRow('frames', frame, ARCHIVE_VERSION).ok).toBe(true);
    }
  });
});
