import fc from 'fast-check';
import {
  type EntryKind,
  formatEntry,
  isSameValue,
  markedBetween,
  type MarkedQuantity,
  marksOf,
  parseEntry,
  snapStops,
  snapToMark,
  STOP_STEPS,
  type StopStep,
} from './index.js';

const entry = (kind: EntryKind['kind'], step: StopStep = 'third'): EntryKind =>
  kind === 'distance' ? { kind, unit: 'metres' } : ({ kind, step } as EntryKind);

function read(text: string, kind: EntryKind): number {
  const parsed = parseEntry(text, kind);
  if (!parsed.ok) throw new Error(parsed.message);
  return parsed.value;
}

describe('marked series', () => {
  it.each([
    ['aperture', 'third', '5.6', 2 ** 2.5],
    ['aperture', 'third', '13', 2 ** (22 / 6)],
    ['aperture', 'half', '13', 2 ** (15 / 4)],
    ['aperture', 'half', '6.7', 2 ** (11 / 4)],
    ['aperture', 'full', '22', 2 ** 4.5],
    ['shutter', 'third', '1/125', 2 ** -7],
    ['shutter', 'third', '1/400', 2 ** (-26 / 3)],
    ['shutter', 'third', '30', 32],
    ['shutter', 'half', '1/45', 2 ** -5.5],
    ['shutter', 'half', '1/180', 2 ** -7.5],
    ['iso', 'third', '1250', 100 * 2 ** (11 / 3)],
    ['iso', 'half', '140', 100 * 2 ** 0.5],
    ['iso', 'full', '6', 6.25],
  ] as const)('%s in %s stops: %s stands for %d', (quantity, step, name, exact) => {
    expect(marksOf(quantity, step).find((mark) => mark.name === name)?.exact).toBeCloseTo(exact, 9);
  });

  it('has customary names within a ninth of a stop of what they stand for', () => {
    const numeric = (name: string): number => (name.startsWith('1/') ? 1 / Number(name.slice(2)) : Number(name));
    for (const quantity of ['aperture', 'shutter', 'iso'] as const) {
      for (const step of STOP_STEPS) {
        for (const { name, exact } of marksOf(quantity, step)) {
          const stops = Math.log2(numeric(name) / exact) * (quantity === 'aperture' ? 2 : 1);
          expect([name, Math.abs(stops) < 0.26]).toEqual([name, true]);
        }
      }
    }
  });

  it('keeps a lens end that is off the series', () => {
    const marks = markedBetween('aperture', 'third', 1.7, 4);
    expect(marks[0]).toBe(1.7);
    expect(marks[1]).toBeCloseTo(2 ** (5 / 6), 9); // f/1.8
    expect(marks.at(-1)).toBe(4);
    expect(markedBetween('aperture', 'third', 2, 2)).toEqual([2]);
  });
});

describe('the same value', () => {
  it.each([
    [0.5, Infinity, false],
    [Infinity, 0.5, false],
    [Infinity, Infinity, true],
    [-Infinity, Infinity, false],
    [0.5, 0.5 * (1 + 1e-10), true],
    [0.5, 0.5 * (1 + 1e-8), false],
    [0, 0, true],
  ])('%d and %d: %s', (a, b, same) => {
    expect(isSameValue(a, b)).toBe(same);
  });
});

describe('snapping', () => {
  const marks = [1, 2, 4, 8];
  it.each([
    [3, 'up', 4],
    [3, 'down', 2],
    [2.9, 'nearest', 4],
    [2.8, 'nearest', 2],
    [4 * (1 + 1e-12), 'up', 4],
    [9, 'up', null],
    [0.5, 'down', null],
    [9, 'nearest', 8],
  ] as const)('%d %s is %s', (value, direction, expected) => {
    expect(snapToMark({ value, marks, direction })).toBe(expected);
  });

  it('snaps stops to thirds and halves', () => {
    expect(snapStops(-1.298, 3)).toBeCloseTo(-4 / 3, 12);
    expect(snapStops(0.63, 2)).toBe(0.5);
    expect(Object.is(snapStops(-0.1, 3), 0)).toBe(true);
  });
});

