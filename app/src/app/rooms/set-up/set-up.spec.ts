import { inflateSync } from 'node:zlib';
import { isoCeilingOf, type Lens } from '@roam-dial/core/kit';
import { barrelTape } from '@roam-dial/core/optics';
import { homeState, placeOfHand, waysOut } from '@roam-dial/core/setup';
import { DEFAULT_SHOOTING, type Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../testing/demo';
import { type Card, cardFor } from '../../state/card/card.store';
import { focusOn } from '../../state/selection/focus.store';
import { changeStop } from '../../state/walk/stop.edits';
import { takeWayOut } from '../../state/walk/way-out.edits';
import { Wording } from '../../words/wording';
import { barrelTapePdf } from './hands-and-lens/barrel-tape-pdf';
import { fieldCheck } from './hands-and-lens/field-check';
import { flickerSentence } from './what-holds/flicker-sentence';
import { groundSentence } from './what-holds/ground-sentence';
import { homeChecks } from '../../words/set-up/home-checks';
import { cellOf, fieldOf, handFor, limitsView, limitsWords } from './what-holds/limits-view';
import { wayText } from './what-holds/ways-out';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });

const WORKSPACE = demoWorkspace();
const WALK = WORKSPACE.walks[0] as Walk;

function card(stopId: string, minuteOfDay: number, change: (stop: Stop) => Stop = (stop) => stop, workspace = WORKSPACE): Card {
  const changed = changeStop(WALK.id, stopId, change)(workspace);
  const found = cardFor(changed, focusOn(changed, { walkId: null, stopId, minuteOfDay }));
  if (found.kind === 'none') throw new Error(found.detail);
  return found;
}
const VESSEN = card('vessen', 640);

describe('the limits chart’s data', () => {
  const place = placeOfHand(VESSEN.cells.scene, VESSEN.result.setUp.found.hand);
  const view = limitsView(VESSEN.cells, place.focus);

  it('has slow times on the left and small apertures on top', () => {
    const words = limitsWords(view, VESSEN, WORDING);
    expect([words.columns[0], words.columns.at(-1), words.rows[0], words.rows.at(-1)]).toEqual(['1 s', '1/2000', 'f/16', 'f/2']);
  });
  it('goes from the hand to its field and back', () => {
    const field = fieldOf(view.grid, place);
    expect(cellOf(view.grid, field)).toEqual({ aperture: place.aperture, dial: place.dial });
    const { fNumber, shutterS } = VESSEN.result.setUp.found.hand;
    expect(handFor(view, field, false)).toEqual({ fNumber, shutterS });
    expect(handFor(limitsView(VESSEN.cells, null), field, true)).toHaveProperty('focusM');
  });
  it('reads a field out: slowest 1 s is 1/10 s at f/16 and EV 11⅓, where people smear; at f/2 it is 1/675, but shallow', () => {
    const { reading } = limitsWords(view, VESSEN, WORDING);
    expect(reading({ column: 0, row: 0 })).toMatch(/^f\/16, 1 s: \d+ in 100 good; people blur\.$/);
    expect(reading({ column: 0, row: view.fields.rows - 1 })).toMatch(/^f\/2, 1 s: \d+ in 100 good; too shallow\.$/);
    expect(reading(fieldOf(view.grid, place))).toBe('f/7.1, 1/500: 99 in 100 good; nothing holds it back.');
  });
  it('is three columns of support at base ISO, and ISO across at a fixed one', () => {
    const withExposure = (exposure: 'baseIsoLong' | 'fixedIso' | 'bothHeld'): Card =>
      card('vessen', 640, (stop) => ({ ...stop, approach: { ...WALK.approach, exposure } }));
    const words = (one: Card): readonly string[] => limitsWords(limitsView(one.cells, 0), one, WORDING).columns;
    expect(words(withExposure('baseIsoLong'))).toEqual(['by hand', 'braced', 'tripod']);
    expect(words(withExposure('fixedIso'))[0]).toBe('ISO 100');
    expect(words(withExposure('bothHeld')).length).toBeGreaterThan(30);
  });
});

describe('the ground in words', () => {
  it('says how many are inside and how soft the farthest thing is', () => {
    // f/7.1 at 3 m, hall steps at 6.5 m: 784·3.5/(7.127·6.5·2972) = 0.01993 mm, with 0.00666 diffraction 0.02101 mm; of 36 mm in
    // 6000 px 3.5: 4 pixels.
    expect(groundSentence(VESSEN, WORDING)).toBe('99 % of passers-by are in focus. Soft at hall steps, 6.5 m: by 4 pixels.');
  });
  it('says “about” where every shot is a guess', () => {
    const guessed = card('vessen', 640, (stop) => ({ ...stop, subject: { ...stop.subject, spread: 0 }, ground: [] }));
    expect(groundSentence(guessed, WORDING)).toMatch(/^\d+ % of your frames at “about 3 m” are in focus\.$/);
  });
});

describe('pulsing lamps in words', () => {
  it('name the safe times and the bands; steady light needs no word', () => {
    const led = card('vessen', 640, (stop) => ({ ...stop, shooting: { ...DEFAULT_SHOOTING, lamp: 'poorLed' } }));
    expect(flickerSentence(led, WORDING)).toMatch(
      /^This light pulses 100 times a second: safe are 1\/100, 1\/50, 1\/30 or slower\./,
    );
    expect(flickerSentence(VESSEN, WORDING)).toBeNull();
  });
});

