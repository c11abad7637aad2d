import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ARCHIVE_VERSION, shippedArchive } from '@roam-dial/core/formats/archive';
import { readArchive } from '@roam-dial/core/formats/reading';
import type { Place } from '@roam-dial/core/light';
import { streetAt } from '@roam-dial/core/plan';
import type { LightWindow, Stop, StopDay } from '@roam-dial/core/stop';
import { metresFrom, type Point, wayNetwork } from '@roam-dial/core/streets';
import { walkLegs } from '@roam-dial/core/walk';
import { demoDay, demoWorkspace } from '../../../testing/demo';

const WORKSPACE = demoWorkspace();
const dayOf = (stopId: string): StopDay => {
  const day = demoDay(WORKSPACE, stopId);
  if (day === null) throw new Error(`no day at ${stopId}`);
  return day;
};
const clock = (text: string): number => Number(text.slice(0, 2)) * 60 + Number(text.slice(3));

type Expected = readonly [from: string, to: string, opens: LightWindow['opens'], closes: LightWindow['closes']];

/** core/reference/town-sheet.md, 1 to 8. */
const SHEET: Readonly<Record<string, readonly Expected[]>> = {
  tollard: [['05:00', '06:27', 'hours', 'darkness']],
  quenmill: [
    ['06:09', '06:41', 'exposure', 'exposure'],
    ['18:24', '18:57', 'exposure', 'exposure'],
  ],
  tannery: [
    ['08:06', '11:28', 'sunGap', 'incidence'],
    ['12:05', '13:50', 'incidence', 'incidence'],
  ],
  vessen: [['06:35', '18:30', 'shadeLight', 'shadeLight']],
  orrel: [['14:09', '17:02', 'patchSize', 'patchSize']],
  causey: [['16:51', '17:24', 'sunHeight', 'sunGap']],
  weir: [
    ['06:45', '08:12', 'sunHeight', 'spotShaded'],
    ['16:51', '19:01', 'sunHeight', 'background'],
  ],
  arcade: [
    ['00:00', '06:27', 'dayEdge', 'darkness'],
    ['18:38', '23:59', 'darkness', 'dayEdge'],
  ],
};

/** Two minutes for the horizon's half degree, one for the hand's slide rule. */
const WITHIN_MIN = 3;

describe('the demo’s file', () => {
  it('is of this version, and the same through the reader that holds it to its schemas', () => {
    const text = readFileSync(join(__dirname, '../../../../public/demo.json'), 'utf8');
    expect((JSON.parse(text) as { version: number }).version).toBe(ARCHIVE_VERSION);
    expect(readArchive(text)).toEqual({ ok: true, archive: shippedArchive(text) });
  });
});

describe('the demo town', () => {
  it('has 500 to 800 buildings with heights and names of streets, and every stop in one of them', () => {
    const [district] = WORKSPACE.districts;
    const [walk] = WORKSPACE.walks;
    if (district === undefined || walk === undefined) throw new Error('no demo');
    const { buildings } = district;
    expect(buildings.length).toBeGreaterThanOrEqual(500);
    expect(buildings.length).toBeLessThanOrEqual(800);
    expect(buildings.every(({ heightM }) => heightM >= 4 && heightM <= 14)).toBe(true);
    expect(new Set(buildings.map(({ id }) => id)).size).toBe(buildings.length);
    expect(Object.keys(SHEET)).toEqual(walk.stops.map(({ id }) => id));
    const streets = walk.stops.map(({ position }) => streetAt(district, metresFrom(district.origin, position as Place))?.name);
    expect(streets).toEqual([
      'Tram Street',
      'Quenmill Lane',
      'Tannery Row',
      'Vessen Street',
      'Orrel Steps',
      'Causey Lane',
      'Weir Walk',
      'Long Arcade',
    ]);
  });

  it('is walked along its streets from stop to stop, up the steps from below', () => {
    const [district] = WORKSPACE.districts;
    const stops = WORKSPACE.walks[0]?.stops ?? [];
    if (district === undefined) throw new Error('no demo');
    const network = wayNetwork(district.ways ?? []);
    const at = ({ position }: Stop): Point => metresFrom(district.origin, position as Place);
    const legs = walkLegs(stops, 1.2, (from, to) => network.between(at(from), at(to)));
    expect(legs.map(({ course }) => course.kind)).toEqual(Array.from({ length: 7 }, () => 'streets'));
    for (const [k, { distanceM }] of legs.entries()) {
      const [from, to] = [at(stops[k] as Stop), at(stops[k + 1] as Stop)];
      const straightM = Math.hypot(from.eastM - to.eastM, from.northM - to.northM);
      expect([k, distanceM > straightM && distanceM < 2.6 * straightM]).toEqual([k, true]);
    }
    const climb = legs[3]?.course;
    // From the arch down to the foot of Orrel Steps.
    expect(climb?.kind === 'streets' ? climb.way.stepsM : 0).toBeGreaterThan(30);
  });

  it.each(Object.entries(SHEET))('gives %s the windows of the sheet, for the sheet’s reasons', (stopId, expected) => {
    const { windows, hasWalls } = dayOf(stopId);
    expect(hasWalls).toBe(true);
    expect(windows.map(({ opens, closes }) => [opens, closes])).toEqual(expected.map(([, , opens, closes]) => [opens, closes]));
    expected.forEach(([from, to], k) => {
      expect(Math.abs((windows[k]?.fromMin ?? -99) - clock(from))).toBeLessThanOrEqual(WITHIN_MIN);
      expect(Math.abs((windows[k]?.toMin ?? -99) - clock(to))).toBeLessThanOrEqual(WITHIN_MIN);
    });
  });

  it('has the whole walk in its light', () => {
    for (const stop of WORKSPACE.walks[0]?.stops ?? []) {
      const isMet = dayOf(stop.id).windows.some(({ fromMin, toMin }) => fromMin < stop.leaveMin && toMin > stop.arriveMin);
      expect([stop.id, isMet]).toEqual([stop.id, true]);
    }
  });

  it('sees of the sky what the sheet says at Vessen Hall, and hardly any in the arcade', () => {
    expect(dayOf('vessen').skyShare).toBeCloseTo(0.385, 1);
    expect(dayOf('arcade').skyShare).toBeLessThan(0.02);
    expect(dayOf('weir').skyShare).toBeGreaterThan(0.95);
  });
});
