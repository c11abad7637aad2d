import { districtOf, kitInHand, lightInputFor, reachOf, siteOf } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../testing/demo';
import { changeStop } from '../walk/stop.edits';
import { changeWalk } from '../walk/walk.edits';
import { putDistrict, removeDistrict, setHeights } from '../walk/district.edits';

const WORKSPACE = demoWorkspace();
const WALK = WORKSPACE.walks[0] as Walk;
const ORREL = WALK.stops.find(({ id }) => id === 'orrel') as Stop;

describe('what a stop stands among', () => {
  it('is its place in the walk’s district', () => {
    const found = siteOf(WORKSPACE, WALK, ORREL);
    expect(found.kind).toBe('district');
    if (found.kind !== 'district') return;
    expect(found.site.buildings).toBe(WORKSPACE.districts[0]?.buildings);
    expect([Math.round(found.site.eastM), Math.round(found.site.northM)]).toEqual([60, 135]);
  });
  it('is its section where there is no district or it has no place, else nothing', () => {
    const section = { leftHeightM: 8, rightHeightM: 12 };
    const bare = { ...WALK, districtId: null };
    expect(siteOf(WORKSPACE, bare, ORREL)).toEqual({ kind: 'none' });
    expect(siteOf(WORKSPACE, bare, { ...ORREL, section }).kind).toBe('section');
    expect(siteOf(WORKSPACE, WALK, { ...ORREL, position: null, section }).kind).toBe('section');
    expect(siteOf(WORKSPACE, { ...WALK, districtId: 'gone' }, ORREL).kind).toBe('none');
  });
  it('does not change with what light does not care for', () => {
    const asked = JSON.stringify(lightInputFor(WORKSPACE, WALK, ORREL));
    expect(JSON.stringify(lightInputFor(WORKSPACE, WALK, { ...ORREL, arriveMin: 1, notes: 'x', name: 'y' }))).toBe(asked);
    expect(JSON.stringify(lightInputFor(WORKSPACE, WALK, { ...ORREL, shootingBearingDeg: 1 }))).not.toBe(asked);
  });
  it('takes the kit’s own reach', () => {
    const kit = kitInHand(WORKSPACE.kit, WALK, ORREL);
    if (kit === null) throw new Error('no kit');
    // 1/28 s and three stops of stabiliser.
    expect(reachOf(kit, WORKSPACE.standard)).toMatchObject({
      baseIso: 100,
      widestFNumber: 2,
      handheldS: expect.closeTo(8 / 28, 6) as number,
    });
  });
});

describe('changes of districts', () => {
  it('put one in, in the place of one with its id', () => {
    const [first] = WORKSPACE.districts;
    if (first === undefined) throw new Error('no district');
    const renamed = putDistrict({ ...first, name: 'Upper town' })(WORKSPACE);
    expect(renamed.districts.map(({ name }) => name)).toEqual(['Upper town']);
    expect(putDistrict({ ...first, id: 'other' })(WORKSPACE).districts).toHaveLength(2);
  });
  it('take it away from the walks that led through it', () => {
    const without = removeDistrict('orrel')(WORKSPACE);
    expect([without.districts, without.walks[0]?.districtId]).toEqual([[], null]);
    expect(districtOf(without, without.walks[0] ?? null)).toBeNull();
  });
  it('set heights of the chosen, and drop a base that would be over them', () => {
    const arch = WORKSPACE.districts[0]?.buildings.find(({ baseM }) => baseM !== undefined);
    if (arch === undefined) throw new Error('no arch');
    const [changed] = setHeights('orrel', new Set([arch.id]), 3)(WORKSPACE).districts;
    expect(changed?.buildings.find(({ id }) => id === arch.id)).toEqual({
      id: arch.id,
      name: arch.name,
      footprint: arch.footprint,
      heightM: 3,
      heightSource: 'set',
    });
    expect(changed?.buildings.filter(({ heightSource }) => heightSource === 'set')).toHaveLength(1);
    const higher = setHeights('orrel', new Set([arch.id]), 20)(WORKSPACE).districts[0]?.buildings.find(({ id }) => id === arch.id);
    expect([higher?.heightM, higher?.baseM]).toEqual([20, arch.baseM]);
  });
  it('leave everything else the same object', () => {
    const turned = changeStop('demo-walk', 'orrel', (stop) => ({ ...stop, shootingBearingDeg: 50 }))(WORKSPACE);
    expect(turned.districts).toBe(WORKSPACE.districts);
    expect(changeWalk('demo-walk', (walk) => walk)(WORKSPACE).districts).toBe(WORKSPACE.districts);
  });
});
