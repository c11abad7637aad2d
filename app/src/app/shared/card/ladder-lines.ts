import type { LightLadder, LadderStep } from '@roam-dial/core/setup';
import { INTENT_NAMES } from '@roam-dial/core/stop';
import type { Card } from '../../state/card/card.store';
import { changeText } from '../../words/set-up/changes';
import type { Wording } from '../../words/wording';
import { showsAt } from './camera-shows';

/** What the last line of a ladder that ends says to do. */
const ENDS = 'this picture ends';

export interface LadderLine {
  /** What the camera shows by then, with the set-up of before; empty where it shows nothing. */
  readonly shows: string;
  readonly ev: string;
  readonly change: string;
  readonly effect: string;
}

function rungLine(rung: LadderStep, before: LadderStep | undefined, card: Card, wording: Wording): LadderLine {
  const { sharp } = rung.setUp;
  const zone = sharp === null ? '' : `; sharp ${wording.range(sharp.nearM, sharp.farM)}`;
  const from = before?.setUp.hand.fNumber ?? Infinity;
  return {
    shows: before === undefined ? '' : showsAt(card, before.setUp.hand, rung.fromEv100, wording),
    ev: `EV ${wording.ev(rung.fromEv100)}`,
    change: rung.changes.map((change) => changeText(change, from, card.kit, wording)).join(', '),
    effect: `at least ${Math.round(rung.leastChance * 100)} in 100 down to EV ${wording.ev(rung.toEv100)}${zone}`,
  };
}

/** The ladder from the light now on: what holds, each change, and where the picture ends. */
export function ladderLines(card: Card, ladder: LightLadder | null, wording: Wording): readonly LadderLine[] {
  if (ladder === null || card.result.kind === 'cannot') return [];
  const now = card.light.keyEv100;
  const { rungs, ends } = ladder;
  const current = rungs.findIndex(({ toEv100 }) => toEv100 <= now + 1e-9);
  const instead = ends?.instead == null ? '' : `${INTENT_NAMES[ends.instead].toLowerCase()} still works`;
  // Darker than where it ends: said, rather than nothing.
  if (current === -1) return [{ shows: '', ev: 'now', change: 'this picture has ended', effect: instead }];
  const lines = rungs.slice(current + 1).map((rung, k) => rungLine(rung, rungs[current + k], card, wording));
  const holdsTo = (rungs[current] as LadderStep).toEv100;
  const shownThen = showsAt(card, (rungs[current] as LadderStep).setUp.hand, holdsTo, wording);
  const isOver = holdsTo >= now - 1e-9;
  const first: LadderLine = {
    shows: '',
    ev: 'now',
    change: isOver ? 'no change' : `nothing to change down to EV ${wording.ev(holdsTo)}`,
    effect: isOver || shownThen === '' ? '' : `the camera then shows ${shownThen}`,
  };
  const lastHand = (rungs.at(-1) as LadderStep).setUp.hand;
  const last =
    ends === null
      ? []
      : [
          {
            shows: showsAt(card, lastHand, ends.ev100, wording),
            ev: `EV ${wording.ev(ends.ev100)}`,
            change: ENDS,
            effect: instead,
          },
        ];
  return [first, ...lines, ...last];
}

/** The next change to make, for the strip that is always in sight. */
export function nextStep(lines: readonly LadderLine[]): string | null {
  const [now, next] = lines;
  if (now === undefined) return null;
  if (next === undefined) {
    const change = `${now.change.charAt(0).toUpperCase()}${now.change.slice(1)}`;
    return now.effect === '' ? change : `${change}; ${now.effect}`;
  }
  if (next.change === ENDS) {
    const below = `Below ${next.ev}${next.shows === '' ? '' : ` (${next.shows})`} this picture ends`;
    return next.effect === '' ? below : `${below}; ${next.effect}`;
  }
  const at = next.shows === '' ? `At ${next.ev}` : `From ${next.shows} on (${next.ev})`;
  return next.effect === '' ? `${at}: ${next.change}` : `${at}: ${next.change}; ${next.effect}`;
}
