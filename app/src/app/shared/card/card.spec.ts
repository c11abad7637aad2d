import type { KitItem } from '@roam-dial/core/kit';
import { homeState, ladderOf } from '@roam-dial/core/setup';
import type { ManualSettings, Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import type { Workspace } from '../../storage/workspace';
import { type Card, cardFor, type NoCard } from '../../state/card/card.store';
import { focusOn } from '../../state/selection/focus.store';
import { parseClock } from '../../state/selection/selection.store';
import { Wording } from '../../words/wording';
import { type CardRowKey, cardRows, rowsAtHome } from './card-rows';
import { type LadderLine, ladderLines, nextStep } from './ladder-lines';
import { headline, cardLightSentence } from './light-sentences';
import { chanceSentence, cleanerSentence, liveViewCaution, obstacleSentence, sacrificeSentence } from './sentences';
import { offsetFor, shownBy } from './spot-light';
import { showsAt } from './camera-shows';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });

const WORKSPACE = demoWorkspace();
const WALK = WORKSPACE.walks[0] as Walk;

function changed(change: (stop: Stop) => Stop, workspace: Workspace = WORKSPACE): Workspace {
  return { ...workspace, walks: [{ ...WALK, stops: WALK.stops.map(change) }] };
}
function state(stopId: string, minuteOfDay: number, workspace: Workspace = WORKSPACE): Card | NoCard {
  return cardFor(workspace, focusOn(workspace, { walkId: null, stopId, minuteOfDay }), demoDay(workspace, stopId));
}
function card(stopId: string, minuteOfDay: number, workspace: Workspace = WORKSPACE): Card {
  const found = state(stopId, minuteOfDay, workspace);
  if (found.kind === 'none') throw new Error(`no card: ${found.reason} ${found.detail}`);
  return found;
}
const numbers = (one: Card): string[] => cardRows(one, WORDING).map(({ number }) => number);
const note = (one: Card, key: string): string => cardRows(one, WORDING).find((row) => row.key === key)?.note ?? '';

const linesOf = (one: Card): readonly LadderLine[] => ladderLines(one, ladderOf(one.cells.scene, one.light.keyEv100), WORDING);

describe('what is in focus', () => {
  it('is what the address says, or the first there is', () => {
    expect(focusOn(WORKSPACE, { walkId: null, stopId: null, minuteOfDay: null })).toMatchObject({ stopIndex: 0, minuteOfDay: 340 });
    expect(focusOn(WORKSPACE, { walkId: 'gone', stopId: 'gone', minuteOfDay: 9 })).toMatchObject({ stopIndex: 0, minuteOfDay: 9 });
    expect(focusOn({ ...WORKSPACE, walks: [] }, { walkId: null, stopId: null, minuteOfDay: null })).toMatchObject({
      walk: null,
      stop: null,
    });
  });
  it.each([
    ['15:36', 936],
    ['9:05', 545],
    ['24:40', 1480],
    ['36:00', null],
    ['9:75', null],
    ['noon', null],
    [null, null],
  ])('reads %j as %j', (text, minute) => {
    expect(parseClock(text)).toBe(minute);
  });
});

describe('the demo’s cards, by the hand-worked sheets', () => {
  it('Vessen Hall: f/7.1, 3 m, 1/500 (sheet 2)', () => {
    const vessen = card('vessen', 640);
    expect(numbers(vessen).slice(0, 4)).toEqual(['f/7.1', '3 m', '1/500', '100–6400']);
    expect(numbers(vessen)[4]).toBe('+1⅓');
    expect(headline(vessen, WORDING)).toBe('Stop 4 · 10:15 to 11:30 · light at 10:40');
    expect(note(vessen, 'aperture')).toBe('sharp from 1.7 to 12.4 m; too shallow at f/2.8 and wider');
    expect(note(vessen, 'focus')).toBe('marked on the ring; 99 % of passers-by in focus');
    expect(note(vessen, 'shutter')).toBe('people blur at 1/250 and slower; you can hold 0.29 s');
    // EV 10.6 by hand (sheet 9), 10.85 by rays.
    expect(Math.abs(vessen.light.keyEv100 - 10.6)).toBeLessThan(0.3);
    expect(cardLightSentence(vessen, WORDING)).toContain('Passing candid. People in the shade: EV 11');
  });
  it('Tollard Stop before its sign: f/4, 1/400, ISO near 2500 (sheet 3)', () => {
    const tollard = card('tollard', 345);
    expect(numbers(tollard).slice(0, 3)).toEqual(['f/4', '5 m', '1/400']);
    expect(note(tollard, 'iso')).toBe('up to your ceiling; about 2500 in this light');
  });
  it('Orrel Steps: the pool’s key at +⅔ by −1⅔ (sheet 5)', () => {
    const orrel = card('orrel', 915);
    expect(numbers(orrel)[4]).toBe('−1⅔');
    expect(note(orrel, 'meter')).toBe('puts the key tone ⅔ stop above mid-grey');
    expect(cardLightSentence(orrel, WORDING)).toContain('stops above the shade');
  });
  it('Quenmill Sluice in the dark: says that half a second is not to be had', () => {
    // At EV 1 f/2 and ISO 100 take 4/2 = 2 s.
    expect(note(card('quenmill', 120), 'shutter')).toMatch(/^longer than the 0.5 s you want: the lens is wide open/);
    expect(note(card('quenmill', 400), 'shutter')).toBe('the time you want; on the tripod');
  });

  it('gives every demo stop five numbers with a note and a why', () => {
    for (const stop of WALK.stops) {
      const rows = cardRows(card(stop.id, stop.arriveMin), WORDING);
      expect(rows.slice(0, 5).every(({ number, note: said, why }) => number !== '' && said !== '' && why !== null)).toBe(true);
      expect(JSON.stringify(rows)).not.toMatch(/NaN|undefined/);
    }
  });
});

