import { clockCodec } from '../../fields/codec';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readArchive } from '@roam-dial/core/formats/reading';
import { type Body, KIT_KINDS, type KitItem, type Lens } from '@roam-dial/core/kit';
import { newKitItem } from '../../storage/defaults';
import type { ExplainedField, KitContext } from './field-spec';
import { fieldsFor } from './fields';

const METRES: KitContext = {
  lengthUnit: 'metres',
  clock: clockCodec('24h', String),
  films: [{ value: 'roll', label: 'Roll' }],
};

function demoKit(): readonly KitItem[] {
  const read = readArchive(readFileSync(join(__dirname, '../../../../public/demo.json'), 'utf8'));
  if (!read.ok) throw new Error(read.message);
  return read.archive.kit;
}
const KIT = demoKit();
const BODY = KIT.find(({ kind }) => kind === 'body') as Body;
const ZOOM = KIT.find(({ id }) => id === 'demo-zoom') as Lens;

function field(item: KitItem, label: string): ExplainedField<KitItem> {
  const found = fieldsFor(item, METRES).find((one) => one.label === label);
  if (found === undefined) throw new Error(`no field ${label}`);
  return found;
}
/** Types text into a field: the changed item, or what it says. */
function type(item: KitItem, label: string, text: string, context = METRES): KitItem | string {
  const found = field(item, label);
  if (found.kind !== 'value') throw new Error(`${label} is no text field`);
  const parsed = found.codec(item, context).parse(text);
  return parsed.ok ? found.write(item, parsed.value) : parsed.message;
}
function shown(item: KitItem, label: string, context = METRES): string {
  const found = field(item, label);
  if (found.kind !== 'value') throw new Error(`${label} is no text field`);
  return found.codec(item, context).format(found.read(item));
}

describe('every field of every thing', () => {
  const items = [...KIT, ...KIT_KINDS.map((kind) => newKitItem(kind, kind, 'half'))];
  it('reads back what it shows, and leaves the thing as it was', () => {
    for (const item of items) {
      for (const one of fieldsFor(item, METRES)) {
        if (one.kind !== 'value') continue;
        const codec = one.codec(item, METRES);
        const parsed = codec.parse(codec.format(one.read(item)));
        expect([item.name, one.label, parsed.ok]).toEqual([item.name, one.label, true]);
        if (!parsed.ok) continue;
        const again = one.write(item, parsed.value);
        expect([one.label, codec.format(one.read(again))]).toEqual([one.label, codec.format(one.read(item))]);
      }
    }
  });

  it('survives nonsense with a message', () => {
    for (const item of items) {
      for (const one of fieldsFor(item, METRES)) {
        if (one.kind !== 'value') continue;
        const parsed = one.codec(item, METRES).parse('a green bicycle: 7;;');
        expect([one.label, parsed.ok]).toEqual([one.label, false]);
        if (!parsed.ok) expect(parsed.message.length).toBeGreaterThan(8);
      }
    }
  });

  it('offers what is chosen among its choices, and says what each field does', () => {
    for (const item of items) {
      for (const one of fieldsFor(item, METRES)) {
        expect(one.effect.length).toBeGreaterThan(8);
        if (one.kind === 'choice' && item.kind !== 'body') {
          expect(one.choices(METRES, item).map(({ value }) => value)).toContain(one.read(item));
        }
      }
    }
  });
});

