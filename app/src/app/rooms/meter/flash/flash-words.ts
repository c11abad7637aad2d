import { LOWEST_POWER } from '@roam-dial/core/metering';

/** Thirds between full powers, as flashes are set. */
const STEPS = 3;
const THIRDS = ['', '+⅓', '+⅔'] as const;

/** "¼ +⅓", as it is set on the back of a flash: down to 1/128 in thirds. */
function powerMark(power: number): string {
  const thirds = Math.round(Math.log2(Math.max(LOWEST_POWER, Math.min(1, power))) * STEPS);
  const whole = Math.floor(thirds / STEPS);
  const name = whole === 0 ? 'full' : `1/${2 ** -whole}`;
  const more = THIRDS[thirds - whole * STEPS] ?? '';
  return more === '' ? name : `${name} ${more}`;
}

/** What a flash has to give, or that it cannot. */
export function powerWords({ power, can }: { readonly power: number; readonly can: 'give' | 'tooFar' | 'tooNear' }): string {
  switch (can) {
    case 'give':
      return powerMark(power);
    case 'tooFar':
      return `out of reach: ${Math.log2(power).toFixed(1)} stops too weak`;
    case 'tooNear':
      return 'too near: close down, or step back';
  }
}

/** Mired under which nobody sees the difference. */
const UNSEEN_MIRED = 15;

/** The gel that makes a flash look like the lamps. */
export function gelWords(mired: number): string {
  if (Math.abs(mired) < UNSEEN_MIRED) return 'no gel: it has the lamps’ colour';
  return `${mired > 0 ? 'a warming' : 'a cooling'} gel of ${Math.round(Math.abs(mired))} mired`;
}
