import type { WindowReason } from '@roam-dial/core/stop';
import { reasonWords, WINDOW_WORDS, windowSpan } from './windows';
import { nameOf } from './name';
import {
  bearingCodec,
  clockCodec,
  type Codec,
  distanceCodec,
  entryCodec,
  listCodec,
  numberCodec,
  optional,
  percentCodec,
} from '../fields/codec';
import { Wording } from './wording';

const metric = new Wording({ lengthUnit: 'metres', clock: '24h' });
const imperial = new Wording({ lengthUnit: 'feet', clock: '12h' });

function read<Value>(codec: Codec<Value>, text: string): Value | string {
  const parsed = codec.parse(text);
  return parsed.ok ? parsed.value : parsed.message;
}

describe('wording', () => {
  it.each([
    [metric.clock(936), '15:36'],
    [imperial.clock(936), '3:36 pm'],
    [imperial.clock(0), '12:00 am'],
    [imperial.clock(720), '12:00 pm'],
    [metric.hour(360), '6:00'],
    [imperial.hour(1200), '8 pm'],
    [metric.range(2.06, 5.38), '2.1 to 5.4 m'],
    [metric.range(3.5, Infinity), '3.5 m to ∞'],
    [imperial.range(1.8288, 3.048), '6 ft to 10 ft'],
    [metric.distance(19.33), '19.3 m'],
    [metric.strides(3, 0.75), '4 strides'],
    [metric.strides(0.5, 0.75), '⅔ stride'],
    [metric.strides(Infinity, 0.75), ''],
    [metric.duration(30), '30 min'],
    [metric.duration(150), '2 h 30 min'],
    [metric.walkLength(2746), '2.7 km'],
    [metric.walkLength(34), '30 m'],
    [metric.walkLength(944), '940 m'],
    [metric.walkLength(951), '1.0 km'],
    [imperial.walkLength(120), '400 ft'],
    [imperial.walkLength(2746), '1.7 mi'],
    [metric.ev(11.41), '11⅓'],
    [metric.ev(-2), '−2'],
    [metric.chance(0.9999), 'over 99 %'],
    [metric.chance(0.875), '88 %'],
    [metric.day('2027-03-13'), 'Sat 13 March'],
    [metric.shutter(Infinity, 'third'), 'any time'],
  ])('%s', (said, expected) => expect(said).toBe(expected));
});

