import type { Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Limit, Passer } from '@roam-dial/core/setup';
import { Wording } from '../../words/wording';
import { FacadeSection } from './where-to-stand/facade-section';
import { type GroundMove, GroundStrip } from './what-holds/ground-strip';
import { KeeperCurve } from './hands-and-lens/keeper-curve';
import { type FieldPlace, LimitsChart } from './what-holds/limits-chart';
import { ResponseChart } from './as-light-goes/response-chart';
import { TwoThingsView } from './where-to-stand/two-things';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });

function draw<Chart>(chart: Type<Chart>, inputs: Readonly<Record<string, unknown>>): ComponentFixture<Chart> {
  const fixture = TestBed.createComponent(chart);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
  return fixture;
}
const element = ({ nativeElement }: ComponentFixture<unknown>): HTMLElement => nativeElement as HTMLElement;
function slider(fixture: ComponentFixture<unknown>, name = ''): Element {
  const all = [...element(fixture).querySelectorAll('[role=slider]')];
  const found = all.find((one) => one.getAttribute('aria-label')?.includes(name));
  if (found === undefined) throw new Error(`no slider ${name}`);
  return found;
}
function press(target: Element, key: string, shiftKey = false): void {
  target.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey, bubbles: true, cancelable: true }));
}

describe('the limits chart by keyboard', () => {
  const COLUMNS = ['1/60', '1/125', '1/250', '1/500'];
  const ROWS = ['f/8', 'f/5.6', 'f/4'];
  const limitsAt = (column: number, row: number): readonly Limit[] =>
    column === 0 ? ['motion'] : row === 2 ? ['depth', 'motion'] : [];
  function chart(point: FieldPlace, isEmpty = false) {
    const fixture = draw(LimitsChart, {
      fields: {
        columns: 4,
        rows: 3,
        fields: Array.from({ length: 12 }, (_, k) => {
          const [column, row] = [k % 4, Math.floor(k / 4)];
          return { column, row, chance: 0.25 * column, limits: isEmpty ? ['tooDark'] : limitsAt(column, row) };
        }),
      },
      words: {
        columns: COLUMNS,
        rows: ROWS,
        across: 'the shutter',
        limit: (limit: Limit) => `held by ${limit}`,
        reading: ({ column, row }: FieldPlace) => `${ROWS[row]} at ${COLUMNS[column]}`,
      },
      point,
      pointLabel: 'here',
      best: { column: 3, row: 1 },
    });
    const moves: FieldPlace[] = [];
    fixture.componentInstance.moved.subscribe((move) => moves.push(move));
    return { fixture, moves, point: slider(fixture) };
  }
  it('moves a mark at a time, and counts keys that come before it is drawn again', () => {
    const { moves, point } = chart({ column: 1, row: 0 });
    press(point, 'ArrowRight');
    press(point, 'ArrowRight');
    press(point, 'ArrowDown');
    expect(moves).toEqual([
      { column: 2, row: 0 },
      { column: 3, row: 0 },
      { column: 3, row: 1 },
    ]);
  });
  it('stops at the edges without saying that it moved', () => {
    const { moves, point } = chart({ column: 3, row: 0 });
    for (const key of ['ArrowRight', 'ArrowUp', 'Home', 'a']) press(point, key);
    expect(moves).toEqual([]);
  });
  it('only reads with Shift, and sets what it reads with Enter', () => {
    const { fixture, moves, point } = chart({ column: 0, row: 0 });
    press(point, 'ArrowRight', true);
    press(point, 'ArrowDown', true);
    fixture.detectChanges();
    expect(moves).toEqual([]);
    expect(element(fixture).querySelector('.reading')?.textContent).toBe('f/5.6 at 1/125');
    press(point, 'Enter');
    expect(moves).toEqual([{ column: 1, row: 1 }]);
    press(point, 'Enter');
    expect(moves).toHaveLength(1);
  });
  it('names every area, on the picture or in its key, and has a table behind it', () => {
    const { fixture } = chart({ column: 3, row: 1 });
    const text = element(fixture).textContent ?? '';
    expect(text).toContain('held by motion');
    expect(text).toContain('held by depth');
    expect(element(fixture).querySelectorAll('tbody tr')).toHaveLength(3);
    expect(element(fixture).querySelector('.best')).toBeNull();
    expect(element(fixture).querySelector('.island')?.getAttribute('d')).not.toBe('');
  });
  it('draws no island where there is none, and shows where the best is', () => {
    const { fixture } = chart({ column: 0, row: 0 }, true);
    expect(element(fixture).querySelector('.island')?.getAttribute('d')).toBe('');
    expect(element(fixture).querySelector('.best')).not.toBeNull();
  });
});

