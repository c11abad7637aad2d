import type { Wait } from '@roam-dial/core/day';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import { type LightAhead, ON_TIME_MIN, type RestFound, type WaitHere } from '@roam-dial/core/outing';
import { caresAt } from '@roam-dial/core/plan';
import type { Change } from '@roam-dial/core/setup';
import type { Stop } from '@roam-dial/core/stop';
import { CARE_WORDS } from '../../words/walk/care';
import type { Card } from '../../state/card/card.store';
import type { RideHome } from '../../state/outing/ride-home.store';
import type { WayLeft } from '../../state/outing/way-ahead.store';
import { changeText } from '../../words/set-up/changes';
import { capital } from '../../words/capital';
import { pictures } from '../../words/walk/day-sentences';
import { nameOf } from '../../words/name';
import type { Wording } from '../../words/wording';

/** What is said on the walk: short, the number first. */

/** "At 16:31 open up to f/4": what to change next by the clock, without looking at the camera. */
export function aheadWords(ahead: LightAhead | null, { result, kit }: Card, wording: Wording): string {
  if (ahead === null) return '';
  const at = wording.clock(ahead.atMin);
  if (ahead.kind === 'ends') return `At ${at} this picture ends`;
  const from = result.setUp.aperture.fNumber;
  const { hand } = ahead.rung.setUp;
  const now = result.setUp.found.hand;
  const changes = [
    ...(hand.fNumber === now.fNumber ? [] : [{ control: 'aperture', fNumber: hand.fNumber } as const]),
    ...(hand.focusM === now.focusM ? [] : [{ control: 'focus', distanceM: hand.focusM } as const]),
    ...(hand.shutterS === now.shutterS || hand.shutterS === null ? [] : [{ control: 'shutter', seconds: hand.shutterS } as const]),
    ...(hand.iso === now.iso || hand.iso === null ? [] : [{ control: 'iso', iso: hand.iso } as const]),
    ...(hand.support === now.support ? [] : [{ control: 'support', support: hand.support } as const]),
  ];
  if (changes.length === 0) return '';
  const say = (change: Change): string =>
    `${change.control === 'shutter' ? 'shutter ' : ''}${changeText(change, from, kit, wording)}`;
  return `At ${at} ${changes.map(say).join(', ')}`;
}

/** Less than this is nobody. */
const NOBODY = 0.005;

function chanceWords({ chance, fourInFive }: Wait, wording: Wording): string {
  if (chance < NOBODY) return '';
  return fourInFive.kind === 'within'
    ? `${capital(wording.chance(chance))} chance of another good subject; 80 % within ${Math.max(1, Math.ceil(fourInFive.minutes))} min.`
    : `At best a ${wording.percent(fourInFive.atMost)} chance of another good subject while this light lasts.`;
}

/** The wait in two short lines: the chance, and until when it pays. */
export function waitWords({ wait, paysUntilMin }: WaitHere, wording: Wording): { readonly chance: string; readonly pays: string } {
  const pays =
    paysUntilMin === null
      ? 'Not worth waiting any longer.'
      : `Worth waiting until ${wording.clock(Math.min(LAST_WALK_MINUTE, paysUntilMin))}.`;
  return { chance: wait === null ? '' : chanceWords(wait, wording), pays };
}

/** What one has typed, and before one stands there what the picture itself asks to mind; the sun is minded to the end. */
export function careWords({ walk, stop }: Pick<Card, 'walk' | 'stop'>, isOnTheWay: boolean): string {
  const cares = caresAt(walk, stop).filter((care) => care === 'sun' || (isOnTheWay && care !== 'people'));
  return [stop.cautions.trim(), ...cares.map((care) => CARE_WORDS[care])].filter((one) => one !== '').join(' ');
}

/** "Last tram 00:52, 9 min on foot: leave by 00:40"; late, how much of it is left. */
export function rideWords({ ride, footMin, leaveByMin }: RideHome, nowMin: number, wording: Wording): string {
  const goes = `${ride.name || 'Last ride'} ${wording.clock(ride.atMin)}`;
  if (nowMin > ride.atMin) return `${goes}: it has gone`;
  const way = footMin === 0 ? '' : `, ${footMin} min on foot`;
  return nowMin >= leaveByMin ? `${goes}${way}: go now` : `${goes}${way}: leave by ${wording.clock(leaveByMin)}`;
}

/** "120 m to go, 2 min: there at 15:06"; nothing where nobody knows from where one comes. */
export function wayWords({ leftM, leftMin, way, here }: WayLeft, nowMin: number, wording: Wording): string {
  if (way.from === null && here === null) return '';
  const minutes = Math.max(0, Math.ceil(leftMin - 1e-6));
  const metres = leftM === null ? '' : `${wording.distance(roundedM(leftM))} to go, `;
  const how = way.lengthM === null || way.isAlongStreets ? '' : ', estimated (straight line plus a third)';
  const there = Math.min(LAST_WALK_MINUTE, Math.max(0, Math.ceil(nowMin + minutes)));
  return `${metres}${minutes} min: there at ${wording.clock(there)}${how}`;
}

function roundedM(metres: number): number {
  const step = metres < 100 ? 5 : 10;
  return Math.round(metres / step) * step;
}

/** As much time to spare as this is worth another plan (s). */
const SPARE_MIN = 25;

export interface LateWords {
  readonly words: string;
  readonly isLate: boolean;
}

/** Late or early against the plan, in words; null on time. `behind` in minutes, negative to spare. */
export function lateWords(behind: number, to: Stop, wording: Wording): LateWords | null {
  const minutes = Math.round(behind);
  if (minutes > ON_TIME_MIN) {
    return {
      words: `${wording.duration(minutes)} late for ${nameOf(to)}, planned at ${wording.clock(to.arriveMin)}`,
      isLate: true,
    };
  }
  if (minutes < -SPARE_MIN) return { words: `${wording.duration(-minutes)} to spare before ${nameOf(to)}`, isLate: false };
  return null;
}

/** The plan from here in lines, and what it leaves behind. */
export function restWords(
  { stays, leftOut, givenUp, value }: RestFound,
  nameOfVisit: (id: string) => string,
  wording: Wording,
): { readonly head: string; readonly stays: readonly string[]; readonly left: string } {
  const head = stays.length === 0 ? 'Nothing left is worth the walk.' : `From here, expect ${pictures(value)} good pictures:`;
  const out = [...new Set([...givenUp, ...leftOut])].map(nameOfVisit);
  return {
    head,
    stays: stays.map(({ id, fromMin, toMin }) => `${wording.clock(fromMin)}–${wording.clock(toMin)} ${nameOfVisit(id)}`),
    left: out.length === 0 ? '' : `Left out: ${out.join(', ')}.`,
  };
}
