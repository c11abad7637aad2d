import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import type { KitItem } from '@roam-dial/core/kit';
import type { District } from '@roam-dial/core/streets';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom } from 'rxjs';
import { FIRST, kitNames, openTab, until, walkOf } from '../../../testing/tabs';
import type { Database } from '../../storage/rows/database';
import { newStop } from '../../storage/defaults';
import type { Workspace } from '../../storage/workspace';
import type { WorkspaceStore } from '../workspace/workspace.store';
import { KitActions } from '../kit/actions';
import { StopActions } from './stop.actions';
import { WalkActions } from './walk.actions';

const STOP = { ...newStop('steps', undefined), name: 'Steps' };
const WALK: Walk = { ...(FIRST.walks[0] as Walk), name: 'Saturday', stops: [STOP] };
const AT = { walk: WALK, stop: STOP };

function district(id: string, corners: number): District {
  const footprint = Array.from({ length: corners }, (_, k) => [k, k % 2] as const);
  return {
    id,
    name: id,
    origin: { latitude: 46, longitude: 11 },
    buildings: [{ id: 'b', footprint, heightM: 9, heightSource: 'assumed' }],
    trees: [],
    waters: [],
  };
}

let run = 0;

describe('what a person does', () => {
  let store: WorkspaceStore;
  let database: Database;
  const now = (): Promise<Workspace> => store.snapshot();
  const undoes = async (): Promise<string | null> => (await firstValueFrom(store.history$)).undo;

  beforeEach(async () => {
    ({ store, database } = openTab(`actions-${++run}`));
    await firstValueFrom(store.unseeded$);
    await store.seed({ ...FIRST, walks: [WALK] });
    await until(store, () => true);
  });
  afterEach(() => database.close());

  it('takes a drag as one step of undo, and choices one by one', async () => {
    const actions = TestBed.inject(StopActions);
    actions.change(AT, 'lens', (stop) => ({ ...stop, lensId: 'a' }));
    actions.change(AT, 'lens', (stop) => ({ ...stop, lensId: 'b' }));
    for (const bearing of [10, 20, 30]) {
      actions.adjust(AT, 'direction', (stop) => ({ ...stop, shootingBearingDeg: bearing }));
    }
    expect(await undoes()).toBe('change the direction of Steps');
    store.undo();
    expect(walkOf(await now()).stops[0]).toMatchObject({ shootingBearingDeg: STOP.shootingBearingDeg, lensId: 'b' });
    store.undo();
    expect(walkOf(await now()).stops[0]?.lensId).toBe('a');
  });

  it('tells the ends of a stay apart: moved, then stretched, are two steps', async () => {
    const actions = TestBed.inject(StopActions);
    const stay = STOP.leaveMin - STOP.arriveMin;
    actions.moveStay(AT, 600);
    actions.stretchStay(AT, 700);
    expect(walkOf(await now()).stops[0]).toMatchObject({ arriveMin: 600, leaveMin: 700 });
    store.undo();
    expect(walkOf(await now()).stops[0]).toMatchObject({ arriveMin: 600, leaveMin: 600 + stay });
  });

  it('goes back to one sky, at the cloud that was set or at another', async () => {
    const actions = TestBed.inject(WalkActions);
    actions.setForecast(WALK, { source: 'own', cloudByHour: Array.from({ length: 24 }, () => 1) });
    expect(walkOf(await now()).forecast?.source).toBe('own');
    actions.setOneSky(WALK, 0.5);
    expect(walkOf(await now())).toMatchObject({ cloud: 0.5 });
    expect(walkOf(await now()).forecast).toBeUndefined();
  });

  it('leads the walk over the district just read, and takes none for which there is no room', async () => {
    const actions = TestBed.inject(WalkActions);
    expect(await actions.takeDistrict(WALK, district('small', 4), 'small.geojson')).toBeNull();
    expect(walkOf(await now()).districtId).toBe('small');
    expect(await undoes()).toBe('read small.geojson');
    const refusal = await actions.takeDistrict(WALK, district('huge', 5_000_000), 'huge.geojson');
    expect(refusal).toMatch(/5 million corners.*Leave one out/);
    expect((await now()).districts.map(({ id }) => id)).toEqual(['small']);
  });

  it('takes a name letter by letter as one step, under the name it had', async () => {
    const actions = TestBed.inject(KitActions);
    const body = FIRST.kit[0] as KitItem;
    for (const name of ['O', 'Ol', 'Old one']) actions.rename(body, name);
    expect(kitNames(await now())).toEqual(['Old one']);
    expect(await undoes()).toBe('rename New body');
    store.undo();
    expect(kitNames(await now())).toEqual(['New body']);
  });
});