describe('what the camera shows as the light goes', () => {
  it('is the ISO that floats, up to its ceiling', () => {
    // f/7.1 is 2^(17/6), 1/512 is 2^-9: EV 14.67 at ISO 100. At EV 10.67 that is ISO 1600, at EV 9.67 ISO 3200.
    const vessen = card('vessen', 640);
    const { hand } = vessen.result.setUp.found;
    const key = vessen.result.setUp.meter.keyPlacementEv;
    const at = (ev: number): string => showsAt(vessen, hand, ev + key, WORDING);
    expect([at(32 / 3), at(29 / 3)]).toEqual(['ISO 1600', 'ISO 3200']);
    expect(at(20 / 3)).toMatch(/^ISO 6400/);
  });
});

describe('the ladder in words', () => {
  const DARK = changed((stop) => ({ ...stop, lightOffsetEv: -2 }));

  it('says how far down nothing has to be changed: by day that is all of it', () => {
    const lines = linesOf(card('vessen', 640));
    // Three stops under EV 11; f/7.1 at 1/500 then asks for ISO 12800, twice the ceiling.
    expect(lines).toEqual([
      {
        shows: '',
        ev: 'now',
        change: 'nothing to change down to EV 8',
        effect: expect.stringContaining('shows ISO 6400') as string,
      },
    ]);
    expect(nextStep(lines)).toMatch(/^Nothing to change down to EV 8; the camera then shows ISO 6400/);
  });
  it('names each change, and ends where the picture does', () => {
    const lines = linesOf(card('arcade', 1150, DARK));
    expect(lines[0]?.change).toMatch(/^nothing to change down to EV/);
    expect(lines[1]?.change).toMatch(/^open up to f/);
    expect(lines.at(-1)).toMatchObject({ change: 'this picture ends', effect: expect.stringContaining('still works') });
    expect(nextStep(lines)).toContain(`From ${lines[1]?.shows} on (${lines[1]?.ev}): ${lines[1]?.change}`);
    expect(lines[1]?.shows).toMatch(/^ISO 6400/);
    expect(ladderLines(card('arcade', 1150, DARK), null, WORDING)).toEqual([]);
  });
  it('says so where it is darker already than where the picture ends', () => {
    // At 06:03 there are 16 good frames of 100, under the 20 at which a ladder ends.
    expect(linesOf(card('quenmill', 363))).toEqual([
      { shows: '', ev: 'now', change: 'this picture has ended', effect: 'passing candid still works' },
    ]);
  });
  it('has no next step without lines', () => {
    expect(nextStep([])).toBeNull();
  });
});

