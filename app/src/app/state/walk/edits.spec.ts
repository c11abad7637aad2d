import { LONGEST_NAME } from '@roam-dial/core/formats/archive';
import { DEFAULT_STANDARD } from '@roam-dial/core/kit';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { newKitItem, newStop, newWalk } from '../../storage/defaults';
import { patchesBetween, applyPatches, invertPatches } from '../../storage/patch';
import type { Workspace } from '../../storage/workspace';
import {
  addStop,
  arrivingAt,
  changeStop,
  duplicateStop,
  moveStop,
  removeStop,
  withArrival,
  withIntent,
  withLeaving,
} from './stop.edits';
import { changeKitItem, removeKitItem } from '../kit/edits';

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
    outings: [],
    logs: [],
    frames: [],
    returns: [],
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
  it('moves as a whole and stays within the walk, which ends at noon of the next day', () => {
    expect(withArrival(stop, 700)).toMatchObject({ arriveMin: 700, leaveMin: 730 });
    expect(withArrival(stop, -50)).toMatchObject({ arriveMin: 0, leaveMin: 30 });
    expect(withArrival(stop, 5000)).toMatchObject({ arriveMin: 2129, leaveMin: 2159 });
  });
  it('begins when somebody says so, goes on past midnight, and ends with the walk', () => {
    expect(arrivingAt(stop, 700)).toMatchObject({ arriveMin: 700, leaveMin: 730 });
    expect(arrivingAt({ ...stop, leaveMin: 1070 }, 1020)).toMatchObject({ arriveMin: 1020, leaveMin: 1490 });
    expect(arrivingAt(stop, 2159)).toMatchObject({ arriveMin: 2158, leaveMin: 2159 });
  });
  it('never leaves before it came', () => {
    expect(withLeaving(stop, 500).leaveMin).toBe(601);
    expect(withLeaving(stop, 9999).leaveMin).toBe(2159);
  });
  it('keeps the answers when the intent stays, and starts afresh when it changes', () => {
    const pool = withIntent(stop, 'lightPool');
    const asked = { ...pool, intent: { kind: 'lightPool', brightShare: 0.4 } } as const;
    expect(withIntent(asked, 'lightPool').intent).toEqual({ kind: 'lightPool', brightShare: 0.4 });
    expect(withIntent(asked, 'silhouette').intent).toMatchObject({ kind: 'silhouette', background: 'sky' });
  });
});

describe('edits as patches', () => {
  const before = workspace();
  it('touch only what was touched', () => {
    const paths = (after: Workspace): string[] => patchesBetween(before, after).map(({ path }) => path.join('/'));
    expect(paths(before)).toEqual([]);
    expect(paths(changeKitItem('k2', (item) => ({ ...item, name: 'long' }))(before))).toEqual(['kit/@k2/name']);
    expect(paths({ ...before, settings: { ...SETTINGS, theme: 'night' } })).toEqual(['settings/theme']);
  });
  it('lead there and back, order included', () => {
    const after = moveStop('w', 0, 2)(removeKitItem('k1')(before));
    const patches = patchesBetween(before, after);
    expect(applyPatches(before, patches).data).toEqual(after);
    expect(applyPatches(after, invertPatches(patches)).data).toEqual(before);
  });
  it('out of range are none, and so no step of undo', () => {
    expect(patchesBetween(before, moveStop('w', 0, 9)(before))).toEqual([]);
    expect(patchesBetween(before, moveStop('w', 7, 0)(before))).toEqual([]);
  });
  it('copy the longest name there is to one that an archive still holds', () => {
    const long = 'n'.repeat(LONGEST_NAME);
    const named = changeStop('w', 'a', (stop) => ({ ...stop, name: long }))(before);
    const copy = duplicateStop('w', 'a', 'copy')(named).walks[0]?.stops[1];
    expect(copy?.name).toHaveLength(LONGEST_NAME);
    expect(copy?.name.endsWith('(copy)')).toBe(true);
  });
});
