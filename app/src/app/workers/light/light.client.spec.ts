import type { StopSite } from '@roam-dial/core/plan';
import type { StopDay, StopDayInput } from '@roam-dial/core/stop';
import type { District } from '@roam-dial/core/streets';
import { firstValueFrom, lastValueFrom } from 'rxjs';
import { newStop } from '../../storage/defaults';
import { answersOf } from '../answers';
import { districtKey } from '../district-key';
import { LightClient, type LightWorker } from './light.client';
import { type LightDayQuestion, LightJobs, type LightQuestion, siteRefOf } from './light-jobs';

const INPUT: Omit<StopDayInput, 'streets'> = {
  site: newStop('s', undefined),
  day: '2027-03-13',
  timeZone: 'Atlantic/Azores',
  latitude: 46.5,
  longitude: -20.7,
  cloud: 0,
  halfFieldDeg: 30,
};
const QUESTION = { kind: 'day', site: { kind: 'none' }, input: INPUT } as const;
const dayWorker = (client: LightClient): LightWorker => client.days[0] as LightWorker;
const dayFrom = (client: LightClient, question: LightDayQuestion = QUESTION): Promise<StopDay | null> =>
  lastValueFrom(answersOf(dayWorker(client).ask<'day'>(question, TOWN)));

const WALL = {
  id: 'w',
  footprint: [
    [-50, 3],
    [50, 3],
    [50, 12],
    [-50, 12],
  ] as const,
  heightM: 20,
  heightSource: 'given',
} as const;
const TOWN: District = {
  id: 'd',
  name: 'Town',
  origin: { latitude: 46.5, longitude: -20.7 },
  buildings: [WALL],
  trees: [],
  waters: [],
};
const among = (district: District): StopSite => ({
  kind: 'district',
  district,
  site: { buildings: district.buildings, eastM: 0, northM: 0 },
});

describe('light from a worker', () => {
  it('is a day of minutes, or null where the core refuses the input', async () => {
    expect((await dayFrom(new LightClient()))?.keyEv100).toHaveLength(1440);
    expect(await dayFrom(new LightClient(), { ...QUESTION, input: { ...INPUT, timeZone: 'Town/Hall' } })).toBeNull();
  });

  it('is measured among the district that it is told of, with its share as it goes', async () => {
    const client = new LightClient();
    const question: LightDayQuestion = { ...QUESTION, site: siteRefOf(among(TOWN)) };
    expect((await firstValueFrom(dayWorker(client).ask<'day'>(question, TOWN))).kind).toBe('progress');
    const day = await dayFrom(client, question);
    expect([day?.hasWalls, day === null ? 0 : day.skyShare < 0.6]).toEqual([true, true]);
  });

  it('knows a district by its content: a copy or another name is the same town, another height is not', () => {
    const copy = structuredClone(TOWN);
    expect(districtKey({ ...copy, id: 'e', name: 'Old town' })).toBe(districtKey(TOWN));
    expect(districtKey({ ...copy, buildings: [{ ...WALL, heightM: 21 }] })).not.toBe(districtKey(TOWN));
  });
});

describe('the desk of a light worker', () => {
  const desk = new LightJobs();
  const told = (question: LightQuestion): string[] => {
    const steps = desk.answer(question);
    const doing: string[] = [];
    for (let next = steps.next(); next.done !== true; next = steps.next()) doing.push(next.value.doing);
    return doing;
  };
  const question = (over: Partial<Omit<StopDayInput, 'streets'>>): LightDayQuestion => ({
    kind: 'day',
    site: { kind: 'district', key: 'k', eastM: 0, northM: 0, groundM: 0 },
    input: { ...INPUT, ...over },
  });

  it('measures once for one place and one look: not for another day, cloud, zone or way of walking', () => {
    told({ kind: 'district', key: 'k', district: TOWN });
    expect(told(question({}))).toContain('measuring');
    for (const over of [
      { day: '2027-06-01' },
      { cloud: 1 },
      { subject: { nearM: 1, farM: 9, medianM: 3 } },
      { travelAngleDeg: 10 },
      { site: { ...INPUT.site, lightOffsetEv: 2 } },
    ])
      expect(told(question(over))).not.toContain('measuring');
    expect(told(question({ halfFieldDeg: 20 }))).toContain('measuring');
    expect(told(question({ subject: { nearM: 2, farM: 5, medianM: 4 } }))).toContain('measuring');
  });
});
