import { sampleStop } from '../../../reference/sampleStops.js';
import { frameOf } from '../../setup/index.js';
import { DEFAULT_INTENTS, type IntentKind, INTENT_KINDS } from '../../stop/index.js';
import { expectedTones } from '../index.js';

describe('the tones that a frame is expected to have', () => {
  it.each(INTENT_KINDS.map((kind) => [kind] as [IntentKind]))(
    'of %s has its key first, at the light that the card meters',
    (kind) => {
      const input = sampleStop(DEFAULT_INTENTS[kind], 11);
      const tones = expectedTones(frameOf(input));
      expect(tones.length).toBeGreaterThan(0);
      expect(tones.length).toBeLessThanOrEqual(6);
      expect(new Set(tones.map(({ id }) => id)).size).toBe(tones.length);
      expect(tones.every(({ ev100, name }) => Number.isFinite(ev100) && name !== '')).toBe(true);
      // What the card exposes for is what it meters: the key's surface, or a lit half of it, lies within a stop and a half of it.
      const [first] = tones;
      if (first?.isKey === true) expect(Math.abs(first.ev100 - input.light.keyEv100)).toBeLessThan(1.5);
    },
  );
});
