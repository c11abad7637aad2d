import { signal, type Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { lightInputFor } from '@roam-dial/core/plan';
import {
  CARPET_ROWS,
  lightOfDay,
  type SameLight,
  type Stop,
  stopDay,
  type StopDay,
  type YearOfQuality,
  yearOfSun,
} from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../testing/demo';
import { NEVER, of } from 'rxjs';
import { MapsService } from '../../reading/maps.service';
import type { Workspace } from '../../storage/workspace';
import { changeWalk } from '../../state/walk/walk.edits';
import { SelectionStore } from '../../state/selection/selection.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { Wording } from '../../words/wording';
import { LightState } from './light-state';
import { SkyPage } from './sky/sky-page';
import { ThresholdsPanel } from './district/thresholds-panel';
import { YearPage } from './year/year-page';
import { YearState } from './year/year-state';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const WORKSPACE = demoWorkspace();

/** The light room about one stop of the demo, without its walls: edits are applied, nothing is stored. */
function room(stopId: string, { minute = 900, change = (walk: Walk): Walk => walk } = {}) {
  const workspace = signal<Workspace>(changeWalk('demo-walk', change)(WORKSPACE));
  const labels: string[] = [];
  const minutes: number[] = [];
  const walk = (): Walk => workspace().walks[0] as Walk;
  const stop = (): Stop => walk().stops.find(({ id }) => id === stopId) as Stop;
  const day = (): StopDay =>
    stopDay({ ...lightInputFor(workspace(), walk(), stop()), day: walk().day, cloud: 0, streets: null }) as StopDay;
  const state = {
    workspace,
    walk,
    stop,
    day,
    minute: () => minute,
    wording: () => WORDING,
    light: () => lightOfDay(day(), minute),
  };
  const year = {
    sun: signal(yearOfSun(null, { ...lightInputFor(workspace(), walk(), stop()), fromDay: '2027-01-01' })),
    quality: signal<YearOfQuality | null>(null),
    daysDone: signal(0),
    isDone: signal(false),
    isStopped: signal(false),
    best: signal<readonly { day: string; goodMinutes: number; bestMin: number }[]>([]),
    worked: signal<{ day: string; minuteOfDay: number } | null>(null),
    isByNights: signal(false),
    fromMin: signal(0),
    withinDeg: signal(2),
    again: signal<readonly SameLight[] | null>(null),
    stop: (): void => year.isStopped.set(true),
    goOn: (): void => year.isStopped.set(false),
  };
  const files = { answer: { ok: true, cloudByHour: Array.from({ length: 24 }, () => 0.5) } as unknown };
  const store = {
    edit: ({ label }: { label: string }, edit: (before: Workspace) => Workspace): void => {
      labels.push(label);
      workspace.set(edit(workspace()));
    },
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: LightState, useValue: state },
      { provide: YearState, useValue: year },
      { provide: WorkspaceStore, useValue: { ...store, workspace$: NEVER } },
      { provide: SelectionStore, useValue: { setMinute: (to: number) => minutes.push(to) } },
      { provide: MapsService, useValue: { readForecast: () => of({ kind: 'done', answer: files.answer }) } },
    ],
  });
  return { labels, minutes, walk, stop, year, files, workspace };
}

function open<Page>(page: Type<Page>): ComponentFixture<Page> {
  const fixture = TestBed.createComponent(page);
  fixture.detectChanges();
  return fixture;
}
const rootOf = ({ nativeElement }: ComponentFixture<unknown>): HTMLElement => nativeElement as HTMLElement;
const textOf = (fixture: ComponentFixture<unknown>): string => (rootOf(fixture).textContent ?? '').replace(/\s+/g, ' ');
function click(fixture: ComponentFixture<unknown>, name: string | RegExp): void {
  const is = (text: string): boolean => (typeof name === 'string' ? text === name : name.test(text));
  const found = [...rootOf(fixture).querySelectorAll('button')].find((one) =>
    is((one.getAttribute('aria-label') ?? one.textContent ?? '').replace(/\s+/g, ' ').trim()),
  );
  if (found === undefined) throw new Error(`no button ${String(name)}`);
  found.click();
  fixture.detectChanges();
}
function type(fixture: ComponentFixture<unknown>, label: string, text: string): void {
  const named = [...rootOf(fixture).querySelectorAll('label')].find((one) => one.textContent?.trim() === label);
  const field = rootOf(fixture).querySelector<HTMLInputElement>(named ? `#${named.htmlFor}` : `[aria-label="${label}"]`);
  if (field === null) throw new Error(`no field ${label}`);
  field.value = text;
  field.dispatchEvent(new Event('input'));
  field.dispatchEvent(new Event('change'));
  fixture.detectChanges();
}

