import { TestBed } from '@angular/core/testing';
import { wallMinuteAt } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { BehaviorSubject, map } from 'rxjs';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import type { Workspace } from '../../storage/workspace';
import { StopActions } from '../../state/walk/stop.actions';
import { cardFor, CardStore } from '../../state/card/card.store';
import { DeviceClock } from '../../state/device/device-clock';
import { changeStop } from '../../state/walk/stop.edits';
import { focusOn } from '../../state/selection/focus.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { MeterState } from './meter-state';

const DEMO = demoWorkspace();
const WALK = DEMO.walks[0] as Walk;
const NOON_OF_THE_WALK_MS = Date.parse('2027-03-13T13:00:30.037Z');

/** The readings of one stop of the demo; edits are applied, nothing is stored. */
function meterAt(stopId: string, minuteOfDay: number, nowMs = NOON_OF_THE_WALK_MS) {
  const workspace$ = new BehaviorSubject<Workspace>(DEMO);
  const card$ = workspace$.pipe(
    map((workspace) => cardFor(workspace, focusOn(workspace, { walkId: null, stopId, minuteOfDay }), demoDay(DEMO, stopId))),
  );
  const adjust = (_: unknown, __: string, change: (stop: Stop) => Stop): void =>
    workspace$.next(changeStop(WALK.id, stopId, change)(workspace$.value));
  TestBed.configureTestingModule({
    providers: [
      MeterState,
      { provide: WorkspaceStore, useValue: { workspace$, settings$: workspace$.pipe(map(({ settings }) => settings)) } },
      { provide: CardStore, useValue: { card$ } },
      { provide: StopActions, useValue: { adjust } },
      { provide: DeviceClock, useValue: { nowMs: () => nowMs } },
    ],
  });
  return TestBed.inject(MeterState);
}

describe('readings at a stop', () => {
  it('what is lost goes by the ISO of the exposure that is proposed', () => {
    // A dim evening card stands at its ISO ceiling; a frame at EV 12 needs none of that.
    const state = meterAt('arcade', 1150);
    expect(state.card()?.result.setUp.iso.expected).toBeGreaterThan(1600);
    expect([state.add('12', 'window'), state.add('7', 'face')]).toEqual([null, null]);
    const base = state.card()?.kit.body.baseIso ?? 0;
    const range = state.card()?.kit.body.shadowRangeEv ?? 0;
    // At f and t of the card the exposure is as bright as its marks allow: the base, where raw holds all of its shadows.
    const iso = state.media()[0]?.iso ?? 0;
    expect(state.medium()?.underEv).toBeCloseTo(range - Math.log2(iso / base), 9);
    const face = state.placement()?.falls[1];
    expect(face?.toneEv).toBeCloseTo(-5, 9);
    expect(face?.lostEv).toBeCloseTo(Math.min(0, (state.medium()?.underEv ?? 0) - 5), 9);
    // What comes straight out of the camera holds less than raw at the same ISO: never offered as the way out.
    expect(state.waysOut().some((way) => way.kind === 'medium' && way.name.startsWith('straight'))).toBe(false);
  });

  it('in less light than the card is for stays at its ISO ceiling with a longer time, in more at its base with a shorter one', () => {
    const state = meterAt('vessen', 640);
    const setUp = state.card()?.result.setUp;
    const fNumber = setUp?.aperture.fNumber ?? 0;
    const [highest, lowest] = [setUp?.iso.highest ?? 0, setUp?.iso.lowest ?? 0];
    // 100·N²/(ISO·2^EV): six stops below what the card's own time takes at the ceiling, and six above what it takes at the base.
    const evAt = (iso: number): number => Math.log2((100 * fNumber ** 2) / (iso * (setUp?.shutter.seconds ?? 1)));
    const dark = state.exposureAt(evAt(highest) - 6);
    expect([dark?.iso, state.isoText(highest)]).toEqual([state.isoText(highest), state.isoText(highest)]);
    expect(dark?.shutter).toBe(state.wording().shutter((setUp?.shutter.seconds ?? 0) * 64, 'third'));
    const bright = state.exposureAt(evAt(lowest) + 6);
    expect(bright?.iso).toBe(state.isoText(lowest));
    expect(bright?.shutter).toBe(state.wording().shutter((setUp?.shutter.seconds ?? 0) / 64, 'third'));
  });

  it('keeps the first reading as the key until another is made it', () => {
    const state = meterAt('vessen', 640);
    state.add('7', 'face');
    const first = state.placement()?.ev100;
    state.add('12', 'window');
    expect(state.placement()?.key.reading.name).toBe('face');
    expect(state.placement()?.ev100).toBe(first);
    const [, window] = state.metering().readings;
    state.change(window?.id ?? '', { isKey: true });
    expect(state.placement()?.ev100).toBe(12);
  });

  it('says when it was read in whole minutes, and nothing on another day', () => {
    const read = (nowMs: number): string => {
      TestBed.resetTestingModule();
      const state = meterAt('vessen', 640, nowMs);
      state.add('7', 'face');
      const [face] = state.metering().readings;
      return face === undefined ? '?' : state.takenAt(face);
    };
    expect(wallMinuteAt(WALK.day, WALK.place.timeZone, NOON_OF_THE_WALK_MS) % 1).not.toBe(0);
    expect(read(NOON_OF_THE_WALK_MS)).toBe('12:00');
    expect(read(NOON_OF_THE_WALK_MS - 86_400_000)).toBe('');
  });
});
