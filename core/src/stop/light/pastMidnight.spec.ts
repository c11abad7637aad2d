import type { LampsOut } from '../lampsOut.js';
import { type StopDay, stopDay, type StopDayInput } from './stopDay.js';

const SITE: StopDayInput['site'] = {
  intent: { kind: 'litStreet', lamps: 'hold' },
  shootingBearingDeg: 0,
  streetAxisDeg: 0,
  sunGap: null,
  lamps: 'lampStreet',
  hours: null,
  lightOffsetEv: 0,
};
const ROME = { latitude: 41.9, longitude: 12.5, timeZone: 'Europe/Rome', cloud: 0, halfFieldDeg: 30 };

function night(site: Partial<StopDayInput['site']> = {}, more: Partial<StopDayInput> = {}): StopDay {
  const day = stopDay({ ...ROME, day: '2027-10-15', site: { ...SITE, ...site }, minutes: 2160, ...more });
  if (day === null) throw new Error('no such day');
  return day;
}

const spans = ({ windows }: StopDay) => windows.map(({ fromMin, toMin, opens, closes }) => [fromMin, toMin, opens, closes]);

describe('the light of a stop past midnight', () => {
  it('is one window from dusk to dawn', () => {
    const day = night();
    const evening = day.windows.find(({ toMin }) => toMin > 1440);
    expect(day.windows.filter(({ fromMin }) => fromMin > 1000)).toHaveLength(1);
    expect([evening?.opens, evening?.closes]).toEqual(['darkness', 'darkness']);
    // Sun −3° in Rome on 15 October: about 18:45 and on the 16th about 07:10 (civil dusk 18:57, dawn 06:52).
    expect(Math.abs((evening?.fromMin ?? 0) - 1122)).toBeLessThan(6);
    expect(Math.abs((evening?.toMin ?? 0) - (1440 + 430))).toBeLessThan(8);
  });

  it('is to the day what it was: as many minutes, the same figures', () => {
    const [day, longer] = [night({}, { minutes: 1440 }), night()];
    expect([day.keyEv100.length, longer.keyEv100.length]).toEqual([1440, 2160]);
    expect(longer.keyEv100.slice(0, 1440)).toEqual(day.keyEv100);
    expect(day.windows.at(-1)).toMatchObject({ toMin: 1439, closes: 'dayEdge' });
  });

  it('ends where the town’s lamps go out, with that reason, and comes again with them', () => {
    const lampsOut: LampsOut = { fromMin: 60, toMin: 330, leftShare: 0 };
    const day = night({ lampsOut });
    expect(spans(day).filter(([, to]) => (to as number) > 1200)).toEqual([
      [expect.any(Number), 1499, 'darkness', 'lampsOut'],
      [1770, expect.any(Number), 'lampsOut', 'darkness'],
    ]);
    expect([1499, 1500, 1769, 1770].map((minute) => day.lampsOn[minute])).toEqual([1, 0, 0, 1]);
  });

  it('goes on under lamps that are dimmed to a quarter, two stops darker', () => {
    const day = night({ lampsOut: { fromMin: 60, leftShare: 0.25 } });
    expect(day.windows.filter(({ fromMin }) => fromMin > 1000)).toHaveLength(1);
    expect((day.cameraSideEv[1499] as number) - (day.cameraSideEv[1500] as number)).toBeCloseTo(2, 1);
  });

  it('is not cut by lamps that come on again when they go out', () => {
    expect(night({ lampsOut: { fromMin: 60, toMin: 60, leftShare: 0 } }).windows).toEqual(night().windows);
  });

  it('of a screen that is lit until 23:30 ends there, whatever the street’s lamps do', () => {
    const day = night({
      intent: { kind: 'brightBackdrop', source: 'screen', brightShare: 0.3 },
      lamps: 'screen',
      hours: { fromMin: 960, toMin: 1410 },
      lampsOut: { fromMin: 60, leftShare: 0 },
    });
    expect(spans(day)).toEqual([[expect.any(Number), 1410, 'darkness', 'hours']]);
  });

  it('of a shop that is lit until two is over at two of the next day', () => {
    const day = night({ hours: { fromMin: 1080, toMin: 120 } });
    expect(spans(day).filter(([from]) => (from as number) > 1000)).toEqual([[expect.any(Number), 1560, 'darkness', 'hours']]);
  });

  it('lasts as long as the night does where the clock changes in it, and is short at 60° in June', () => {
    const spring = night({}, { day: '2027-03-27' });
    const window = spring.windows.at(-1);
    // Sunset 18:30, −3° some 15 min later; sunrise on the 28th 06:58 by the new clock.
    expect(Math.abs((window?.fromMin ?? 0) - 1125)).toBeLessThan(8);
    expect(Math.abs((window?.toMin ?? 0) - (1440 + 405))).toBeLessThan(8);
    const helsinki = { latitude: 60.2, longitude: 24.9, timeZone: 'Europe/Helsinki', day: '2027-06-21' };
    const midsummer = night({}, helsinki);
    expect(Math.min(...midsummer.sunAltitudeDeg)).toBeGreaterThan(-6.5);
    expect(midsummer.windows.every(({ fromMin, toMin }) => toMin - fromMin < 250)).toBe(true);
  });

  it('is measured in no other number of minutes than there are', () => {
    expect(() => night({}, { minutes: 2161 })).toThrow(RangeError);
  });
});
