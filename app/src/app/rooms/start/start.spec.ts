import { FormControl } from '@angular/forms';
import { shakeShutterLimitS } from '@roam-dial/core/handheld';
import { type Body, DEFAULT_STANDARD, type Lens } from '@roam-dial/core/kit';
import { isWithinReach, roundedPlace } from '@roam-dial/core/plan';
import { cameraFrom, SENSORS } from '../../storage/cameras';
import { zoneAt } from '../../base/zones';
import { demoWorkspace } from '../../../testing/demo';
import { packed } from '../../state/kit/edits';
import { isZone } from '../../fields/zone-field';
import { withinRange, isPlace, numberIn } from './checks';
import { kitChoices, likeliest } from './kit-choices';
import { byCoordinates, byMap, byName, placeText } from './place-chosen';

describe('what is typed to begin a walk', () => {
  it.each([
    ['35', 35],
    [' 1,4 ', 1.4],
    ['.95', 0.95],
    ['12,800', 12800],
    ['f/2', NaN],
    ['', NaN],
    ['1e3', NaN],
    ['1 000', NaN],
  ])('%j is the number %d', (text, number) => expect(numberIn(text)).toBe(number));

  it('says what is wrong with a number', () => {
    const check = withinRange('The focal length', 4, 1200);
    const told = (text: string): unknown => check(new FormControl(text, { nonNullable: true }))?.['between'];
    expect([told('4'), told('1200')]).toEqual([undefined, undefined]);
    expect(told('wide')).toBe('The focal length has to be a number.');
    expect(told('3')).toBe('The focal length has to lie from 4 to 1200.');
  });

  it('takes any zone that can be reckoned with, those of the open sea too, and no place at all', () => {
    const zone = (value: string): unknown => isZone(new FormControl(value))?.['zone'];
    expect([zone('Europe/Rome'), zone('Etc/GMT+11'), zone('')]).toEqual([undefined, undefined, undefined]);
    expect(zone('Rome')).toMatch(/type part of it/);
    expect(isPlace(new FormControl(''))).toBeNull();
    expect(isPlace(new FormControl('96, 0'))?.['place']).toMatch(/beyond the pole/);
  });
});

describe('where a walk begins', () => {
  it('is the middle of its map, the coordinates, or a made-up place', () => {
    const footprint = [
      [0, 0],
      [100, 0],
      [100, 200],
    ] as const;
    const district = {
      id: 'd',
      name: '',
      origin: { latitude: 0, longitude: 0 },
      buildings: [{ id: 'b', footprint, heightM: 9, heightSource: 'given' as const }],
      trees: [],
      waters: [],
    };
    const map = byMap(district);
    // 50 m and 100 m of 111,195.08 m a degree.
    expect(map).toMatchObject({ name: 'My map', place: { latitude: 0.0008993, longitude: 0.0004497 } });
    expect(byCoordinates({ latitude: 1.23456789, longitude: -2 }, 'device')).toMatchObject({
      name: 'Where I was',
      place: { latitude: 1.2345679, longitude: -2 },
    });
    expect([byName('Orrel')?.timeZone, byName('Nowhere')]).toEqual(['Atlantic/Azores', null]);
    expect(placeText({ latitude: -40.5, longitude: 11.257 })).toBe('40.5000° S, 11.2570° E');
    expect(roundedPlace({ latitude: 0.123456789, longitude: 0 }).latitude).toBe(0.1234568);
  });
  it('has its zone from a table, on land and at sea, at both ends of the world', async () => {
    expect(await zoneAt({ latitude: 46.5, longitude: -20.7 })).toMatch(/^Etc\/GMT\+1$|^Atlantic\//);
    expect(await zoneAt({ latitude: -40.5, longitude: -171.25 })).toBe('Etc/GMT+11');
    for (const latitude of [-90, 90]) expect(typeof (await zoneAt({ latitude, longitude: 180 }))).toBe('string');
  });
});

describe('what to go out with', () => {
  const demo = demoWorkspace().kit;
  const [body, lens] = cameraFrom(
    { ...SENSORS[2], focalLengthMm: 28, widestFNumber: 2.8, isStabilised: false, highestIso: 6400 },
    'mine',
    'my-lens',
  );
  const own = [...demo, body, lens].filter((item) => item !== undefined);
  it('is one’s own, the newest first, the demo’s apart', () => {
    expect(kitChoices(own, 'body')).toMatchObject({ own: [{ id: 'mine' }], demo: [{ id: 'demo-body' }, { id: 'demo-film-body' }] });
    expect([likeliest(own, 'body'), likeliest(own, 'lens')]).toEqual(['mine', 'my-lens']);
    expect(likeliest(demo, 'body')).toBe('demo-body');
    expect(likeliest([], 'lens')).toBeNull();
  });
  it('goes into the bag before all others, and the demo’s stays at home', () => {
    const kit = packed(own, ['mine', 'my-lens']);
    expect(kit.filter(({ inBag }) => inBag).map(({ id }) => id)).toEqual(['mine', 'my-lens']);
    expect(kit).toHaveLength(own.length);
    expect(packed(demo, ['demo-body']).filter(({ inBag }) => inBag)).toHaveLength(demo.filter(({ inBag }) => inBag).length);
  });
});

describe('a camera in four answers', () => {
  const made = (over: Partial<Parameters<typeof cameraFrom>[0]>): { body: Body; lens: Lens } => {
    const answers = { ...SENSORS[2], focalLengthMm: 35, widestFNumber: 2, isStabilised: false, highestIso: 6400, ...over };
    const [body, lens] = cameraFrom(answers, 'b', 'l');
    return { body: body as Body, lens: lens as Lens };
  };
  it('is a body and its lens, in the bag, named by what they are', () => {
    const { body, lens } = made({ focalLengthMm: 50, widestFNumber: 1.4 });
    expect(lens).toMatchObject({
      name: '50 f/1.4',
      inBag: true,
      widest: [{ focalLengthMm: 50, fNumber: 1.4 }],
      closestFocusM: 0.45,
    });
    expect(body).toMatchObject({ inBag: true, sensorWidthMm: 36, highestIso: 6400, stabiliserStops: 0 });
    expect(isWithinReach({ focalLengthMm: 50 }, { subject: { nearM: 0.45, farM: 5, medianM: 1, spread: 0.2 } })).toBe(true);
  });
  it('holds three stops longer when it is stabilised', () => {
    const limit = ({ body }: { body: Body }): number =>
      shakeShutterLimitS({
        focalLengthMm: 35,
        cropFactor: 1,
        stabiliserStops: body.stabiliserStops,
        steadinessStops: DEFAULT_STANDARD.steadinessStops,
      });
    expect(limit(made({ isStabilised: true })) / limit(made({}))).toBeCloseTo(8, 9);
  });
  it('can be closed as far as its widest at least', () => {
    expect(made({ widestFNumber: 22 }).lens.smallestFNumber).toBe(22);
  });
});
