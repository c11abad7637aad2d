import { block } from '../../../reference/blocks.js';
import { dayFor, EQUATOR, hm, inputFor, TOWN } from '../../../reference/plainStops.js';
import { DEFAULT_INTENTS, type Intent, METERED_SURFACES, type StopDay, stopDay } from '../index.js';

const ALONG_EAST = [block(-900, 4, 900, 16, 12), block(-900, -16, 900, -4, 12)];
const ALONG_NORTH = [block(4, -900, 16, 900, 12), block(-16, -900, -4, 900, 12)];

describe('lamps, hidden suns and walls', () => {
  const hours = { fromMin: 1140, toMin: 1380 };

  it('lamps light the people before a silhouette’s sky, and close it when they win', () => {
    const [dark, lit] = (['none', 'lampStreet'] as const).map((lamps) =>
      dayFor(DEFAULT_INTENTS.silhouette, TOWN, [], { lamps, hours }),
    );
    const minute = hm(19, 5);
    // EV 5 is 80 lux, onto a camera side of next to none.
    expect(2.5 * 2 ** (lit?.cameraSideEv[minute] ?? 0) - 2.5 * 2 ** (dark?.cameraSideEv[minute] ?? 0)).toBeCloseTo(80, 1);
    expect(lit?.shadeEv[minute]).toBeGreaterThan(5);
    expect(lit?.daylightEv[minute]).toBeCloseTo(dark?.shadeEv[minute] ?? 0, 5);
    expect(lit?.quality[minute]).toBe(0);
  });
  it('a screen that is the background leaves the spot a side street’s EV 3', () => {
    const found = dayFor({ kind: 'silhouette', background: 'screen', brightShare: 0.5 }, TOWN, ALONG_NORTH, {
      lamps: 'screen',
      hours,
    });
    // 20 lux of the spot's own over a night of less than one.
    expect(found.shadeEv[hm(22)]).toBeCloseTo(3, 1);
    expect(found.backgroundEv[hm(22)]).toBe(9);
    const sign = dayFor({ kind: 'brightBackdrop', source: 'litWindow', brightShare: 0.4 }, TOWN, ALONG_NORTH, {
      lamps: 'litWindow',
      hours,
    });
    expect(sign.shadeEv[hm(22)]).toBeCloseTo(3, 1);
  });
  it('flash lifts against daylight alone, whatever lamps there are', () => {
    const spans = (['none', 'marketStall'] as const).map((lamps) =>
      dayFor(DEFAULT_INTENTS.flashLift, TOWN, ALONG_EAST, { lamps }).windows.map(({ fromMin, toMin }) => [fromMin, toMin]),
    );
    expect(spans[0]).toEqual(spans[1]);
  });
  it('under a closed sky no wall is lit, and each has its own share of it', () => {
    const buildings = [block(-10, -8, 12, -4, 30), block(40, 0, 50, 40, 25)];
    const found = dayFor(DEFAULT_INTENTS.silhouette, { ...TOWN, cloud: 0.95 }, buildings);
    const kinds = new Set(Array.from(found.surface, (surface) => METERED_SURFACES[surface]));
    expect([kinds.has('litWall'), kinds.has('litGround')]).toEqual([false, false]);
    expect(Math.max(...found.wallsLitShare)).toBe(0);
    // The wall across stands in the open: half of the sky. What meets the eye at its foot has hardly less.
    const minute = hm(12, 30);
    const open = dayFor(DEFAULT_INTENTS.facade, { ...TOWN, cloud: 0.95 }, [block(40, -40, 50, 40, 25)]);
    const skyEv = (open.skyEv[minute] as number) - 2.47;
    expect(open.keyEv100[minute] as number).toBeCloseTo(skyEv - 1 + 0.96, 1);
  });
  it('a reflection’s wall has to lie half a stop over the shade round the mirror, whatever a person in the sun has', () => {
    const buildings = [block(-40, 12, 40, 22, 20), block(-3, -8, 3, -1, 9)];
    const site = { shootingBearingDeg: 0, streetAxisDeg: 90 };
    const intent: Intent = { kind: 'reflection', mirror: 'puddle', isWet: true };
    const usual = dayFor(intent, TOWN, buildings, site);
    const strict = stopDay({
      ...inputFor(intent, TOWN, buildings, site),
      thresholds: { reflectionOverShadeEv: [5, 5] },
    }) as StopDay;
    const noon = hm(12, 32);
    expect([usual.quality[noon], usual.quality[hm(8)]]).toEqual([1, 0]);
    // No lit wall lies five stops over open shade.
    expect(Math.max(...strict.quality)).toBe(0);
  });
  it('compressed distance is there or not by the shutter limit, without a slope', () => {
    const found = dayFor(DEFAULT_INTENTS.compressedDistance, EQUATOR, ALONG_EAST);
    const worths = new Set(Array.from(found.quality.subarray(hm(5), hm(6, 15))));
    expect([...worths].every((worth) => worth === 0 || worth >= 0.5)).toBe(true);
    expect(worths.has(0)).toBe(true);
  });
});