describe('bodies', () => {
  it('a film body shows its roll and hides what only a sensor has', () => {
    const film = KIT.find(({ id }) => id === 'demo-film-body') as Body;
    const labels = fieldsFor(film, METRES).map(({ label }) => label);
    expect(labels).toContain('Roll in it');
    expect(labels).not.toContain('Base ISO');
    expect(fieldsFor(BODY, METRES).map(({ label }) => label)).not.toContain('Roll in it');
  });

  it('keeps base under the highest and fast before slow', () => {
    expect(type(BODY, 'Base ISO', '102400')).toBe('must not be above the highest');
    expect(type(BODY, 'Fastest shutter', '60 s')).toBe('must not be longer than the slowest');
    expect(type(BODY, 'Highest ISO', '50')).toBe('must not be below base');
  });

  it('asks what Start asks first, and takes the size of the frame by its name', () => {
    const main = fieldsFor(BODY, METRES).flatMap(({ label, isRare }) => (isRare === true ? [] : [label]));
    expect(main).toEqual(['Sensor or film', 'Records on', 'Highest ISO', 'Stabiliser']);
    const sensor = field(BODY, 'Sensor or film');
    if (sensor.kind !== 'choice') throw new Error('a choice');
    expect(sensor.write(BODY, '17.3 × 13 mm')).toMatchObject({ sensorWidthMm: 17.3, sensorHeightMm: 13 });
    expect(sensor.read({ ...BODY, sensorWidthMm: 30 })).toBe('own');
  });

  it('reads the offered slowest-auto shutters as a span of marks', () => {
    expect(shown(BODY, 'Slowest auto shutter from')).toBe('1/2000 to 1 s');
    const some = type(BODY, 'Slowest auto shutter from', '1/60 to 1/250') as Body;
    expect(some.slowestAutoShuttersS).toHaveLength(7);
    expect(shown(some, 'Slowest auto shutter from')).toBe('1/250 to 1/60');
    expect((type(BODY, 'Slowest auto shutter from', 'none') as Body).slowestAutoShuttersS).toEqual([]);
    expect(type(BODY, 'Slowest auto shutter from', 'fast')).toBe('write 1/2000 to 1 s, or none');
  });

  it('offers the same span in halves when the body is marked in halves', () => {
    const marked = field(BODY, 'Marked in');
    const halves = marked.kind === 'choice' ? (marked.write(BODY, 'half') as Body) : BODY;
    expect(halves.markStep).toBe('half');
    expect(halves.slowestAutoShuttersS).toHaveLength(23); // eleven stops of halves, both ends
    expect(shown(halves, 'Slowest auto shutter from')).toBe('1/2000 to 1 s');
  });

  it('reads meter patterns by their first letters', () => {
    const body = type(BODY, 'Meter patterns', 'spot; whole') as Body;
    expect(body.meterPatterns).toEqual(['spot', 'wholeFrame']);
    expect(type(BODY, 'Meter patterns', 'matrix')).toContain('use whole frame; centre-weighted');
    expect(type(BODY, 'Meter patterns', '')).toContain('use whole frame');
  });

  it('may leave empty what a body need not have', () => {
    expect((type(BODY, 'Electronic readout', '') as Body).readoutS).toBeNull();
    expect((type(BODY, 'Magnified view shows to', 'f8') as Body).liveViewSmallestFNumber).toBe(8);
  });
});

describe('lenses', () => {
  it('writes a zoom’s widest apertures as a small table on one line', () => {
    expect(shown(ZOOM, 'Widest aperture')).toBe('35: f/3.5; 70: f/4; 105: f/4.5');
    const faster = type(ZOOM, 'Widest aperture', '105: f4; 35: 2.8') as Lens;
    expect(faster.widest.map(({ focalLengthMm }) => focalLengthMm)).toEqual([35, 105]);
    expect(shown(faster, 'Widest aperture')).toBe('35: f/2.8; 105: f/4');
    expect(type(ZOOM, 'Widest aperture', '35: f/45')).toBe('opens no wider than it closes');
    expect(type(ZOOM, 'Widest aperture', '')).toContain('35: f/3.5; 105: f/4.5');
  });
  it.each(['f/3.5-5.6', '1:3.5-5.6', 'f3.5–5.6', '3,5 - 5,6'])('reads %j as it is engraved: the widest at both ends', (text) => {
    const engraved = type(ZOOM, 'Widest aperture', text) as Lens;
    expect(shown(engraved, 'Widest aperture')).toBe('35: f/3.5; 105: f/5.6');
  });

  it('reads engraved distances and the measured throw in the person’s units', () => {
    const marked = type(ZOOM, 'Engraved distances', '1; 3; inf') as Lens;
    expect(marked.engravedDistancesM).toEqual([1, 3, Infinity]);
    const feet = type(ZOOM, 'Engraved distances', '5; 10', { ...METRES, lengthUnit: 'feet' }) as Lens;
    expect(feet.engravedDistancesM[0]).toBeCloseTo(1.524, 9);
    const measured = type(ZOOM, 'Measured throw', '3 m: 83; 1 m: 62; ∞: 94') as Lens;
    expect(measured.throwPoints).toEqual([
      { distanceM: 1, degrees: 62 },
      { distanceM: 3, degrees: 83 },
      { distanceM: Infinity, degrees: 94 },
    ]);
    expect(type(ZOOM, 'Measured throw', '3 m: far')).toBe('write 1 m: 62; 3 m: 83');
  });

  it('keeps the short end short', () => {
    expect(type(ZOOM, 'Focal length from', '200')).toBe('must not be longer than the long end');
    expect(type(ZOOM, 'Smallest aperture', 'f/2')).toBe('must be smaller than the widest');
  });
});