describe('reading what people type', () => {
  it('names both ways of reading a distance with a comma before three figures', () => {
    const read = parseEntry('1,500 m', { kind: 'distance', unit: 'metres' });
    expect(read).toEqual({ ok: false, message: '“1,500 m” could be 1.500 m or 1500 m; type it without the comma' });
    expect(parseEntry('1,5 m', { kind: 'distance', unit: 'metres' })).toEqual({ ok: true, value: 1.5 });
    expect(parseEntry('0,125 m', { kind: 'distance', unit: 'metres' })).toEqual({ ok: true, value: 0.125 });
  });
  it.each([
    ['1/250', 'shutter', 2 ** -8],
    ['250', 'shutter', 2 ** -8],
    [' 1 / 250 s', 'shutter', 2 ** -8],
    ['2', 'shutter', 0.5],
    ['1', 'shutter', 1],
    ['0.4', 'shutter', 2 ** (-4 / 3)],
    ['0,4', 'shutter', 2 ** (-4 / 3)],
    ['0.4s', 'shutter', 2 ** (-4 / 3)],
    ['2"', 'shutter', 2],
    ['2.0', 'shutter', 2],
    ['15s', 'shutter', 16],
    ['15', 'shutter', 2 ** -4],
    ['1/300', 'shutter', 1 / 300],
    ['f8', 'aperture', 8],
    ['F/5.6', 'aperture', 2 ** 2.5],
    ['5,6', 'aperture', 2 ** 2.5],
    ['12,800', 'iso', 12800],
    ['1,600', 'iso', 1600],
    ['1/4,000', 'shutter', 2 ** -12],
    ['4,000', 'shutter', 2 ** -12],
    ['1/1,000', 'shutter', 2 ** -10],
    ['0,125 s', 'shutter', 2 ** -3],
    ['1.7', 'aperture', 1.7],
    ['ISO 400', 'iso', 400],
    ['1250', 'iso', 100 * 2 ** (11 / 3)],
    ['2m', 'distance', 2],
    ['2', 'distance', 2],
    ['150 cm', 'distance', 1.5],
    ['6ft', 'distance', 1.8288],
    ['6\'6"', 'distance', 1.9812],
    ['6′', 'distance', 1.8288],
    ['inf', 'distance', Infinity],
    ['∞', 'distance', Infinity],
    ['+2/3', 'stops', 2 / 3],
    ['-1 1/3', 'stops', -4 / 3],
    ['−1⅓', 'stops', -4 / 3],
    ['0.7', 'stops', 2 / 3],
    ['+1.3', 'stops', 4 / 3],
    ['0', 'stops', 0],
    ['EV 11 1/3', 'ev', 34 / 3],
    ['-2', 'ev', -2],
  ] as const)('%s as %s', (text, kind, value) => {
    expect(read(text, entry(kind))).toBeCloseTo(value, 12);
  });

  it('reads the same keys by the field and its series', () => {
    expect(read('13', entry('aperture', 'third'))).not.toBeCloseTo(read('13', entry('aperture', 'half')), 2);
    expect(read('2', { kind: 'distance', unit: 'feet' })).toBeCloseTo(0.6096, 9);
    expect(read('2m', { kind: 'distance', unit: 'feet' })).toBe(2);
  });

  it.each([
    ['blue', 'shutter', 'is not a shutter time; try 1/250, 250, 0.4 s or 2"'],
    ['1/0', 'shutter', 'not above zero'],
    ['f/', 'aperture', 'is not an aperture'],
    ['0', 'aperture', 'not above zero'],
    ['-400', 'iso', 'is not an ISO'],
    ['two metres', 'distance', 'is not a distance'],
    ['0', 'distance', 'not above zero'],
    ['1/3/2', 'stops', 'is not a number of stops'],
    ['1/0', 'stops', 'is not a number of stops'],
    ['99', 'ev', 'outside what a meter reads'],
    ['', 'iso', 'nothing entered'],
  ] as const)('says what is wrong with %j as %s', (text, kind, message) => {
    const parsed = parseEntry(text, entry(kind));
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.message).toContain(message);
  });

  it('survives any text', () => {
    const kinds = ['aperture', 'shutter', 'iso', 'distance', 'stops', 'ev'] as const;
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...kinds), (text, kind) => {
        const parsed = parseEntry(text, entry(kind));
        if (parsed.ok) expect(parsed.value).not.toBeNaN();
        else expect(parsed.message.length).toBeGreaterThan(5);
      }),
    );
  });
});

