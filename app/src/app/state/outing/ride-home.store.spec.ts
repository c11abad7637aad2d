import { TestBed } from '@angular/core/testing';
import type { Stop } from '@roam-dial/core/stop';
import { BehaviorSubject, firstValueFrom, of } from 'rxjs';
import { demoWorkspace } from '../../../testing/demo';
import { FootWays } from '../walk/foot-ways';
import { WorkspaceStore } from '../workspace/workspace.store';
import { OutingStore, type Running } from './outing.store';
import { RideHomeStore } from './ride-home.store';

const WORKSPACE = demoWorkspace();

function rideOf(walkId: string, stopId: string | null) {
  const walk = WORKSPACE.walks.find(({ id }) => id === walkId);
  const at = walk?.stops.find(({ id }) => id === stopId) as Stop | undefined;
  const standing = at === undefined ? { kind: 'over' } : { kind: 'there', at, sinceMs: 0, isGot: false };
  const running = { walk, today: walk?.stops ?? [], standing, next: null } as unknown as Running;
  const way = { points: [], lengthM: 432, stepsM: 0 };
  TestBed.configureTestingModule({
    providers: [
      { provide: WorkspaceStore, useValue: { workspace$: new BehaviorSubject(WORKSPACE) } },
      { provide: OutingStore, useValue: { running$: new BehaviorSubject(running) } },
      { provide: FootWays, useValue: { between: () => of({ wayOf: () => way, isWhole: true }) } },
    ],
  });
  return firstValueFrom(TestBed.inject(RideHomeStore).ride$);
}

describe('the last ride home', () => {
  afterEach(() => TestBed.resetTestingModule());

  it('is left for in time from where one is, along the streets', async () => {
    // 432 m at 1.2 m/s: six minutes; three more are kept.
    expect(await rideOf('demo-night', 'night-weir')).toMatchObject({
      ride: { name: 'Last tram', atMin: 1496 },
      footMin: 6,
      leaveByMin: 1487,
    });
  });
  it('is still to be caught when the last picture is made', async () => {
    expect(await rideOf('demo-night', null)).toMatchObject({ footMin: 6 });
  });
  it('is none on a walk that has none', async () => {
    expect(await rideOf('demo-walk', 'orrel')).toBeNull();
  });
});
