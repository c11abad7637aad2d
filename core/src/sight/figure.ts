/** What of a person a look meets. */
export const FIGURE_PARTS = ['coat', 'skin', 'legs', 'hair', 'shirt'] as const;
export type FigurePart = (typeof FIGURE_PARTS)[number];
/** Diffuse reflectances. Judgement. */
export const FIGURE_REFLECTANCE: Readonly<Record<FigurePart, number>> = {
  coat: 0.1,
  skin: 0.32,
  legs: 0.07,
  hair: 0.05,
  shirt: 0.5,
};

export const FIGURE_HEIGHT_M = 1.7;
export const FIGURE_HALF_WIDTH_M = 0.36;

/** Where a look meets the figure: the part, and how far towards its side, −1 to 1. */
export interface FigureHit {
  part: FigurePart;
  aside: number;
}

interface Capsule {
  readonly part: FigurePart;
  readonly x0: number;
  readonly z0: number;
  readonly x1: number;
  readonly z1: number;
  readonly r0: number;
  readonly r1: number;
}

const limb = (part: FigurePart, x0: number, z0: number, r0: number, x1: number, z1: number, r1: number): Capsule => ({
  part,
  x0,
  z0,
  x1,
  z1,
  r0,
  r1,
});
const both = (one: Capsule): readonly Capsule[] => [one, { ...one, x0: -one.x0, x1: -one.x1 }];

/** Front to back, metres: across and up from the feet. Head 15.6 × 23.6 cm, coat down to 0.72. */
const CAPSULES: readonly Capsule[] = [
  limb('skin', 0, 1.5, 0.055, 0, 1.42, 0.06),
  ...both(limb('coat', 0.225, 1.35, 0.06, 0.275, 0.92, 0.05)),
  ...both(limb('skin', 0.28, 0.83, 0.035, 0.28, 0.79, 0.035)),
  limb('coat', 0, 1.3, 0.2, 0, 0.95, 0.19),
  ...both(limb('coat', 0.11, 1.36, 0.1, 0.13, 0.82, 0.1)),
  ...both(limb('legs', 0.09, 0.75, 0.085, 0.11, 0.1, 0.055)),
  ...both(limb('legs', 0.11, 0.045, 0.045, 0.15, 0.04, 0.04)),
];

const HEAD = { z: FIGURE_HEIGHT_M - 0.118, halfWidth: 0.078, halfHeight: 0.118 };
const HAIRLINE_M = 0.045;
const SHIRT = { top: 1.44, bottom: 1.27, halfWidth: 0.055 };

/** A person seen from the front, `x` to the right of the middle and `z` over the feet; false beside the figure. */
export function figureAt(x: number, z: number, hit: FigureHit): boolean {
  if (z < 0 || z > FIGURE_HEIGHT_M || Math.abs(x) > FIGURE_HALF_WIDTH_M) return false;
  const [hx, hz] = [x / HEAD.halfWidth, (z - HEAD.z) / HEAD.halfHeight];
  if (hx * hx + hz * hz <= 1) {
    hit.part = z > HEAD.z + HAIRLINE_M || Math.abs(hx) > 0.93 ? 'hair' : 'skin';
    hit.aside = hx;
    return true;
  }
  if (z > SHIRT.bottom && z < SHIRT.top && Math.abs(x) < (SHIRT.halfWidth * (z - SHIRT.bottom)) / (SHIRT.top - SHIRT.bottom)) {
    hit.part = 'shirt';
    hit.aside = 0;
    return true;
  }
  for (const { part, x0, z0, x1, z1, r0, r1 } of CAPSULES) {
    const [ex, ez] = [x1 - x0, z1 - z0];
    const along = Math.min(1, Math.max(0, ((x - x0) * ex + (z - z0) * ez) / (ex * ex + ez * ez)));
    const aside = x - x0 - along * ex;
    const radius = r0 + along * (r1 - r0);
    if (Math.hypot(aside, z - z0 - along * ez) > radius) continue;
    hit.part = part;
    hit.aside = Math.max(-1, Math.min(1, aside / radius));
    return true;
  }
  return false;
}