describe('the ground strip by keyboard', () => {
  const passer = (distanceM: number, isGood: boolean): Passer => ({
    distanceM,
    across: 0,
    defocusMm: 0.01,
    smearMm: 0.01,
    blurMm: 0.014,
    isGood,
  });
  function strip(over: Readonly<Record<string, unknown>> = {}) {
    const fixture = draw(GroundStrip, {
      focusM: 3,
      sharp: { nearM: 1.7, farM: 12.4 },
      wantedFarM: 5,
      medianM: 3,
      passers: [passer(2, true), passer(4, false), passer(400, false)],
      circleMm: 0.03,
      halfPerM: 0.64,
      marks: [
        { label: 'far wall', distanceM: 6 },
        { label: 'kerb', distanceM: 1.6 },
      ],
      strideM: 0.75,
      wording: WORDING,
      sentence: 'all inside',
      ...over,
    });
    const moves: GroundMove[] = [];
    fixture.componentInstance.moved.subscribe((move) => moves.push(move));
    return { fixture, moves };
  }
  it('steps focus, near and far by the mark', () => {
    const { fixture, moves } = strip();
    press(slider(fixture, 'Focus'), 'ArrowRight');
    press(slider(fixture, 'Near end'), 'ArrowLeft');
    press(slider(fixture, 'Far end'), 'ArrowUp');
    press(slider(fixture, 'Far end'), 'PageUp');
    expect(moves).toEqual([
      { handle: 'focus', to: { steps: 1 } },
      { handle: 'near', to: { steps: -1 } },
      { handle: 'far', to: { steps: 1 } },
    ]);
  });
  it('draws those who are within reach, names what lies there, and says where the zone goes on to', () => {
    const { fixture } = strip();
    expect(element(fixture).querySelectorAll('.person')).toHaveLength(2);
    const text = element(fixture).textContent ?? '';
    expect(text).toContain('kerb 1.6 m');
    expect(text).toContain('on to 12.4 m');
    expect(text).toMatch(/\d+ strides/);
  });
  it('has no ends where nothing is sharp, and no focus to drag where the spot is locked', () => {
    const { fixture } = strip({ sharp: null, canFocus: false, marks: [], passers: [] });
    expect(element(fixture).querySelectorAll('[role=slider]')).toHaveLength(0);
    expect(element(fixture).querySelector('.wedge')).toBeNull();
  });
  it('is in feet for whoever reads feet', () => {
    const { fixture } = strip({ wording: new Wording({ lengthUnit: 'feet', clock: '24h' }) });
    expect([...element(fixture).querySelectorAll('.axis')].some((tick) => / ft/.test(tick.textContent ?? ''))).toBe(true);
  });
});

describe('the keeper curve by keyboard', () => {
  const fixture = (): ComponentFixture<KeeperCurve> =>
    draw(KeeperCurve, {
      lines: [
        { name: 'by hand', isOwn: true, at: (shutterS: number) => (shutterS < 1 / 30 ? 1 : 0) },
        { name: 'braced', isOwn: false, at: () => 1 },
      ],
      dots: [{ shutterS: 1 / 60, share: 0.9, frames: 10 }],
      band: () => ({ low: 0.2, high: 0.8 }),
      limitS: 1 / 30,
      times: [1 / 1000, 2],
      say: (seconds: number) => `${Math.round(1 / seconds)}th`,
      sentence: 'steady',
    });
  it('moves the limit by thirds of a stop', () => {
    const drawn = fixture();
    const moves: number[] = [];
    drawn.componentInstance.moved.subscribe((stops) => moves.push(stops));
    const limit = slider(drawn);
    expect(limit.getAttribute('aria-valuetext')).toBe('30th');
    for (const key of ['ArrowRight', 'ArrowUp', 'ArrowLeft', 'Tab']) press(limit, key);
    expect(moves).toEqual([1 / 3, 1 / 3, -1 / 3]);
  });
  it('draws the band, every curve with its name, and the frames as dots', () => {
    const drawn = element(fixture());
    expect(drawn.querySelectorAll('.curve')).toHaveLength(2);
    expect(drawn.querySelector('.band')).not.toBeNull();
    expect(drawn.querySelectorAll('.frames')).toHaveLength(1);
    expect(drawn.textContent).toContain('braced');
    expect(drawn.innerHTML).not.toContain('NaN');
  });
});