describe('fields', () => {
  it.each([
    [1.99, 1, 2],
    [2, 1, 2.1],
    [1.99, -1, 1.9],
    [2, -1, 1.9],
    [0.06, -1, 0.05],
  ] as const)('step a distance of %d m by %d to %d, on the tenths', (from, direction, to) => {
    expect(distanceCodec('metres').step?.(from, direction)).toBeCloseTo(to, 9);
  });

  it('read times of day as people write them', () => {
    const clock = clockCodec('24h', (minute) => metric.clock(minute));
    expect(['15:36', '1536', '15.36', '9', '3:36 pm', '12 am', '12pm'].map((text) => read(clock, text))).toEqual([
      936, 936, 936, 540, 936, 0, 720,
    ]);
    expect(read(clock, '25:00')).toContain('not a time of day; try 15:36');
    expect(read(clock, 'noon')).toContain('not a time of day');
    expect(clock.step?.(938, 1)).toBe(943);
    expect(clock.step?.(1438, 1)).toBe(1439);
  });

  it('read bearings and points of the compass', () => {
    expect(['240', 'SW', '-10', '370°'].map((text) => read(bearingCodec(), text))).toEqual([240, 225, 350, 10]);
    expect(read(bearingCodec(), 'left')).toContain('try 240 or SW');
    expect(bearingCodec().step?.(0, -1)).toBe(359);
  });

  it('keep numbers within their range and say the range', () => {
    const speed = numberCodec({ low: 0, high: 30, unit: 'm/s', step: 0.1 });
    expect(read(speed, '1,4 m/s')).toBe(1.4);
    expect(read(speed, '50')).toBe('must be from 0 to 30');
    expect(read(speed, 'fast')).toContain('is not a number');
    expect(read(speed, '')).toContain('is not a number');
    expect(speed.step?.(0.05, -1)).toBe(0);
    // 40 m/s is legal in a file: more of it is never less.
    expect([speed.step?.(40, 1), speed.step?.(40, -1), speed.step?.(29.95, 1)]).toEqual([40, 30, 30]);
    expect(read(speed, '1,500')).toContain('could be 1.500 or 1500');
    expect(read(numberCodec({ low: 100, high: 100_000, decimals: 0 }), '6,000')).toBe(6000);
  });

  it('show shares in per cent', () => {
    expect(read(percentCodec(), '15 %')).toBeCloseTo(0.15, 9);
    expect(percentCodec().format(0.15)).toBe('15');
    expect(read(percentCodec(), '120')).toBe('must be from 0 to 100');
  });

  it('step by marks, a shutter towards faster', () => {
    const aperture = entryCodec({ kind: 'aperture', step: 'third' });
    expect(aperture.format(aperture.step?.(2 ** 2.5, 1) ?? 0)).toBe('f/6.3');
    const shutter = entryCodec({ kind: 'shutter', step: 'third' });
    expect(shutter.format(shutter.step?.(2 ** -8, 1) ?? 0)).toBe('1/320');
    const stops = entryCodec({ kind: 'stops', step: 'half' }, { low: -3, high: 3 });
    expect(stops.format(stops.step?.(-0.5, 1) ?? 9)).toBe('0');
    expect(stops.step?.(3, 1)).toBe(3);
  });

  it('refuse what is outside the range of the thing', () => {
    expect(read(entryCodec({ kind: 'iso', step: 'third' }, { low: 100, high: 6400 }), '12800')).toBe('must be from 100 to 6400');
    expect(read(distanceCodec('metres', { low: 0.3, high: 50 }), '0.1')).toContain('must be from 0.3 m to 50 m');
  });

  it('may be empty where that means something', () => {
    const focal = optional(numberCodec({ low: 28, high: 28 }));
    expect(read(focal, ' ')).toBeNull();
    expect(focal.format(null)).toBe('');
    expect(read(focal, 'x')).toContain('not a number');
  });

  it('read lists, sorted and without repeats', () => {
    const distances = listCodec(distanceCodec('metres'), { allowEmpty: true });
    expect(read(distances, '3; 1; inf; 3')).toEqual([1, 3, Infinity]);
    for (const engraved of ['0.5 0.7 1 1.5 2 3 5 inf', '0.5, 0.7, 1, 1.5, 2, 3, 5, ∞', '0.5 m 0.7 m 1 m 1.5 m 2 m 3 m 5 m inf']) {
      expect([engraved, read(distances, engraved)]).toEqual([engraved, [0.5, 0.7, 1, 1.5, 2, 3, 5, Infinity]]);
    }
    expect(read(distances, `6' 6"`)).toEqual([expect.closeTo(1.9812, 4)]);
    expect(read(distances, '0,7 1,5')).toEqual([0.7, 1.5]);
    expect(distances.format([1, 3, Infinity])).toBe('1 m; 3 m; ∞');
    expect(read(distances, '')).toEqual([]);
    expect(read(distances, '1; far')).toContain('“far” is not a distance');
    expect(read(listCodec(distanceCodec('metres'), { allowEmpty: false }), '')).toBe('needs at least one value');
  });
});

describe('a name', () => {
  it.each([
    ['Orrel Steps', 'Orrel Steps'],
    ['', 'Unnamed stop'],
    [' \u00a0\u200b\u200d\u3000', 'Unnamed stop'],
    ['\u200b4\u200b', '\u200b4\u200b'],
    ['…', '…'],
  ])('%j reads %j', (name, read) => expect(nameOf({ name })).toBe(read));
});

describe('windows in words', () => {
  const wording = new Wording({ lengthUnit: 'metres', clock: '24h' });
  it('names walls only where they are known', () => {
    expect(reasonWords('sunGap', true)).toEqual({ opens: 'the sun clears the walls', closes: 'a wall takes the sun' });
    expect(reasonWords('sunGap', false)).toEqual({ opens: 'the sun comes up', closes: 'the sun goes down' });
    for (const reason of Object.keys(WINDOW_WORDS) as WindowReason[]) {
      const { opens, closes } = reasonWords(reason, false);
      // These three are said of a wall that is known, or of its absence.
      if (!['noWall', 'incidence', 'squareOn'].includes(reason)) expect(`${opens} ${closes}`).not.toMatch(/wall/);
    }
  });
  it('says which light a window is where a stop has both', () => {
    expect(windowSpan({ fromMin: 600, toMin: 615 }, wording)).toBe('10:00 to 10:15');
    expect(windowSpan({ fromMin: 600, toMin: 615, label: 'shade' }, wording)).toBe('10:00 to 10:15 in the shade');
  });
});
