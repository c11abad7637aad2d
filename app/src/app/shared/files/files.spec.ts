import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { readGpx, setUpLine, writeGpx } from '@roam-dial/core/formats/walkFiles';
import { metresFrom } from '@roam-dial/core/streets';
import { stopsToday, type Walk, walkLegs } from '@roam-dial/core/walk';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import { Wording } from '../../words/wording';
import { cardsOfDay, fieldCard, fileWalk } from './file-walk';
import { fileName } from './file-actions';

const WORDING = new Wording(DEFAULT_SETTINGS);
const WORKSPACE = demoWorkspace();
const [WALK] = WORKSPACE.walks as [Walk];

describe('a walk as it is filed', () => {
  const days = new Map([['vessen', demoDay(WORKSPACE, 'vessen')]]);
  const walk: Walk = { ...WALK, stops: WALK.stops.map((stop) => (stop.id === 'orrel' ? { ...stop, isSetAside: true } : stop)) };
  const cards = cardsOfDay(WORKSPACE, walk, days);
  const legs = walkLegs(stopsToday(walk), WORKSPACE.standard.paceMps);
  const filed = fileWalk(walk, cards, days, legs, null, WORDING);

  it('has the stops of the day with their cards at their arrival, without those set aside', () => {
    expect(filed.stops.map(({ stop }) => stop.id)).not.toContain('orrel');
    expect(filed.stops).toHaveLength(7);
    const vessen = filed.stops.find(({ stop }) => stop.id === 'vessen');
    if (vessen === undefined) throw new Error('no hall');
    expect(setUpLine(vessen)).toMatch(/^f\/7\.1, 3 m \(in focus 1\.7 to 12\.4 m\), 1\/500 or faster, ISO 100–6400, /);
    expect(vessen.windows.length).toBeGreaterThan(0);
    expect(vessen.course).toHaveLength(2);
    expect(vessen.walkMin).toBe(legs[2]?.walkMin);
  });

  it('goes along the streets where a way has been found', () => {
    const origin = WORKSPACE.districts[0]?.origin;
    const [from, to] = stopsToday(walk);
    if (origin === undefined || from?.position == null || to?.position == null) throw new Error('no map');
    const points = [from.position, to.position].map((place) => {
      const { eastM, northM } = metresFrom(origin, place);
      return [eastM, northM] as const;
    });
    const way = { points: [points[0], [0, 0], points[1]] as never, lengthM: 500, stepsM: 0 };
    const along = [{ ...legs[0], course: { kind: 'streets', way } }, ...legs.slice(1)] as typeof legs;
    const { stops } = fileWalk(walk, cards, days, along, origin, WORDING);
    expect(stops[1]?.course[1]?.latitude).toBeCloseTo(origin.latitude, 9);
    const read = readGpx(writeGpx(fileWalk(walk, cards, days, along, origin, WORDING)));
    expect(read.ok ? read.gpx.routes[0] : null).toHaveLength(8);
  });

  it('of a stop without a camera has no numbers, and still a card', () => {
    const bare = cardsOfDay({ ...WORKSPACE, kit: [] }, walk, days);
    const without = fileWalk(walk, bare, days, legs, null, WORDING);
    expect(without.stops.every(({ setUp }) => setUp === null)).toBe(true);
    const card = fieldCard(walk, without.stops[0] as never, 1, null, null, WORDING);
    expect(card).toMatchObject({ number: '1', numbers: [], ladder: [], when: '05:40 to 06:10 · Bright backdrop at night' });
  });
});

describe('a file’s name', () => {
  it.each([
    ['Sluice to arcade', 'sluice-to-arcade.gpx'],
    ['  ../../Ступени: "Όρρελ" ', 'ступени-όρρελ.gpx'],
    ['???', 'walk.gpx'],
    ['x'.repeat(200), `${'x'.repeat(60)}.gpx`],
  ])('%j', (name, file) => {
    expect(fileName(name, 'gpx')).toBe(file);
  });
});