describe('the façade from the side', () => {
  const section = (distanceM: number) => {
    const fixture = draw(FacadeSection, {
      facadeHeightM: 12,
      distanceM,
      distanceText: `${distanceM} m`,
      tiltDeg: 10,
      halfAngleDeg: 23.2,
      marks: [{ distanceM: 24, text: 'level from 24 m' }],
    });
    const moves: number[] = [];
    fixture.componentInstance.moved.subscribe((move) => moves.push(move));
    return { fixture, moves };
  };
  it('steps the camera by half a metre, never nearer than one', () => {
    const { fixture, moves } = section(1.2);
    press(slider(fixture), 'ArrowLeft');
    press(slider(fixture), 'ArrowRight');
    press(slider(fixture), 'Enter');
    expect(moves).toEqual([1.7, 1]);
  });
  it('draws what the frame takes in without a hole, straight up too', () => {
    expect(element(section(15).fixture).innerHTML).not.toContain('NaN');
    expect(element(section(0.5).fixture).querySelector('.cone')?.getAttribute('d')).toMatch(/^M[\d.,L-]+Z$/);
  });
});

describe('the camera’s response by keyboard', () => {
  const points = (shutterS: number) =>
    [12, 9, 6, 3].map((ev100) => ({ ev100, fNumber: 8, shutterS, iso: 100 * 2 ** (12 - ev100), errorEv: ev100 === 3 ? -2 : 0 }));
  const fixture = (second: unknown): ComponentFixture<ResponseChart> =>
    draw(ResponseChart, {
      first: { name: 'Own', points: points(1 / 500) },
      second,
      nowEv100: 8.6,
      words: {
        shutter: (seconds: number) => `1/${Math.round(1 / seconds)}`,
        iso: String,
        ev: String,
        stops: (stops: number) => String(Math.abs(stops)),
      },
    });
  const reading = (drawn: ComponentFixture<ResponseChart>): string | null => {
    drawn.detectChanges();
    return slider(drawn).getAttribute('aria-valuetext');
  };
  it('reads the light now, then darker and brighter, and stops at the ends', () => {
    const drawn = fixture(null);
    expect(reading(drawn)).toBe('EV 9. Own: 1/500, ISO 800.');
    press(slider(drawn), 'ArrowRight');
    expect(reading(drawn)).toBe('EV 6. Own: 1/500, ISO 6400.');
    for (let k = 0; k < 5; k++) press(slider(drawn), 'ArrowRight');
    expect(reading(drawn)).toBe('EV 3. Own: 1/500, ISO 51200, 2 too dark.');
    for (let k = 0; k < 9; k++) press(slider(drawn), 'ArrowLeft');
    expect(reading(drawn)).toBe('EV 12. Own: 1/500, ISO 100.');
  });
  it('lays a second way of running the camera over it', () => {
    const drawn = fixture({ name: 'Other', points: points(1 / 60) });
    expect(element(drawn).querySelectorAll('.response.second')).toHaveLength(3);
    expect(reading(drawn)).toContain('Other: 1/60');
  });
});

describe('near against far', () => {
  it('stands both on one horizon, as tall as they come out', () => {
    // 1.7 m at 10 m against 17 m at 100 m: the same.
    const drawn = draw(TwoThingsView, { nearHeightM: 1.7, farHeightM: 17, nearDistanceM: 10, gapM: 90, sentence: 'alike' });
    const heights = [...element(drawn).querySelectorAll('rect')].map((bar) => Number(bar.getAttribute('height')));
    expect(heights[0]).toBeCloseTo(heights[1] ?? 0, 6);
    expect(element(drawn).querySelector('svg')?.getAttribute('aria-label')).toBe('alike');
  });
});
