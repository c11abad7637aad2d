import { DEFAULT_STANDARD, type Stop, type Walk } from '@roam-dial/core';
import { newKitItem, newStop, newWalk } from '../data/defaults';
import { changesBetween, applyChanges, reversed, type Workspace } from '../data/workspace';
import {
  addStop,
  changeKitItem,
  duplicateStop,
  moveStop,
  removeKitItem,
  removeStop,
  withArrival,
  withIntent,
  withLeaving,
} from './edits';

const SETTINGS = { theme: 'light', lengthUnit: 'metres', clock: '24h', markStep: 'third', shortcutsOn: true } as const;

function workspace(): Workspace {
  const stops = ['a', 'b', 'c'].reduce<Stop[]>((list, id) => [...list, { ...newStop(id, list.at(-1)), name: id }], []);
  const walk: Walk = { ...newWalk('w', '2027-03-13', null), stops };
  return {
    kit: [newKitItem('body', 'k1', 'third'), newKitItem('lens', 'k2', 'third')],
    standard: DEFAULT_STANDARD,
    settings: SETTINGS,
    walks: [walk],
    districts: [],
  };
}
const names = ({ walks }: Workspace): string => (walks[0]?.stops ?? []).map(({ name }) => name).join(' ');

describe('stops of a walk', () => {
  const start = workspace();
  const extra = newStop('d', undefined);

  it.each([
    ['adds behind the chosen one', addStop('w', { ...extra, name: 'd' }, 'a'), 'a d b c'],
    ['adds at the end where none is chosen', addStop('w', { ...extra, name: 'd' }, null), 'a b c d'],
    ['removes', removeStop('w', 'b'), 'a c'],
    ['duplicates behind the original', duplicateStop('w', 'a', 'a2'), 'a a (copy) b c'],
    ['moves down', moveStop('w', 0, 2), 'b c a'],
    ['moves up', moveStop('w', 2, 1), 'a c b'],
    ['does not move past the ends', moveStop('w', 0, -1), 'a b c'],
    ['leaves other walks alone', removeStop('other', 'a'), 'a b c'],
  ])('%s', (_, change, expected) => {
    expect(names(change(start))).toBe(expected);
    expect(names(start)).toBe('a b c');
  });

  it('follows on in time', () => {
    const [a, b] = start.walks[0]?.stops as [Stop, Stop];
    expect(b.arriveMin).toBe(a.leaveMin + 15);
  });
});

describe('stays', () => {
  const stop = { ...newStop('s', undefined), arriveMin: 600, leaveMin: 630 };
  it('moves as a whole and stays within the day', () => {
    expect(withArrival(stop, 700)).toMatchObject({ arriveMin: 700, leaveMin: 730 });
    expect(withArrival(stop, -50)).toMatchObject({ arriveMin: 0, leaveMin: 30 });
    expect(withArrival(stop, 5000)).toMatchObject({ arriveMin: 1409, leaveMin: 1439 });
  });
  it('never leaves before it came', () => {
    expect(withLeaving(stop, 500).leaveMin).toBe(601);
    expect(withLeaving(stop, 9999).leaveMin).toBe(1439);
  });
  it('keeps the answers when the intent stays, and starts afresh when it changes', () => {
    const pool = withIntent(stop, 'lightPool');
    const asked = { ...pool, intent: { kind: 'lightPool', brightShare: 0.4 } } as const;
    expect(withIntent(asked, 'lightPool').intent).toEqual({ kind: 'lightPool', brightShare: 0.4 });
    expect(withIntent(asked, 'silhouette').intent).toMatchObject({ kind: 'silhouette', background: 'sky' });
  });
});

describe('documents that changed', () => {
  const before = workspace();
  it('finds only what was touched', () => {
    expect(changesBetween(before, before)).toEqual([]);
    const after = changeKitItem('k2', (item) => ({ ...item, name: 'long' }))(before);
    expect(changesBetween(before, after).map(({ table, key }) => `${table}/${key}`)).toEqual(['kit/k2']);
    const settings = { ...before, settings: { ...SETTINGS, theme: 'night' as const } };
    expect(changesBetween(before, settings).map(({ table, key }) => `${table}/${key}`)).toEqual(['profile/settings']);
  });
  it('leads there and back', () => {
    const after = moveStop('w', 0, 2)(removeKitItem('k1')(before));
    const changes = changesBetween(before, after);
    expect(applyChanges(before, changes)).toEqual(after);
    const back = applyChanges(after, reversed(changes));
    expect(names(back)).toBe('a b c');
    expect(back.kit.map(({ id }) => id).sort()).toEqual(['k1', 'k2']);
  });
});
