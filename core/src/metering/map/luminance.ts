/** Luminances by a 1024th of a stop from −16 to 36 EV: a look-up instead of a power for each cell, within 0.0005 EV. */
const A_STOP = 1024;
const LOWEST_EV = -16;
const PLACES = 52 * A_STOP;

/** Made with the first map: whoever paints none does not wait for it. */
let made: Float64Array | null = null;

function table(): Float64Array {
  made ??= Float64Array.from({ length: PLACES }, (_, k) => 2 ** (LOWEST_EV + (k + 0.5) / A_STOP));
  return made;
}

/** 2^EV; at either end of the table what it has there. */
export type LuminanceOf = (ev: number) => number;

export function luminances(): LuminanceOf {
  const of = table();
  return (ev) => {
    const k = Math.floor((ev - LOWEST_EV) * A_STOP);
    return of[k < 0 ? 0 : k >= PLACES ? PLACES - 1 : k] as number;
  };
}
