import { angleBetweenDeg, cloudAt, glareAngleDeg, moonName, moonView, polariserView } from './index.js';

describe('the moon', () => {
  it.each([
    // Total eclipses happen at the full moon, total eclipses of the sun at the new: published instants of greatest eclipse.
    ['2025-03-14T06:58:00Z', 180],
    ['2026-08-12T17:46:00Z', 0],
    ['2028-12-31T16:52:00Z', 180],
  ])('has the phase of the eclipse of %s', (time, phaseDeg) => {
    const moon = moonView({ time: new Date(time), latitude: 40, longitude: 0 });
    const apart = Math.abs(((moon.phaseDeg - phaseDeg + 540) % 360) - 180);
    expect(apart).toBeLessThan(1);
    expect(moon.litShare).toBeCloseTo(phaseDeg === 180 ? 1 : 0, 2);
  });
  it('stands at the sun’s place when it covers it', () => {
    // Greatest eclipse of 12 August 2026: 65.2° N, 25.2° W, the sun 26° up (published circumstances).
    const moon = moonView({ time: new Date('2026-08-12T17:46:06Z'), latitude: 65.2, longitude: -25.2 });
    expect(moon.altitudeDeg).toBeCloseTo(26, 0);
  });
  it('has names for eighths of its month', () => {
    expect([0, 359, 50, 90, 170, 182, 230, 270, 300].map(moonName)).toEqual([
      'new moon',
      'new moon',
      'waxing crescent',
      'first quarter',
      'full moon',
      'full moon',
      'waning gibbous',
      'last quarter',
      'waning crescent',
    ]);
  });
  it('refuses what is no time and no place', () => {
    expect(() => moonView({ time: new Date(NaN), latitude: 0, longitude: 0 })).toThrow(TypeError);
    expect(() => moonView({ time: new Date(0), latitude: 91, longitude: 0 })).toThrow(RangeError);
  });
});

describe('the polariser', () => {
  const sun = { azimuthDeg: 180, altitudeDeg: 0 };
  it.each([
    // P = 0.75·sin²γ/(1 + cos²γ): 0 at the sun; 0.75 at 90°, two stops; 0.25 at 45° (0.375/1.5).
    [180, 0, 0],
    [90, 0.75, 2],
    [225, 0.25, 0.415],
    [0, 0, 0],
  ])('at bearing %d polarises %f and darkens %f stops', (azimuthDeg, polarisation, darker) => {
    const view = polariserView({ sun, look: { azimuthDeg, altitudeDeg: 0 } });
    expect(view.polarisation).toBeCloseTo(polarisation, 6);
    expect(view.skyDarkerEv).toBeCloseTo(darker, 3);
  });
  it('cuts glare at Brewster’s angle: 37° to water, 33° to glass', () => {
    expect(glareAngleDeg('water')).toBeCloseTo(36.9, 1);
    expect(glareAngleDeg('glass')).toBeCloseTo(33.3, 1);
  });
  it('measures angles on the sphere', () => {
    expect(angleBetweenDeg({ azimuthDeg: 10, altitudeDeg: 90 }, { azimuthDeg: 200, altitudeDeg: 0 })).toBeCloseTo(90, 9);
    expect(angleBetweenDeg({ azimuthDeg: 350, altitudeDeg: 0 }, { azimuthDeg: 10, altitudeDeg: 0 })).toBeCloseTo(20, 9);
  });
  it('refuses an altitude over the zenith', () => {
    expect(() => polariserView({ sun: { azimuthDeg: 0, altitudeDeg: 91 }, look: sun })).toThrow(/sun\.altitudeDeg/);
  });
});

describe('cloud by the hour', () => {
  it('is read between the hours along straight lines', () => {
    const hours = Array.from({ length: 24 }, (_, hour) => (hour === 10 ? 1 : 0));
    expect([cloudAt(hours, 600), cloudAt(hours, 630), cloudAt(hours, 570), cloudAt(hours, 1439), cloudAt(0.3, 5)]).toEqual([
      1, 0.5, 0.5, 0, 0.3,
    ]);
  });
  it('goes on to noon of the next day where it has those hours; else the last one holds', () => {
    const evening = Array.from({ length: 24 }, (_, hour) => (hour < 20 ? 0 : 0.8));
    const morning = Array.from({ length: 12 }, (_, hour) => (hour < 2 ? 0.8 : 0.2));
    expect([1439, 1500, 2159].map((minute) => cloudAt(evening, minute))).toEqual([0.8, 0.8, 0.8]);
    expect([1500, 1530, 1560, 2159].map((minute) => Number(cloudAt([...evening, ...morning], minute).toFixed(3)))).toEqual([
      0.8, 0.5, 0.2, 0.2,
    ]);
  });
});
