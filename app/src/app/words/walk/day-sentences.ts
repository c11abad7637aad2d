import type { Proof } from '@roam-dial/core/day';
import type { DayFound, Misfit, OrderFound, ProfileFound } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import { counted } from '../counted';
import type { Wording } from '../wording';
import { capital } from '../capital';

const MILLION = 1_000_000;
/** Less than a fiftieth of a picture is no difference: as much is lost by leaving as soon as staying does not pay. */
export const SAME = 20_000;

/** Pictures to a tenth, the smaller ones to a hundredth: "6.3", "0.04". */
export function pictures(millionths: number): string {
  const count = Math.abs(millionths) / MILLION;
  if (count > 0 && count < 0.005) return 'under 0.01';
  return count < 0.1 && count > 0 ? count.toFixed(2) : count.toFixed(1);
}

/** "6.3 pictures"; a day that costs more than it brings has a minus. */
export function picturesInWords(millionths: number): string {
  return `${millionths < -5000 ? '−' : ''}${pictures(millionths)} pictures`;
}

/** What came of planning, for the notice. */
export function planOutcome(found: DayFound | OrderFound | null, wish: 'plan' | 'keep'): string {
  if (found === null) return 'Your must-haves do not all fit: start earlier, end later, or drop one';
  if (found.stays.length === 0) return 'Nothing today is worth setting off for: no stop has its light then';
  const left = found.leftOut.length === 0 ? '' : `; ${counted(found.leftOut.length, 'stop does not fit', 'stops do not fit')}`;
  if (wish === 'plan') return `Planned for ${picturesInWords(found.value)}${left}`;
  const best = 'best' in found ? found.best : null;
  const loss = best === null ? 0 : best.value - found.value;
  return `Your order brings ${picturesInWords(found.value)}${loss < SAME ? ', as much as any' : `, ${pictures(loss)} less than the best`}${left}`;
}

function proofWords(proof: Proof | null): string {
  if (proof === null) return '';
  if (proof.kind === 'within') return `within ${(100 * proof.share).toFixed(1)} % of the best`;
  return proof.stepMin === 1 ? 'the best plan, to the minute' : 'the best plan in steps of five minutes';
}

/** What the day is worth as it is laid out, beside the best of it; called the best only where it is that very plan. */
export function standsSentence(stands: number | null, best: DayFound | null, isThePlan: boolean): string {
  if (best === null || stands === null) return '';
  const less = best.value - stands;
  if (less >= SAME) return `Expect ${picturesInWords(stands)} as laid out; planning again brings ${pictures(less)} more.`;
  return isThePlan
    ? `Expect ${picturesInWords(stands)}: ${proofWords(best.proof)}.`
    : `Expect ${picturesInWords(stands)} as laid out, as many as the best plan.`;
}

/** What a stop gives the best day, and when else it could be had at what cost; said to be the best plan's where it is laid out otherwise. */
export function stopGainSentence(
  { id, name, arriveMin, leaveMin }: { readonly id: string; readonly name: string } & Pick<Stop, 'arriveMin' | 'leaveMin'>,
  best: DayFound,
  profile: ProfileFound | null,
  wording: Wording,
): string {
  const stay = best.stays.find((one) => one.id === id);
  if (stay === undefined) {
    const cost = profile?.best == null ? null : best.value - profile.best.value;
    return cost === null
      ? `${name} fits into no plan of this day.`
      : `The best plan leaves ${name} out; including it at ${wording.clock(profile?.best?.atMin ?? 0)} costs ${picturesInWords(cost)}.`;
  }
  const without = best.without.get(id) ?? null;
  const isAsPlanned = stay.fromMin === arriveMin && stay.toMin === leaveMin;
  const where = isAsPlanned
    ? `at ${name}`
    : `at ${name} in the best plan (${wording.clock(stay.fromMin)} to ${wording.clock(stay.toMin)})`;
  const gives = `${capital(wording.chance(stay.worth / MILLION))} chance of the picture ${where}`;
  const misses = without === null ? '; it is a must-have' : `; leaving it out costs ${picturesInWords(without)}`;
  if (profile === null) return `${gives}${misses}.`;
  const { nextBest } = profile;
  const else_ =
    nextBest === null
      ? 'no other time works'
      : `next best at ${wording.clock(nextBest.atMin)}, ${pictures(best.value - nextBest.value)} less`;
  return `${gives}${misses}; ${else_}.`;
}

/** What a stay that is dragged to a minute would do to the day. */
export function dragSentence(name: string, atMin: number, best: DayFound, profile: ProfileFound, wording: Wording): string {
  const value = valueAt(profile, atMin);
  const start = `${name} from ${wording.clock(atMin)}:`;
  if (value === null) return `${start} no plan works with that.`;
  const less = best.value - value;
  return less < SAME
    ? `${start} nothing lost, with the others planned around it.`
    : `${start} ${pictures(less)} pictures less, with the others planned around it.`;
}

/** What the day is worth with a visit beginning at a minute; null where no plan has it then. */
export function valueAt({ fromMin, stepMin, values }: ProfileFound, atMin: number): number | null {
  return values[Math.round((atMin - fromMin) / stepMin)] ?? null;
}

/** Why a stop does not fit, in a few words; what would help is said by the buttons. */
export function misfitReason(misfit: Misfit): string {
  switch (misfit.kind) {
    case 'noLight':
      return 'has no light for its picture, even in a day three hours longer';
    case 'fitsAtACost':
      return `fits, but costs ${picturesInWords(misfit.cost)}`;
    case 'needs':
      return misfit.earlierStart === null && misfit.laterEnd === null && misfit.leaveOut === null
        ? 'does not fit, even in a day three hours longer'
        : 'does not fit with the others';
  }
}