describe('when there is no card, or not this one', () => {
  it.each([
    ['noWalk', { ...WORKSPACE, walks: [] }],
    ['noStop', { ...WORKSPACE, walks: [{ ...WALK, stops: [] }] }],
    ['noKit', { ...WORKSPACE, kit: WORKSPACE.kit.filter(({ kind }) => kind !== 'lens') }],
    ['tooNear', changed((stop) => ({ ...stop, subject: { ...stop.subject, nearM: 0.01, medianM: 0.02 } }))],
    ['skippedDay', { ...WORKSPACE, walks: [{ ...WALK, day: '2011-12-30', place: { ...WALK.place, timeZone: 'Pacific/Apia' } }] }],
    ['badInput', changed((stop) => ({ ...stop, subject: { ...stop.subject, nearM: 9, farM: 2 } }))],
  ])('says %s', (reason, workspace) => {
    expect(state('vessen', 640, workspace)).toMatchObject({ kind: 'none', reason });
  });

  it('says by how much it is too dark, and what went', () => {
    const dark = card(
      'vessen',
      640,
      changed((stop) => ({ ...stop, lightOffsetEv: -10 })),
    );
    expect(dark.result.kind).toBe('cannot');
    if (dark.result.kind === 'cannot')
      expect(obstacleSentence(dark.result.obstacle, dark, WORDING)).toMatch(/^Too dark for this picture: it needs \d/);
    expect(dark.result.sacrifices.map((one) => sacrificeSentence(one, WORDING)).join(' ')).toMatch(
      /ISO: it would take 2 stops more than your ceiling\..*Depth: \d+ in 100 are within the zone in focus\./,
    );
    expect(linesOf(dark)).toEqual([]);
    expect(cardLightSentence(dark, WORDING)).toContain('10 stops darker than calculated, by your reading');
  });

  it('shows what the hand has set, and the chance that goes with it', () => {
    const hand = { fNumber: 2, focusM: 3, shutterS: 1 / 512, iso: null, support: 'handheld' as const };
    const [best, chosen] = [
      card('vessen', 640),
      card(
        'vessen',
        640,
        changed((stop) => ({ ...stop, hand })),
      ),
    ];
    expect(numbers(chosen).slice(0, 3)).toEqual(['f/2', '3 m', '1/500']);
    expect(chanceSentence(best)).toMatch(/^Sharp and well exposed: 9\d in 100$/);
    expect(chanceSentence(chosen)).toMatch(/^Sharp and well exposed as you have set it: \d\d in 100$/);
    expect(chosen.result.setUp.found.chance).toBeLessThan(best.result.setUp.found.chance);
  });

  it('names what two stops of ISO less would cost, with its chance', () => {
    const dim = card('arcade', 1150);
    const { cleaner } = dim.result;
    const best = dim.result.best;
    expect(best.isoStops).toBeGreaterThan(2);
    expect(cleaner === null || cleaner.isoStops <= best.isoStops - 2 + 1e-9).toBe(true);
    const vessen = card('vessen', 640);
    expect(vessen.result.cleaner?.chance).toBeLessThanOrEqual(vessen.result.best.chance);
    expect(cleanerSentence(vessen, WORDING)).toMatch(/^Less noise: f\/\S+, 1\/\d+, ISO \d+: \d+ in 100$/);
    // In the sun ISO is at its base: nothing is cleaner.
    expect(cleanerSentence(card('tannery', 560), WORDING)).toBeNull();
  });

  it('warns that the magnified view lies about f/7.1, and not about f/4', () => {
    expect(liveViewCaution(card('vessen', 640), WORDING)).toContain('stops down to f/5.6 at most');
    expect(liveViewCaution(card('tollard', 345), WORDING)).toBeNull();
  });
});

describe('what is as at home', () => {
  const home = homeState([{ id: 'vessen', input: card('vessen', 640).input }]);
  const atHome = (hand: Partial<ManualSettings>): CardRowKey[] => {
    const set = { ...(home?.hand as ManualSettings), ...hand };
    return [
      ...rowsAtHome(
        card(
          'vessen',
          640,
          changed((stop) => ({ ...stop, hand: set })),
        ),
        home,
      ),
    ];
  };
  it('is marked row by row, and nothing of a stop that no home state serves', () => {
    expect(atHome({})).toEqual(['aperture', 'focus', 'shutter', 'iso']);
    expect(atHome({ fNumber: 2, focusM: 5 })).toEqual(['shutter', 'iso']);
    expect(rowsAtHome(card('tollard', 345), home).size).toBe(0);
    expect(rowsAtHome(card('vessen', 640), null).size).toBe(0);
  });
});

describe('what the camera shows', () => {
  it('corrects the light: ISO 1270 at f/7.1 and 1/500 is EV 11 (sheet 2)', () => {
    const vessen = card('vessen', 640);
    // 100·2^(17/3)·512/2^11: f/7.1 stands for 2^(17/6).
    expect(vessen.light.modelEv100 + offsetFor(vessen, { control: 'iso', value: 100 * 2 ** (17 / 3 - 2) })).toBeCloseTo(11, 9);
  });
  it('is the shutter where the sun is so bright that ISO stays at its base: EV 15 is 1/512 at f/8', () => {
    const tannery = card('tannery', 560);
    expect(shownBy(tannery)?.control).toBe('shutter');
    const key = tannery.result.setUp.meter.keyPlacementEv;
    expect(tannery.light.modelEv100 - key + offsetFor(tannery, { control: 'shutter', value: 2 ** -9 })).toBeCloseTo(15 + 0, 9);
  });
  it('takes a film body’s roll for the ISO', () => {
    const kit = WORKSPACE.kit.map((item): KitItem =>
      item.kind === 'body' && item.medium === 'film' ? { ...item, inBag: true } : item,
    );
    const film = card('vessen', 640, { ...WORKSPACE, kit, walks: [{ ...WALK, bodyId: 'demo-film-body' }] });
    expect(note(film, 'iso')).toBe('the roll: Grey 400; expose for the shadows');
    expect(note(film, 'meter')).toContain('allow for it by hand');
  });
});