describe('ways out', () => {
  const dark = card('vessen', 640, (stop) => ({ ...stop, lightOffsetEv: -7 }));
  const ways = waysOut(dark.input, dark.lensesInBag);

  it('are worded, and each taken one brings the chance that it promised', () => {
    expect(ways.length).toBeGreaterThan(3);
    for (const { way, chanceAfter } of ways) {
      expect(wayText(way, dark, WORDING)).toMatch(/^[A-Z0-9]/);
      const workspace = changeStop(WALK.id, 'vessen', (stop) => ({ ...stop, lightOffsetEv: -7 }))(WORKSPACE);
      const taken = takeWayOut(dark, way)(workspace);
      const after = cardFor(taken, focusOn(taken, { walkId: null, stopId: 'vessen', minuteOfDay: 640 }));
      if (after.kind === 'none') throw new Error(after.detail);
      // Another intent is metered elsewhere, and another lens meets other light: what the card then says is its own.
      if (way.kind !== 'intent') expect([way.kind, after.result.best.chance]).toEqual([way.kind, expect.closeTo(chanceAfter, 6)]);
    }
  });
});

describe('the home state’s check', () => {
  const home = homeState([{ id: 'vessen', input: VESSEN.input }]);
  if (home === null) throw new Error('no home');
  const texts = (one: Card): string[] =>
    homeChecks(home, one.kit, isoCeilingOf(one.kit.body, one.standard), WORDING).map(({ text }) => text);
  it('names each control with its value', () => {
    expect(texts(VESSEN)).toEqual(
      expect.arrayContaining(['Compensation back at 0', 'ISO automatic, 100 to 6400', 'Stabiliser on']),
    );
    expect(texts(VESSEN)[0]).toMatch(/^Aperture f\//);
  });
  it('asks for the focal length that a zoom starts from, and no other lens', () => {
    expect(texts(VESSEN).join()).not.toContain('Zoom');
    const lens = { ...VESSEN.kit.lens, shortestMm: 24, longestMm: 70 };
    const zoomed = homeChecks(home, { ...VESSEN.kit, lens, focalLengthMm: 28 }, 6400, WORDING);
    expect(zoomed[0]).toEqual({ id: 'zoom', text: 'Zoom at 28 mm' });
  });
  it('asks a film body for its roll and not for a screen', () => {
    const kit = { ...VESSEN.kit, body: { ...VESSEN.kit.body, medium: 'film' as const, stabiliserStops: 0 } };
    const film = homeChecks(home, kit, 400, WORDING).map(({ id }) => id);
    expect(film).not.toContain('touch');
    expect(film).not.toContain('stabiliser');
  });
});

describe('the field check', () => {
  it('uses the magnified view only as far as it is true, and gives up somewhere', () => {
    const { steps, giveUp } = fieldCheck(VESSEN, WORDING);
    expect(steps[0]).toContain('Set f/5.6');
    expect(steps.join(' ')).toContain('something at 4.5 m, the far edge');
    expect(steps.join(' ')).toContain('f/7.1 is sharp from 1.7 to 12.4 m');
    expect(giveUp).toMatch(/^Give up at f\//);
  });
  it('trusts a view that shows all, and words infinity', () => {
    const { lens, body } = VESSEN.kit;
    const honest: Card = {
      ...VESSEN,
      kit: { ...VESSEN.kit, body: { ...body, liveViewSmallestFNumber: null }, lens: { ...lens, engravedDistancesM: [] } },
      stop: { ...VESSEN.stop, subject: { ...VESSEN.stop.subject, farM: Infinity } },
    };
    const text = fieldCheck(honest, WORDING).steps.join(' ');
    expect(text).toContain('Set f/7.1, and look in the magnified view');
    expect(text).toContain('the farthest thing');
    expect(text).toContain('no marks');
    expect(text).not.toContain('lie');
  });
});

/** Lines of a PDF as it stands in the file: from and to, points. */
function linesOf(bytes: Uint8Array): { x0: number; y0: number; x1: number; y1: number }[] {
  const file = Buffer.from(bytes).toString('latin1');
  const content = [...file.matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)]
    .map(([, body]) => Buffer.from(body ?? '', 'latin1'))
    .flatMap((body) => {
      try {
        return [inflateSync(body).toString('latin1')];
      } catch {
        return [];
      }
    })
    .join('\n');
  return [...content.matchAll(/([\d.-]+) ([\d.-]+) m\s+([\d.-]+) ([\d.-]+) l\s+S/g)].map(([, x0, y0, x1, y1]) => ({
    x0: Number(x0),
    y0: Number(y0),
    x1: Number(x1),
    y1: Number(y1),
  }));
}

describe('the barrel tape’s file', () => {
  const lens: Lens = VESSEN.kit.lens;
  const tape = barrelTape({
    measured: lens,
    focalLengthMm: 28,
    circleOfConfusionMm: 0.028844,
    fNumbers: [4, 8],
    distancesM: [1, 3, Infinity],
  });
  if (tape.kind !== 'tape') throw new Error(tape.kind);
  const labels = { title: 'Short one – ∞', basis: 'basis', distance: String, aperture: (f: number) => `f/${f}` };
  const mm = (points: number): number => (points * 25.4) / 72;

  it('has a check line of 100 mm and the distances where they were measured', async () => {
    const lines = linesOf(await barrelTapePdf(tape, labels));
    const levels = lines.filter(({ y0, y1 }) => y0 === y1).map(({ x0, x1 }) => mm(x1 - x0));
    expect(levels.some((length) => Math.abs(length - 100) < 0.001)).toBe(true);
    // 58 mm across: 1° is 0.50615 mm. Away from infinity: 3 m 11°, 1 m 32°.
    const uprights = lines.filter(({ x0, x1 }) => x0 === x1).map(({ x0 }) => mm(x0) - 15);
    for (const wanted of [0, 11 * 0.506145, 32 * 0.506145]) {
      expect(uprights.some((at) => Math.abs(at - wanted) < 0.002)).toBe(true);
    }
  });
});
