import { METER_PATTERNS, type MeterPattern } from '../../kit/index.js';
import type { Reading } from '../../stop/index.js';
import type { Spot } from '../map/shapes.js';
import { type KeyOnMap, spotOn } from '../patterns/keyOnMap.js';
import { patternEv, spotShareOf } from '../patterns/patterns.js';
import type { PreparedMap } from '../patterns/prepareMap.js';
import { expectedOnMap, type ExpectedKey } from './expectedTones.js';

/** What a meter makes of a frame that is known cell by cell: plain data, for any school, dial and medium. */
export interface MeteredFrame {
  readonly patterns: readonly {
    readonly pattern: MeterPattern;
    /** EV at ISO 100. */
    readonly readEv: number;
    /** Of a spot: the share of it that is key; null for other patterns, and where no key is in the frame. */
    readonly keyShare: number | null;
  }[];
  /** Null where nothing of the key is in the frame. */
  readonly key: Pick<KeyOnMap, 'readEv' | 'exposureEv' | 'share'> | null;
  /** Cells by bin of EV, as of a prepared map. */
  readonly histogram: Uint32Array;
  /** The tones of its surfaces, the key first, as readings that nobody has taken. */
  readonly tones: readonly Reading[];
}

/** Every pattern on one map, once. `focus` is where one focuses: a multi-zone pattern favours it. */
export function meterFrame(
  map: PreparedMap,
  key: (KeyOnMap & ExpectedKey) | null,
  { focus, straightOverEv }: { readonly focus: Spot; readonly straightOverEv: number },
): MeteredFrame {
  const spotAt = key === null ? focus : spotOn(map, key);
  const patterns = METER_PATTERNS.map((pattern) => {
    const at = pattern === 'spot' ? spotAt : focus;
    const keyShare = pattern === 'spot' && key !== null ? spotShareOf(map, at, key.has) : null;
    return { pattern, readEv: patternEv(map, { pattern, at, straightOverEv }), keyShare };
  });
  return {
    patterns,
    key: key === null ? null : { readEv: key.readEv, exposureEv: key.exposureEv, share: key.share },
    histogram: map.histogram,
    tones: expectedOnMap(map, key),
  };
}
