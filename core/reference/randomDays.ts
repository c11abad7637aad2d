import { type DayQuestion, DEFAULT_STAY, fixedAt, type Visit } from '../src/day/index.js';

/** A stream of numbers from 0 to 1, the same for a seed (a linear congruence of 32 bits). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

/** Light between two minutes, so many good frames a minute, with a ramp of some minutes at either end. */
export function lightBetween(
  fromMin: number,
  toMin: number,
  perMin: number,
  rampMin = 0,
): Extract<Visit['worth'], { kind: 'light' }> {
  const goodFramesPerMin = Array.from({ length: toMin - fromMin }, (_, k) => {
    const edge = Math.min(k + 1, toMin - fromMin - k);
    return perMin * (rampMin === 0 ? 1 : Math.min(1, edge / rampMin));
  });
  return { kind: 'light', fromMin, goodFramesPerMin, weight: 1 };
}

/** Light of which so many minutes give the picture with 80 %. */
export function usefulLight(fromMin: number, toMin: number, usefulMin: number): Extract<Visit['worth'], { kind: 'light' }> {
  return lightBetween(fromMin, toMin, Math.log(5) / usefulMin);
}

/** Straight walks between places strewn over a square of so many minutes. */
export function strewn(
  random: () => number,
  count: number,
  widthMin: number,
): Pick<DayQuestion, 'walksMin' | 'fromStartMin' | 'toEndMin'> {
  const places = Array.from({ length: count + 1 }, () => [random() * widthMin, random() * widthMin] as const);
  const between = (a: number, b: number): number => {
    const [from, to] = [places[a] as readonly [number, number], places[b] as readonly [number, number]];
    return Math.ceil(Math.hypot(from[0] - to[0], from[1] - to[1]));
  };
  const visits = Array.from({ length: count }, (_, k) => k);
  const home = visits.map((k) => between(count, k));
  return { walksMin: visits.map((a) => visits.map((b) => between(a, b))), fromStartMin: home, toEndMin: home };
}

/** A short day of few visits of every kind: small enough to try every plan. */
export function smallDay(seed: number, stepMin: number, slots: number): DayQuestion {
  const random = seeded(seed);
  const count = 2 + Math.floor(random() * 2.4);
  const earliestMin = 600;
  const latestMin = earliestMin + stepMin * slots;
  const within = (most: number): number => stepMin * Math.floor(random() * (most + 1));
  const visits = Array.from({ length: count }, (_, k): Visit => {
    const from = earliestMin + within(slots - 4);
    const light = lightBetween(from, from + 1 + within(slots / 2) + Math.floor(random() * stepMin), 0.02 + random() * 0.15, 3);
    const base: Visit = {
      id: `visit ${k}`,
      worth: { ...light, weight: random() < 0.3 ? 0.5 + random() : 1, repeatShare: random() < 0.2 ? 0.4 : 0 },
      shortestMin: stepMin * (1 + Math.floor(random() * 2)),
      longestMin: stepMin * (3 + Math.floor(random() * slots)),
    };
    const kind = random();
    if (kind < 0.12) return { ...base, ...fixedAt(earliestMin + within(slots - 3), stepMin * 2) };
    if (kind < 0.24) {
      const stayMin = stepMin * (1 + Math.floor(random() * 2));
      const beginnings = { fromMin: earliestMin + within(slots / 2), toMin: latestMin - stepMin };
      const isAnywhere = random() < 0.6;
      return {
        id: base.id,
        worth: { kind: 'flat', millionths: 0 },
        shortestMin: stayMin,
        longestMin: stayMin,
        beginnings,
        isMust: true,
        isAnywhere,
      };
    }
    const isMust = random() < 0.15;
    if (kind < 0.5) return { ...base, isMust };
    const opens = earliestMin + within(slots / 3);
    const open = [
      { fromMin: opens, toMin: opens + stepMin * 4 },
      { fromMin: opens + stepMin * 6, toMin: latestMin },
    ];
    return { ...base, isMust, open };
  });
  const walks = strewn(random, count, 2.5 * stepMin);
  const ends = random() < 0.3 ? { walksMin: walks.walksMin } : walks;
  const now = random() < 0.25 ? { setsOff: 'now' as const, homeFromStartMin: stepMin } : {};
  return { visits, ...ends, ...now, earliestMin, latestMin };
}

/** A day of visits strewn over half an hour's walk, a few with light all day. */
export function strewnDay(seed: number, count: number): DayQuestion {
  const random = seeded(seed);
  const visits = Array.from({ length: count }, (_, k): Visit => {
    const isAllDay = random() < 0.2;
    const from = isAllDay ? 360 : 360 + Math.floor(random() * 900);
    const worth = usefulLight(from, from + (isAllDay ? 1000 : 20 + Math.floor(random() * 90)), 10 + random() * 40);
    return { id: `v${k}`, worth, ...DEFAULT_STAY };
  });
  return { visits, ...strewn(random, count, 25), earliestMin: 300, latestMin: 1500 };
}
