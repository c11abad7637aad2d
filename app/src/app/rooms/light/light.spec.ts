import {
  DEFAULT_INTENTS,
  DEFAULT_THRESHOLDS,
  GATES,
  INTENT_KINDS,
  lightOfDay,
  type LightWindow,
  pictureLightAt,
  type Stop,
  type StopDay,
  THRESHOLD_NAMES,
} from '@roam-dial/core/stop';
import { demoDay, demoWorkspace, plainDay } from '../../../testing/demo';
import { Wording } from '../../words/wording';
import { missingWords, overlapWords, pictureLightWords, WINDOW_WORDS } from '../../words/windows';
import { turnDeg } from '@roam-dial/core/units';
import { figuresAt, lightCare, moonSentence } from './light-words';
import { THRESHOLD_WORDS, THRESHOLDS_OF } from './district/threshold-words';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const WORKSPACE = demoWorkspace();
const stopOf = (id: string): Stop => WORKSPACE.walks[0]?.stops.find((stop) => stop.id === id) as Stop;
const dayOf = (id: string): StopDay => demoDay(WORKSPACE, id) as StopDay;
const figure = (id: string, minute: number, name: string) =>
  figuresAt(stopOf(id), dayOf(id), lightOfDay(dayOf(id), minute), minute, WORDING).find((one) => one.name === name);

describe('what is left of the light', () => {
  const { windows } = dayOf('orrel');
  it('is said for a window that is open, one to come, and none', () => {
    const last = windows[0]?.toMin ?? 0;
    const first = windows[0]?.fromMin ?? 0;
    const said = (minute: number, day: Pick<StopDay, 'windows' | 'missing'> = dayOf('orrel')): string =>
      pictureLightWords(pictureLightAt(day, minute), minute, WORDING);
    expect(said(last - 23)).toBe(`Light for 23 min more, until ${WORDING.clock(last)}`);
    expect(said(first - 95)).toBe(`Not its light now: next ${WORDING.clock(first)}, in 1 h 35 min`);
    expect(said(last + 1)).toBe(`No more light for this picture today: it ended at ${WORDING.clock(last)}`);
    expect(said(600, { windows: [], missing: null })).toBe('No light for this picture today');
    expect(pictureLightAt(dayOf('orrel'), last).kind).toBe('open');
  });
  it('says what a day without light lacks, and by how much', () => {
    const contrast = { reason: 'contrast', atMin: 910, figure: { is: 1.33, needs: 2, unit: 'stops' } } as const;
    expect(missingWords(contrast, WORDING)).toBe(
      'Sun over shade: 1⅓ stops at 15:10, the nearest of the day; it needs at least 2 stops.',
    );
    const cloud = { reason: 'cloud', atMin: 1050, figure: { is: 0.85, needs: 0.8, unit: 'share' } } as const;
    expect(missingWords(cloud, WORDING)).toBe('Cloud: 85 % at 17:30, the nearest of the day; it needs at most 80 %.');
    expect(missingWords({ reason: 'noWall', atMin: 600, figure: null }, WORDING)).toBe('There is no wall ahead.');
    const brief = { reason: 'brief', atMin: 1200, figure: { is: 4, needs: 5, unit: 'minutes' } } as const;
    expect(missingWords(brief, WORDING)).toBe('Everything fits for 4 min at 20:00; 5 min are needed.');
  });
  it('says where two windows overlap that either light will do', () => {
    const [shade, sun] = [
      { fromMin: 418, toMin: 450, label: 'shade' },
      { fromMin: 426, toMin: 1207, label: 'sun' },
    ] as unknown as readonly [LightWindow, LightWindow];
    expect(overlapWords(shade, [shade, sun], WORDING)).toBe('either will do from 07:06 to 07:30');
    expect(overlapWords(shade, [shade], WORDING)).toBeNull();
  });
  it('has words for every reason', () => {
    for (const stop of WORKSPACE.walks[0]?.stops ?? []) {
      for (const { opens, closes } of dayOf(stop.id).windows) {
        expect(WINDOW_WORDS[opens].opens).not.toBe('');
        expect(WINDOW_WORDS[closes].closes).not.toBe('');
      }
    }
  });
});