describe('the sky', () => {
  it('takes a simulated forecast, says so, and has another each time, also when it is opened again', () => {
    const { walk, labels } = room('orrel');
    const sky = open(SkyPage);
    expect(textOf(sky)).toContain('One figure for the whole day');
    click(sky, 'Take a simulated forecast');
    const first = walk().forecast?.cloudByHour;
    expect(textOf(sky)).toContain('A simulated forecast: made up');
    sky.destroy();
    const again = open(SkyPage);
    click(again, 'Another simulated forecast');
    expect(walk().forecast?.cloudByHour).not.toEqual(first);
    expect(labels).toEqual(['a simulated forecast', 'a simulated forecast']);
    click(again, 'Back to one figure');
    expect(walk()).not.toHaveProperty('forecast');
  });

  it('reads a forecast of one’s own, and of a broken file says where and changes nothing', async () => {
    const { walk, files } = room('orrel');
    const sky = open(SkyPage);
    const field = rootOf(sky).querySelector<HTMLInputElement>('input[type=file]');
    const choose = async (): Promise<void> => {
      Object.defineProperty(field, 'files', { value: [new File([''], 'clouds.csv')], configurable: true });
      field?.dispatchEvent(new Event('change'));
      await sky.whenStable();
      sky.detectChanges();
    };
    files.answer = { ok: false, message: '“25” is no hour from 0 to 23.', where: 'line 2' };
    await choose();
    expect(textOf(sky)).toContain('clouds.csv: “25” is no hour from 0 to 23. (line 2) Nothing was changed.');
    expect(walk().forecast).toBeUndefined();
    files.answer = { ok: true, cloudByHour: Array.from({ length: 24 }, () => 0.5) };
    await choose();
    expect(textOf(sky)).not.toContain('Nothing was changed');
    expect(walk().forecast).toMatchObject({ source: 'own' });
    expect(textOf(sky)).toContain('Now 50 %.');
  });

  it('tells the moon at the stops under which the sun is down, and at no other', () => {
    room('orrel');
    const text = textOf(open(SkyPage));
    for (const name of ['Tollard Stop', 'Quenmill Sluice', 'Long Arcade']) expect(text).toContain(`${name}: At`);
    for (const name of ['Tannery Front', 'Vessen Hall', 'Orrel Steps', 'Causey Lane']) expect(text).not.toContain(`${name}: At`);
  });

  it('has the polariser’s figures by day and says that there is nothing to darken by night', () => {
    room('orrel');
    expect(textOf(open(SkyPage))).toMatch(/\d\.\d stops darker.*costs 1\.5 stops/);
    TestBed.resetTestingModule();
    room('orrel', { minute: 60 });
    expect(textOf(open(SkyPage))).toContain('nothing to darken');
  });

  it('shows what a reading put on, and takes it off', () => {
    const reading = (walk: Walk): Walk => ({ ...walk, stops: walk.stops.map((stop) => ({ ...stop, lightOffsetEv: -1 })) });
    const { stop } = room('orrel', { change: reading });
    const sky = open(SkyPage);
    expect(textOf(sky)).toContain('A reading at Orrel Steps puts the light 1 stops under the model');
    click(sky, 'Use the calculated light');
    expect(stop().lightOffsetEv).toBe(0);
    expect(textOf(sky)).toContain('No reading yet.');
  });
});

describe('the thresholds', () => {
  it('are those of the stop’s picture, changed for the walk, and put back', () => {
    const { walk, labels } = room('orrel');
    const panel = open(ThresholdsPanel);
    expect(textOf(panel)).toContain('light pool');
    type(panel, 'Side of the lit square: full', '4');
    expect(walk().windows).toEqual({ poolSquareM: [1, 4] });
    type(panel, 'Lit share, at most: opens', '55');
    expect(walk().windows?.poolMostShare).toEqual([0.55, 0.25]);
    click(panel, 'Side of the lit square: back to the default');
    expect(Object.keys(walk().windows ?? {})).toEqual(['poolMostShare']);
    expect(labels).toHaveLength(3);
  });
  it('keep the way that a ramp runs, and survive nonsense', () => {
    const { walk } = room('orrel');
    const panel = open(ThresholdsPanel);
    for (const text of ['2', '9', 'much', '']) type(panel, 'Side of the lit square: opens', text);
    expect(walk().windows).toBeUndefined();
    expect(textOf(panel)).not.toBe('');
  });
  it('are none where hours decide', () => {
    room('quenmill');
    expect(textOf(open(ThresholdsPanel))).toContain('go by the hours you enter');
  });
});

