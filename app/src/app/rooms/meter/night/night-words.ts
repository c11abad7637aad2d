import { UNSEEN, type Vanishing, type Water } from '@roam-dial/core/metering';

export const WATER_WORDS: Readonly<Record<Water, string>> = {
  weir: 'fall or weir',
  stream: 'stream',
  ripples: 'ripples',
  sea: 'sea',
};

export const LOOK_WORDS = { threads: 'threads', smooth: 'smooth', mist: 'mist' } as const;

/** `0.6 s`, `21 s`, `2 min 11 s`, `8 min`: as one counts it in the dark. */
export function longTime(seconds: number): string {
  if (seconds < 10) return `${Number(seconds.toPrecision(2))} s`;
  if (seconds < 90) return `${Math.round(seconds)} s`;
  const whole = Math.round(seconds);
  const [minutes, rest] = [Math.floor(whole / 60), whole % 60];
  return rest === 0 || minutes >= 10 ? `${Math.round(seconds / 60)} min` : `${minutes} min ${rest} s`;
}

/** What is left of the walkers that stand out most after an exposure, a share of the ground's brightness. */
export function leftOfWalkers({ goneAfterS }: Pick<Vanishing, 'goneAfterS'>, shutterS: number): number {
  return (UNSEEN * goneAfterS) / shutterS;
}

/** What an exposure leaves of walkers. */
export function vanishingSentence(vanishing: Vanishing, shutterS: number): string {
  const { veilStops, goneAfterS } = vanishing;
  const percent = `${(leftOfWalkers(vanishing, shutterS) * 100).toFixed(1)} % left of them`;
  const seen =
    shutterS >= goneAfterS
      ? `In ${longTime(shutterS)} nobody is seen (${percent})`
      : `In ${longTime(shutterS)} they still show as blurs (${percent})`;
  const veil = Math.abs(veilStops) < 0.02 ? '' : `; a veil of ${Math.abs(veilStops).toFixed(2)} stops stays, however long`;
  return `${seen}${veil}.`;
}

/** What a trail comes to beside its crossing, and when one is to be had. */
export function trailWords(shutterS: number, across: number, receding: number, waitS: number): string {
  const cut = across >= 1 ? ', from edge to edge' : '';
  return (
    `of the frame crossed in ${longTime(shutterS)}${cut}; going away on the other lane ${Math.round(100 * receding)} %. ` +
    `Four in five waits for the first one end within ${longTime(waitS)}; how bright it is goes by aperture and ISO alone.`
  );
}
