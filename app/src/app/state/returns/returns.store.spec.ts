import { TestBed } from '@angular/core/testing';
import type { Return } from '@roam-dial/core/outing';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom, type Observable, of, toArray } from 'rxjs';
import { demoWorkspace } from '../../../testing/demo';
import { LightClient } from '../../workers/light/light.client';
import { ReturnsStore } from './returns.store';
import { WorkspaceStore } from '../workspace/workspace.store';

const DEMO = demoWorkspace();
const [WALK] = DEMO.walks as readonly [Walk];

/** So many places kept at noon, in the sun: each has to be asked of the workers. */
const kept = (count: number): readonly Return[] =>
  Array.from({ length: count }, (_, k) => ({
    id: `return-${k}`,
    stop: { ...(WALK.stops[0] as Walk['stops'][number]), id: `stop-${k}` },
    place: WALK.place,
    districtId: WALK.districtId ?? null,
    day: WALK.day,
    lightMin: 12 * 60,
    crowd: 'any' as const,
    wrong: '',
    notedMs: 0,
  }));

function storeThatAnswers(answer: Observable<unknown>): ReturnsStore {
  TestBed.configureTestingModule({
    providers: [
      { provide: WorkspaceStore, useValue: { workspace$: of(DEMO) } },
      { provide: LightClient, useValue: { years: { ask: () => answer } } },
    ],
  });
  return TestBed.inject(ReturnsStore);
}

describe('the days of a thousand places', () => {
  it('are all told, and together: not a thousand times', async () => {
    const store = storeThatAnswers(of({ kind: 'done', answer: [] }));
    const told = await firstValueFrom(store.daysFor(DEMO, kept(1000)).pipe(toArray()));
    expect(told.at(-1)?.size).toBe(1000);
    // None yet, what comes first, and what has come every fifth of a second.
    expect(told.length).toBeLessThan(100);
    // What has been told stays as it was told.
    expect(told[0]?.size).toBe(0);
  });
});
