import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { type Body, DEFAULT_STANDARD, type KitItem } from '@roam-dial/core/kit';
import { nextDemoDay } from './demo/demo';
import { newKitItem, newStop, newWalk } from './defaults';
import { importInto } from './transfer';
import type { Workspace } from './workspace';

const lens = (id: string, name: string): KitItem => ({ ...newKitItem('lens', id, 'third'), name });

function workspace(kit: readonly KitItem[], walkName: string): Workspace {
  const stop = { ...newStop('stop', undefined), lensId: 'lens' };
  return {
    kit,
    standard: DEFAULT_STANDARD,
    settings: DEFAULT_SETTINGS,
    walks: [{ ...newWalk('walk', '2027-03-13', 'body'), name: walkName, stops: [stop] }],
    districts: [],
    outings: [],
    logs: [],
    frames: [],
    returns: [],
  };
}
let made = 0;
const createId = (): string => `new-${++made}`;

describe('importing', () => {
  const mine = workspace([lens('lens', 'Mine')], 'My walk');

  it('replaces everything when asked to', () => {
    const theirs = { ...workspace([], 'Theirs'), settings: { ...DEFAULT_SETTINGS, theme: 'night' as const } };
    expect(importInto(mine, theirs, 'replace', createId).workspace).toEqual(theirs);
  });

  it('adds nothing twice', () => {
    expect(importInto(mine, mine, 'add', createId).workspace).toEqual(mine);
  });

  it('keeps both where the same id means two things, and the references with them', () => {
    const theirs = workspace([lens('lens', 'Theirs')], 'Their walk');
    const { workspace: both, ids } = importInto(mine, theirs, 'add', createId);
    expect([...ids.kit]).toEqual([['lens', both.kit[1]?.id]]);
    expect(both.kit.map(({ name }) => name)).toEqual(['Mine', 'Theirs']);
    expect(both.walks.map(({ name }) => name)).toEqual(['My walk', 'Their walk']);
    const [, added] = both.walks;
    expect(added?.id).not.toBe('walk');
    expect(added?.stops[0]?.lensId).toBe(both.kit[1]?.id);
    expect(both.walks[0]).toBe(mine.walks[0]);
  });

  it('renames the roll of a film body along', () => {
    const body: Body = { ...(newKitItem('body', 'film-body', 'full') as Body), filmId: 'roll' };
    const other = { ...newKitItem('film', 'roll', 'third'), name: 'Other roll' };
    const both = importInto(
      { ...mine, kit: [newKitItem('film', 'roll', 'third')] },
      { ...mine, kit: [body, other] },
      'add',
      createId,
    ).workspace;
    const roll = both.kit.find(({ name }) => name === 'Other roll');
    expect((both.kit.find(({ id }) => id === 'film-body') as Body).filmId).toBe(roll?.id);
  });

  it('leaves the person’s standard and settings alone when adding', () => {
    const theirs = { ...mine, settings: { ...DEFAULT_SETTINGS, theme: 'night' as const } };
    expect(importInto(mine, theirs, 'add', createId).workspace.settings.theme).toBe('light');
  });
});

describe('the day of the demo', () => {
  it.each([
    ['2026-11-25', '2027-03-13'],
    ['2027-03-13', '2027-03-13'],
    ['2027-03-14', '2028-03-18'],
    ['2025-01-01', '2025-03-15'],
  ])('seen on %s is %s, a Saturday', (today, day) => {
    const [year = 0, month = 1, date = 1] = today.split('-').map(Number);
    expect(nextDemoDay(new Date(year, month - 1, date, 12))).toBe(day);
    expect(new Date(`${day}T12:00:00Z`).getUTCDay()).toBe(6);
  });
});
