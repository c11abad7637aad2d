import { signal, type Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { compareApproaches, homeState, ladderOf, placeOfHand, waysOut } from '@roam-dial/core/setup';
import type { ManualSettings, Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../testing/demo';
import { BehaviorSubject, map, of } from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import { type Card, cardFor } from '../../state/card/card.store';
import { focusOn, FocusStore } from '../../state/selection/focus.store';
import { changeStop } from '../../state/walk/stop.edits';
import { FindingsStore } from '../../state/card/findings.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { Wording } from '../../words/wording';
import { GroundMarks } from './what-holds/ground-marks';
import { SettingsBar } from './settings-bar';
import { HandsPage } from './hands-and-lens/hands-page';
import { HoldsPage } from './what-holds/holds-page';
import { HomePanel } from './as-light-goes/home-panel';
import { AsLightGoesPage } from './as-light-goes/as-light-goes-page';
import { RoomState } from './room-state';
import { ApproachesPanel } from './as-light-goes/approaches-panel';
import { StandPage } from './where-to-stand/stand-page';
import { WaysOutPanel } from './what-holds/ways-out-panel';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const WORKSPACE = demoWorkspace();
const WALK = WORKSPACE.walks[0] as Walk;
const MINUTES: Readonly<Record<string, number>> = { vessen: 640, arcade: 1150, tannery: 520, quenmill: 400 };

function cardOf(workspace: Workspace, stopId: string): Card {
  const found = cardFor(workspace, focusOn(workspace, { walkId: null, stopId, minuteOfDay: MINUTES[stopId] ?? 640 }));
  if (found.kind === 'none') throw new Error(found.detail);
  return found;
}

/** A room about one stop of the demo: edits are applied to it, nothing is stored. */
function room(stopId: string, change: (stop: Stop) => Stop = (stop) => stop) {
  const workspaces = new BehaviorSubject(changeStop(WALK.id, stopId, change)(WORKSPACE));
  const card = signal(cardOf(workspaces.value, stopId));
  const labels: string[] = [];
  const store = {
    workspace$: workspaces,
    settings$: workspaces.pipe(map(({ settings }) => settings)),
    edit: ({ label }: { label: string }, edit: (before: Workspace) => Workspace): void => {
      labels.push(label);
      workspaces.next(edit(workspaces.value));
      card.set(cardOf(workspaces.value, stopId));
    },
  };
  const state = {
    card,
    missing: () => null,
    workspace: () => workspaces.value,
    wording: () => WORDING,
    cells: () => card().cells,
    found: () => card().result.setUp.found,
    place: () => placeOfHand(card().cells.scene, card().result.setUp.found.hand),
  };
  const first = card();
  const home = homeState([{ id: stopId, input: first.input }]);
  const findings = {
    ladder$: of({ card: first, answer: ladderOf(first.cells.scene, first.light.keyEv100) }),
    waysOut$: of({ card: first, answer: waysOut(first.input, first.lensesInBag) }),
    approaches$: of({ card: first, answer: compareApproaches(first.input) }),
    home$: of(home === null ? null : { home, kit: first.kit }),
  };
  const focus = { focus$: workspaces.pipe(map((now) => focusOn(now, { walkId: null, stopId, minuteOfDay: null }))) };
  TestBed.configureTestingModule({
    providers: [
      { provide: FocusStore, useValue: focus },
      { provide: RoomState, useValue: state },
      { provide: WorkspaceStore, useValue: store },
      { provide: FindingsStore, useValue: findings },
    ],
  });
  return { card, labels, hand: (): ManualSettings => card().result.setUp.found.hand, workspace: () => workspaces.value };
}

function open<Page>(page: Type<Page>): ComponentFixture<Page> {
  const fixture = TestBed.createComponent(page);
  fixture.detectChanges();
  return fixture;
}
const textOf = ({ nativeElement }: ComponentFixture<unknown>): string => (nativeElement as HTMLElement).textContent ?? '';
function click(fixture: ComponentFixture<unknown>, name: string | RegExp): void {
  const is = (text: string): boolean => (typeof name === 'string' ? text === name : name.test(text));
  const all = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
  const found = all.find((one) => is((one.getAttribute('aria-label') ?? one.textContent ?? '').trim()));
  if (found === undefined)
    throw new Error(`no button ${String(name)} among ${all.map((one) => one.textContent?.trim()).join(' | ')}`);
  found.click();
  fixture.detectChanges();
}

describe('the bar of what the hand sets', () => {
  it('steps each control its own way: more of a shutter is a faster one', () => {
    const { hand, labels } = room('vessen');
    const bar = open(SettingsBar);
    click(bar, 'Slowest shutter: more');
    expect(1 / (hand().shutterS ?? 0)).toBeCloseTo(2 ** (28 / 3), 3);
    click(bar, 'Aperture: less');
    expect(hand().fNumber).toBeCloseTo(2 ** (16 / 6), 6);
    click(bar, 'Focus: more');
    expect(hand().focusM).toBe(5);
    expect(labels).toEqual([
      'change the set-up at Vessen Hall',
      'change the set-up at Vessen Hall',
      'change the set-up at Vessen Hall',
    ]);
    click(bar, 'Back to best');
    expect(hand().fNumber).toBeCloseTo(2 ** (17 / 6), 6);
    expect(textOf(bar)).not.toContain('Back to best');
  });
  it('compares with what was pinned, and sets it again', () => {
    const { hand } = room('vessen');
    const bar = open(SettingsBar);
    click(bar, 'Pin this');
    expect(textOf(bar)).toContain('As good as it, at the same ISO.');
    for (let k = 0; k < 6; k++) click(bar, 'Aperture: less');
    expect(textOf(bar)).toMatch(/This one has \d+ fewer, at [\d⅓⅔]+ stops less ISO\./);
    click(bar, 'Set it');
    expect(hand().fNumber).toBeCloseTo(2 ** (17 / 6), 6);
    click(bar, 'Unpin');
    expect(textOf(bar)).not.toContain('Pinned');
  });
  it('cannot be stepped past the last mark', () => {
    room('vessen', (stop) => ({
      ...stop,
      hand: { fNumber: 2, focusM: Infinity, shutterS: 2 ** -11, iso: null, support: 'handheld' },
    }));
    const bar = open(SettingsBar);
    const disabled = [...(bar.nativeElement as HTMLElement).querySelectorAll('button:disabled')].map((one) =>
      one.getAttribute('aria-label'),
    );
    expect(disabled).toEqual(['Aperture: less', 'Focus: more', 'Slowest shutter: more']);
  });
});

describe('what holds it', () => {
  it('moves the hand by the ground: near through the aperture, a tap through the focus', () => {
    const { hand } = room('vessen');
    const page = open(HoldsPage);
    const strip = (page.nativeElement as HTMLElement).querySelector('rd-ground-strip') as HTMLElement;
    const press = (name: string, key: string): void => {
      strip.querySelector(`[aria-label="${name}"]`)?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      page.detectChanges();
    };
    press('Near end of what is sharp', 'ArrowRight');
    expect(hand().fNumber).toBeCloseTo(2 ** (16 / 6), 6);
    press('Far end of what is sharp', 'ArrowRight');
    expect(hand().fNumber).toBeCloseTo(2 ** (17 / 6), 6);
    press('Focus', 'ArrowLeft');
    expect(hand().focusM).toBe(2);
  });
  it('says that nothing keeps every limit, and which times are safe under the lamps', () => {
    room('vessen', (stop) => ({
      ...stop,
      lightOffsetEv: -9,
      shooting: { burstFrames: 1, isWalking: false, smear: 'byIntent', lamp: 'poorLed', wantsGlitch: false, spotByEye: false },
    }));
    const text = textOf(open(HoldsPage));
    expect(text).toContain('No set-up stays within every limit here.');
    expect(text).toContain('This light pulses 100 times a second');
    expect(text).not.toMatch(/NaN|undefined/);
  });
});

describe('as light goes', () => {
  it('has every part, for a stop by night', () => {
    room('arcade');
    const text = textOf(open(AsLightGoesPage));
    for (const title of [
      'What you change',
      'What else would help',
      'Approaches compared in this light',
      'Base set-up for the walk',
    ]) {
      expect(text).toContain(title);
    }
    expect(text).not.toMatch(/NaN|undefined/);
  });
  it('takes a school over, and what the hand had set is dropped', () => {
    const { card, hand } = room('vessen', (stop) => ({
      ...stop,
      hand: { fNumber: 2, focusM: 3, shutterS: 1 / 512, iso: null, support: 'handheld' },
    }));
    click(open(ApproachesPanel), 'Use here: Both held, ISO floats');
    expect(card().stop.approach?.exposure).toBe('bothHeld');
    expect(card().stop.hand).toBeUndefined();
    expect(hand().fNumber).toBeGreaterThan(2);
  });
  it('does a way out, and offers no tripod that stays at home', () => {
    const { card, labels } = room('vessen', (stop) => ({ ...stop, lightOffsetEv: -6 }));
    const before = card().result.best.chance;
    const panel = open(WaysOutPanel);
    click(panel, /^Apply: /);
    expect(labels).toEqual(['apply a suggestion at Vessen Hall']);
    expect(card().result.best.chance).toBeGreaterThan(before);
  });
  it('ticks the check and begins it again', () => {
    const { card } = room('vessen');
    const panel = open(HomePanel);
    const boxes = [...(panel.nativeElement as HTMLElement).querySelectorAll<HTMLInputElement>('input[type=checkbox]')];
    for (const box of boxes) box.click();
    panel.detectChanges();
    expect(card().walk.homeChecked).toHaveLength(boxes.length);
    expect(textOf(panel)).toContain('All checked.');
    click(panel, 'Clear the checklist');
    expect(card().walk.homeChecked).toEqual([]);
  });
});

describe('where to stand', () => {
  it('works a façade out: 14 m from 16 m back with 28 mm', () => {
    room('tannery');
    const text = textOf(open(StandPage));
    // Top at atan(12.4/16) = 37.78°, half of the view 23.20°: 14.6°; lean atan(18·tan 14.58°/28) = 9.5°;
    // level at 14 − 15.972·24/56 = 7.15 m.
    expect(text).toContain('look up 15°, and uprights at the sides lean in by 9.5°; or hold the camera level 7.2 m up.');
  });
  it('puts a lens on, turns the camera, and sets the hand from the zone table', () => {
    const { card, hand } = room('vessen');
    const page = open(StandPage);
    click(page, /at 105 mm/);
    expect(card().stop).toMatchObject({ lensId: 'demo-zoom', focalLengthMm: 105 });
    click(page, /^28 f\/2 at 28 mm/);
    click(page, /^Set 2 m and this aperture/);
    expect(hand()).toMatchObject({ focusM: 2, fNumber: 2 });
  });
});

describe('my hands', () => {
  const limitOf = (page: ComponentFixture<unknown>): string | null =>
    (page.nativeElement as HTMLElement).querySelector('rd-keeper-curve [role=slider]')?.getAttribute('aria-valuetext') ?? null;
  it('keeps test frames, learns from them, and forgets one again', () => {
    const { workspace } = room('vessen');
    const page = open(HandsPage);
    expect(limitOf(page)).toBe('0.29 s');
    click(page, 'Add a tested time');
    click(page, 'Add a tested time');
    const [first, second] = workspace().standard.handTests ?? [];
    expect(first).toMatchObject({ frames: 10, sharp: 8 });
    expect(second?.againstRule).not.toBeCloseTo(first?.againstRule ?? 0, 3);
    expect(textOf(page)).toContain('Your own frames say');
    click(page, 'Use my steadiness from these frames');
    expect(Math.abs(workspace().standard.steadinessStops)).toBeLessThan(1);
    click(page, /^Remove the test at/);
    expect(workspace().standard.handTests).toHaveLength(1);
  });
});

describe('what lies there', () => {
  function marks(count: number) {
    const fixture = TestBed.createComponent(GroundMarks);
    const list = Array.from({ length: count }, (_, k) => ({ label: `stone ${k}`, distanceM: k + 1 }));
    fixture.componentRef.setInput('marks', list);
    fixture.componentRef.setInput('wording', WORDING);
    fixture.detectChanges();
    const changes: (readonly { label: string; distanceM: number }[])[] = [];
    fixture.componentInstance.changed.subscribe((change) => changes.push(change));
    return { fixture, changes };
  }
  it('begins with nothing, takes away the right one, and stops at forty', () => {
    const none = marks(0);
    click(none.fixture, 'Add something that lies there');
    expect(none.changes).toEqual([[{ label: 'kerb', distanceM: 3 }]]);
    const three = marks(3);
    click(three.fixture, 'Remove stone 1');
    expect(three.changes[0]?.map(({ label }) => label)).toEqual(['stone 0', 'stone 2']);
    expect(textOf(marks(40).fixture)).not.toContain('Add something');
  });
});