describe('the year', () => {
  // The test's own browser has no canvas; what is painted is looked at in the real one.
  beforeEach(() => void jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null));
  afterEach(() => jest.restoreAllMocks());

  it('says how far it is, is stopped and goes on', () => {
    const { year } = room('orrel');
    const page = open(YearPage);
    expect(textOf(page)).toContain('Looking for windows, day by day');
    expect(textOf(page)).toContain('Known when the year is.');
    click(page, 'Stop looking');
    expect(textOf(page)).toContain('Stopped: the windows of later days are not known.');
    click(page, 'Go on looking');
    expect(year.isStopped()).toBe(false);
  });

  it('reads the cell of the walk’s day out, and a key moves the reading by a day', () => {
    const { year } = room('orrel');
    const page = open(YearPage);
    expect(textOf(page)).toContain('Sat 13 March, 15:00: in the sun.');
    const quality = new Uint8Array(365 * CARPET_ROWS).fill(255);
    year.quality.set({ days: year.sun().days, quality, daysDone: 365 });
    page.detectChanges();
    expect(textOf(page)).toContain('good for this picture (100 in 100)');
    const carpet = rootOf(page).querySelector('[role=slider]');
    const press = (key: string, shiftKey = false): void => {
      carpet?.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey }));
      page.detectChanges();
    };
    press('ArrowRight');
    expect(textOf(page)).toContain('Sun 14 March, 15:00');
    press('ArrowLeft', true);
    press('PageUp');
    expect(textOf(page)).toContain('Sun 7 March, 16:00');
  });

  it('goes to the cell that is chosen: the walk’s day by an edit, the minute beside it', () => {
    const { walk, minutes, labels } = room('orrel');
    const page = open(YearPage);
    const carpet = rootOf(page).querySelector('[role=slider]');
    carpet?.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    carpet?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect([walk().day, minutes, labels]).toEqual(['2027-03-14', [900], ['go to Sun 14 March']]);
  });

  it('has a night in one piece: after midnight it is the evening’s walk that is gone to', () => {
    const { year, minutes, walk, labels } = room('orrel');
    year.isByNights.set(true);
    year.fromMin.set(720);
    const page = open(YearPage);
    const carpet = rootOf(page).querySelector('[role=slider]');
    for (let k = 0; k < 10; k++) carpet?.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageUp' }));
    page.detectChanges();
    expect(carpet?.getAttribute('aria-valuetext')).toBe('Sun 14 March, 01:00: night.');
    carpet?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect([walk().day, minutes, labels]).toEqual(['2027-03-13', [1500], []]);
    expect(textOf(page)).toContain('Best nights');
  });

  it('lists the best days, or that there are none', () => {
    const { year } = room('orrel');
    year.quality.set({ days: year.sun().days, quality: new Uint8Array(365 * CARPET_ROWS), daysDone: 365 });
    year.isDone.set(true);
    const page = open(YearPage);
    expect(textOf(page)).toContain('On no day of this year is there light for this picture here.');
    year.best.set([{ day: '2027-05-03', goodMinutes: 125, bestMin: 930 }]);
    page.detectChanges();
    expect(textOf(page)).toMatch(/Mon 3 May 2027\s?2 h 5 min\s?15:30/);
  });

  it('asks when the same light comes again, and says what the walls do', () => {
    const { year } = room('orrel');
    const page = open(YearPage);
    click(page, /^It worked on Sat 13 March, 15:00/);
    expect(year.worked()).toEqual({ day: '2027-03-13', minuteOfDay: 900 });
    expect(textOf(page)).toContain('The sun does not return to this position within a year');
    const run = { fromDay: '2027-09-28', toDay: '2027-10-02', day: '2027-09-30', minuteOfDay: 941, apartDeg: 0.13 };
    year.again.set([
      { ...run, isLit: true },
      { ...run, fromDay: '2028-03-12', toDay: '2028-03-12', day: '2028-03-12', isLit: false },
    ]);
    page.detectChanges();
    expect(textOf(page)).toMatch(/Tue 28 September to Sat 2 October\s?Thu 30 September 2027, 15:41\s?0\.1°\s?let in/);
    expect(textOf(page)).toContain('shut out by the walls');
  });
});