describe('the figures of a minute', () => {
  it('are those of the sheet at Orrel Steps: a pool four and a half stops and more over its surround, ahead and lit from behind', () => {
    expect(figure('orrel', 915, 'Sun against shade')).toMatchObject({ value: '4.7 stops', note: 'EV 15 and 10⅓' });
    expect(figure('orrel', 915, 'Lit patch')?.value).toMatch(/^[23](\.5)? m square$/);
    expect(figure('orrel', 915, 'Sun')).toMatchObject({ value: '29° up', note: 'behind you; 0° off the street' });
    // 1.7 m / tan 29° = 3.07 m.
    expect(figure('orrel', 915, 'Shadow of a person')?.value).toBe('3.1 m');
    expect(figure('orrel', 915, 'Sky seen from the spot')?.value).toBe('17 %');
  });
  it('leave the sun out when it is down, and say what stands behind a silhouette', () => {
    expect(figure('orrel', 60, 'Sun')?.value).toMatch(/under$/);
    expect(figure('orrel', 60, 'Shadow of a person')).toBeUndefined();
    expect(figure('orrel', 60, 'Shade')).toBeDefined();
    expect(figure('orrel', 600, 'Lit patch')).toMatchObject({ value: 'none' });
    expect(figure('weir', 1060, 'Brightest behind people')?.value).toMatch(/^[345]\.\d stops over them$/);
  });
  it('say where no walls are known that the sky is taken', () => {
    const day = plainDay();
    const plain = figuresAt(stopOf('orrel'), day, lightOfDay(day, 900), 900, WORDING);
    expect(plain.find(({ name }) => name === 'Lit patch')).toBeUndefined();
    expect(plain.find(({ name }) => name === 'Sky seen from the spot')).toMatchObject({
      value: '50 %',
      note: 'taken, because no walls are known',
    });
  });
});

describe('care', () => {
  it('is about the sun where it stands in the frame, and the road where one stands in it', () => {
    const at = (id: string, minute: number): string => lightCare(stopOf(id), lightOfDay(dayOf(id), minute)).join(' ');
    expect(at('causey', 1020)).toMatch(/optical finder.*middle of the street/);
    expect(at('causey', 600)).not.toContain('optical finder');
    expect(at('vessen', 640)).toBe('');
  });
  it('turns the short way', () => {
    expect([turnDeg(350, 10), turnDeg(10, 350), turnDeg(0, 180)]).toEqual([20, -20, -180]);
  });
});

describe('the moon', () => {
  it('is told with its share and its place', () => {
    const moon = { azimuthDeg: 135.6, altitudeDeg: 61.8, phaseDeg: 66, litShare: 0.284 };
    expect(moonSentence(moon, '15:10')).toBe('At 15:10 the waxing crescent (28 % lit) stands 62° up, at bearing 136°.');
    expect(moonSentence({ ...moon, altitudeDeg: -3 }, '01:00')).toContain('below the horizon');
  });
});

describe('thresholds', () => {
  it('each have a name and an intent that goes by them', () => {
    const used = new Set(INTENT_KINDS.flatMap((kind) => THRESHOLDS_OF[kind]));
    expect([...used].sort()).toEqual([...THRESHOLD_NAMES].sort());
    expect(THRESHOLD_NAMES.every((name) => THRESHOLD_WORDS[name].name !== '')).toBe(true);
    expect(Object.keys(DEFAULT_INTENTS)).toEqual(Object.keys(THRESHOLDS_OF));
    // A ramp has two ends, a gate one.
    expect(THRESHOLD_NAMES.every((name) => (DEFAULT_THRESHOLDS[name][0] === DEFAULT_THRESHOLDS[name][1]) === GATES.has(name))).toBe(
      true,
    );
  });
});
