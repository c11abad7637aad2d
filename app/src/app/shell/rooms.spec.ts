import type { Room } from '../shared/room';
import { barOf, roomAt, ROOMS } from './rooms';
import { routesOf } from './routes';

const page = () =>
  Promise.resolve(
    class {
      readonly isPage = true;
    },
  );
const MADE_UP: Room = {
  path: 'darkroom',
  name: 'Darkroom',
  bar: 'always',
  hasSides: false,
  key: 'x',
  view: page,
  pagesName: 'Pages of the darkroom',
  pages: [
    { path: 'prints', name: 'Prints', load: page },
    { path: 'trays', name: 'Trays', data: { light: 'red' }, load: page },
  ],
};

const namesIn = (rooms: readonly Room[]): string[] => rooms.map(({ name }) => name);

describe('the bar', () => {
  it.each([
    [{ isPhone: false, isRunning: false, hasSides: true }, 'Walk Light Set-up Meter Log', 'Kit'],
    [{ isPhone: false, isRunning: true, hasSides: false }, 'Now Walk Light Set-up Meter Log', 'Kit Card'],
    [{ isPhone: true, isRunning: false, hasSides: false }, 'Card Walk Light Meter Log', 'Set-up Kit'],
    [{ isPhone: true, isRunning: true, hasSides: false }, 'Now Walk Light Meter Log', 'Card Set-up Kit'],
  ])('of %j', (frame, inBar, apart) => {
    const bar = barOf(ROOMS, frame);
    expect([namesIn(bar.rooms).join(' '), namesIn(bar.apart).join(' ')]).toEqual([inBar, apart]);
  });

  it('holds a room that is added to the list, at the table and in the hand', () => {
    const rooms = [...ROOMS, MADE_UP];
    for (const isPhone of [true, false]) {
      expect(namesIn(barOf(rooms, { isPhone, isRunning: false, hasSides: false }).rooms)).toContain('Darkroom');
    }
  });
});

describe('the room of an address', () => {
  it.each([
    ['walk', 'Walk'],
    ['walk/plan', 'Walk'],
    ['walk/before', 'Before setting off'],
    ['light/year', 'Light'],
    ['darkroom/prints', 'Darkroom'],
    ['walker', undefined],
    ['', undefined],
  ])('%s is %s', (address, name) => {
    expect(roomAt([...ROOMS, MADE_UP], address)?.name).toBe(name);
  });
});

describe('the addresses of a room', () => {
  it('are its view, its pages below, and its own to the first of them; its tabs come with it', () => {
    expect(routesOf(MADE_UP)).toMatchObject([
      {
        path: 'darkroom',
        title: 'Darkroom · Roam Dial',
        data: {
          tabsName: 'Pages of the darkroom',
          tabs: [
            { path: '/darkroom/prints', name: 'Prints' },
            { path: '/darkroom/trays', name: 'Trays' },
          ],
        },
        children: [
          { path: '', redirectTo: 'prints' },
          { path: 'prints', data: {} },
          { path: 'trays', data: { light: 'red' } },
        ],
      },
    ]);
  });

  it('stand alone where the room has no view', () => {
    const { view: _, ...alone } = MADE_UP;
    expect(routesOf(alone).map(({ path }) => path)).toEqual(['darkroom/prints', 'darkroom/trays']);
  });

  it('and keys are those of one room alone', () => {
    const paths = ROOMS.flatMap(routesOf).map(({ path }) => path);
    const keys = ROOMS.flatMap(({ key }) => key ?? []);
    expect([new Set(paths).size, new Set(keys).size]).toEqual([paths.length, keys.length]);
  });
});
