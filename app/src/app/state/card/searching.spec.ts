import type { SetUpInput } from '@roam-dial/core/setup';
import { type ManualSettings, withEnds } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../testing/demo';
import type { Workspace } from '../../storage/workspace';
import { type Card, cardFor } from './card.store';
import { focusOn } from '../selection/focus.store';
import { changeStandard } from '../kit/edits';
import { changeStop } from '../walk/stop.edits';
import { SearchCache } from './search-cache';

const WORKSPACE = demoWorkspace();
const WALK = WORKSPACE.walks[0] as Walk;

function card(workspace: Workspace, minuteOfDay = 640): Card {
  const found = cardFor(workspace, focusOn(workspace, { walkId: null, stopId: 'vessen', minuteOfDay }));
  if (found.kind === 'none') throw new Error(found.detail);
  return found;
}
const INPUT = card(WORKSPACE).input;

describe('prepared searches', () => {
  it('are the same object while nothing is edited, and cells while the light is the same', () => {
    const scenes = new SearchCache();
    const first = scenes.cellsOf(INPUT);
    expect(scenes.cellsOf({ ...INPUT })).toBe(first);
    expect(scenes.cellsOf({ ...INPUT, light: { ...INPUT.light } })).toBe(first);
    const darker = scenes.cellsOf({ ...INPUT, light: { ...INPUT.light, keyEv100: 8 } });
    expect(darker).not.toBe(first);
    // The part that is heavy is shared.
    expect(darker.scene.table).toBe(first.scene.table);
  });
  it('follow the sky in the frame, and what a changing light shares of it, with the key as it was', () => {
    const scenes = new SearchCache();
    const changing = { ...INPUT, changes: 'screen' as const };
    const at = (skyEv: number) => scenes.cellsOf({ ...changing, light: { ...INPUT.light, skyEv } }).scene;
    const [pale, dark] = [at(16), at(4)];
    expect([pale.input.light.skyEv, dark.input.light.skyEv]).toEqual([16, 4]);
    expect(dark.table).toBe(pale.table);
    // Asked in another order it is the same: nothing is left over from the light that came first.
    expect(new SearchCache().cellsOf({ ...changing, light: { ...INPUT.light, skyEv: 4 } }).scene.kept).toBe(dark.kept);
  });
  it.each<[string, (input: SetUpInput) => SetUpInput]>([
    ['an end of the zone', (input) => ({ ...input, subject: withEnds(input.subject, 'whoeverPasses', { nearM: 1.5 }) })],
    ['a distance', (input) => ({ ...input, subject: { ...input.subject, medianM: 4 } })],
    ['the people', (input) => ({ ...input, movers: { ...input.movers, speedMps: 2 } })],
    ['the body', (input) => ({ ...input, body: { ...input.body, stabiliserStops: 0 } })],
    ['the standard', (input) => ({ ...input, standard: { ...input.standard, steadinessStops: 1 } })],
    ['the approach', (input) => ({ ...input, approach: { ...input.approach, exposure: 'bothHeld' } })],
    ['the light’s spread', (input) => ({ ...input, light: { ...input.light, spreadEv: 1.5 } })],
  ])('are worked out anew for %s', (_, change) => {
    const scenes = new SearchCache();
    expect(scenes.of(change(INPUT)).table).not.toBe(scenes.of(INPUT).table);
  });
  it('forget the oldest, and still answer', () => {
    const scenes = new SearchCache();
    const tableOf = (medianM: number) => scenes.of({ ...INPUT, subject: { ...INPUT.subject, medianM } }).table;
    const first = tableOf(2);
    for (let k = 1; k <= 6; k++) tableOf(2 + k / 10);
    expect(tableOf(2)).not.toBe(first);
    expect([...tableOf(2).depth]).toEqual([...first.depth]);
  });
  it('check a zone turned round, searched before or not', () => {
    const scenes = new SearchCache();
    scenes.cellsOf(INPUT);
    const turned = { ...INPUT, subject: { ...INPUT.subject, nearM: 9, farM: 2 } };
    expect(() => scenes.cellsOf(turned)).toThrow('subject.farM');
  });
});

describe('the card', () => {
  const withHand = (hand: ManualSettings): Workspace => changeStop(WALK.id, 'vessen', (stop) => ({ ...stop, hand }))(WORKSPACE);
  const best = card(WORKSPACE).result.best.hand;

  it('shows the best while the hand has set nothing, or just that', () => {
    expect(card(WORKSPACE).isChosen).toBe(false);
    expect(card(withHand(best)).isChosen).toBe(false);
  });
  it('shows what the hand has set, and what the best would be', () => {
    const chosen = card(withHand({ ...best, fNumber: 2 }));
    expect(chosen.isChosen).toBe(true);
    expect(chosen.result.setUp.aperture.fNumber).toBe(2);
    expect(chosen.result.best.hand).toEqual(best);
    // The search is not done again for a hand.
    expect(chosen.cells).toBe(card(WORKSPACE).cells);
  });
  it('takes the nearest marks where the kit has changed since', () => {
    const odd = card(withHand({ fNumber: 3.3, focusM: 2.8, shutterS: 1 / 700, iso: 123, support: 'tripod' })).result.setUp.found
      .hand;
    expect(odd.fNumber).toBeCloseTo(2 ** (10 / 6), 1);
    expect(odd.focusM).toBe(3);
    expect(Math.round(1 / (odd.shutterS ?? 0))).toBe(645);
  });
  it('counts the wall in the bag, unless the person has a figure of their own', () => {
    const gain = (workspace: Workspace): number | undefined => card(workspace).input.standard.figures?.braceStops;
    const kit = WORKSPACE.kit.map((item) =>
      item.kind === 'support' && item.supportKind === 'wall' ? { ...item, gainStops: 2.5 } : item,
    );
    const leaning = { ...WORKSPACE, kit };
    expect(gain(leaning)).toBe(2.5);
    expect(gain(changeStandard((standard) => ({ ...standard, figures: { braceStops: 1 } }))(leaning))).toBe(1);
  });
});