describe('writing', () => {
  it.each([
    [2 ** -8, 'shutter', '1/250'],
    [2 ** (-4 / 3), 'shutter', '0.4 s'],
    [32, 'shutter', '30 s'],
    [1 / 300, 'shutter', '1/300'],
    [2 ** 2.5, 'aperture', 'f/5.6'],
    [1.7, 'aperture', 'f/1.7'],
    [100 * 2 ** (11 / 3), 'iso', '1250'],
    [3, 'distance', '3 m'],
    [1.601, 'distance', '1.6 m'],
    [Infinity, 'distance', '∞'],
    [-4 / 3, 'stops', '−1⅓'],
    [2 / 3, 'stops', '+⅔'],
    [-0.001, 'stops', '0'],
    [34 / 3, 'ev', '11⅓'],
  ] as const)('%d as %s is %s', (value, kind, text) => {
    expect(formatEntry(value, entry(kind))).toBe(text);
  });

  it.each([
    [1.9812, '6\'6"'],
    [1.8288, '6 ft'],
    [30.48, '100 ft'],
    [0.2032, '8"'],
  ])('%d m in feet is %s', (value, text) => {
    expect(formatEntry(value, { kind: 'distance', unit: 'feet' })).toBe(text);
  });

  it('parse(format(x)) = x for every mark of every series', () => {
    for (const quantity of ['aperture', 'shutter', 'iso'] as const satisfies readonly MarkedQuantity[]) {
      for (const step of STOP_STEPS) {
        for (const { exact } of marksOf(quantity, step)) {
          const kind = { kind: quantity, step } as const;
          expect(read(formatEntry(exact, kind), kind)).toBe(exact);
        }
      }
    }
    for (const step of STOP_STEPS) {
      const perStop = { full: 1, half: 2, third: 3 }[step];
      for (let k = -15; k <= 15; k++) {
        expect(read(formatEntry(k / perStop, { kind: 'stops', step }), { kind: 'stops', step })).toBe(k / perStop);
      }
    }
  });

  it('format(parse(format(x))) = format(x) for all x', () => {
    const size = fc.double({ min: Math.log(1e-5), max: Math.log(1e5), noNaN: true }).map(Math.exp);
    const kinds: EntryKind[] = STOP_STEPS.flatMap((step) => [
      { kind: 'aperture', step },
      { kind: 'shutter', step },
      { kind: 'iso', step },
    ]);
    kinds.push({ kind: 'distance', unit: 'metres' }, { kind: 'distance', unit: 'feet' });
    const signed = fc.double({ min: -11, max: 11, noNaN: true });
    const check = (value: number, kind: EntryKind): void => {
      const text = formatEntry(value, kind);
      expect(formatEntry(read(text, kind), kind)).toBe(text);
    };
    fc.assert(fc.property(size, fc.constantFrom(...kinds), check), { numRuns: 3000 });
    const stops: EntryKind[] = STOP_STEPS.flatMap((step) => [
      { kind: 'stops', step },
      { kind: 'ev', step },
    ]);
    fc.assert(fc.property(signed, fc.constantFrom(...stops), check), { numRuns: 2000 });
  });
});
