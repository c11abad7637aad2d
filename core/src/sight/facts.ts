import type { Medium } from '../metering/index.js';
import { SIGHT_LABELS, type SightLabel } from './labels.js';
import type { Sight } from './sight.js';
import { SEEN } from './seen.js';
import type { MeasuredView } from './measured.js';

/** What a picture of a view shows, in figures: for whoever cannot see it, and for the words beside it. */
export interface SightFacts {
  readonly skyShare: number;
  readonly waterShare: number;
  /** Sunlit ground in the frame: how much of all its ground, and from where to where ahead, metres; null where none is. */
  readonly litGround: { readonly share: number; readonly fromM: number; readonly toM: number } | null;
  /** Mean of the sunlit ground over mean of the shaded, stops; null where there is not some of both. */
  readonly contrastEv: number | null;
  /** What stands behind the person's head and shoulders, and how many stops over their coat; null where nobody stands. */
  readonly behind: { readonly label: SightLabel; readonly overCoatEv: number } | null;
  /** Shares of the frame that the picture shows as white or black; lamps and the sun are left out of the white. */
  readonly whiteShare: number;
  readonly blackShare: number;
  readonly isSunInFrame: boolean;
}

/** A patch smaller than this share of the ground in the frame is no patch. */
const LEAST_SHARE = 0.005;
/** Places beside the head, of the figure's own cells, in which what is behind it is looked for. */
const BESIDE_CELLS = 2;

const numberOf = (name: SightLabel): number => SIGHT_LABELS.indexOf(name);

/** Mean EV of the luminances of some cells. */
function meanEv(ev: Float32Array, cells: readonly number[]): number {
  return Math.log2(cells.reduce((sum, cell) => sum + 2 ** (ev[cell] as number), 0) / cells.length);
}

function cellsOf(label: Uint8Array, ...names: readonly SightLabel[]): number[] {
  const wanted = names.map(numberOf);
  return [...label.keys()].filter((cell) => wanted.includes(label[cell] as number));
}

function groundFacts(view: MeasuredView, { map: { ev, label } }: Sight): Pick<SightFacts, 'litGround' | 'contrastEv'> {
  const [lit, shaded] = [cellsOf(label, 'lit ground'), cellsOf(label, 'ground')];
  const share = lit.length / Math.max(1, lit.length + shaded.length);
  if (share < LEAST_SHARE) return { litGround: null, contrastEv: null };
  const distances = Float32Array.from(lit, (cell) => view.distanceM[cell] as number).sort();
  const at = (part: number): number => distances[Math.floor(part * (distances.length - 1))] as number;
  const isMixed = share < 1 - LEAST_SHARE;
  return {
    // Strays of a few cells do not stretch the patch.
    litGround: { share, fromM: at(0.02), toM: at(0.98) },
    contrastEv: isMixed ? meanEv(ev, lit) - meanEv(ev, shaded) : null,
  };
}

function behindFacts({ map: { ev, label, width } }: Sight): SightFacts['behind'] {
  const coat = cellsOf(label, 'coat');
  const head = cellsOf(label, 'hair', 'skin');
  if (coat.length === 0 || head.length === 0) return null;
  const people = (['coat', 'skin', 'legs', 'hair', 'shirt'] as const).map(numberOf);
  const first = Math.floor((head[0] as number) / width);
  const shoulders = Math.floor((coat[0] as number) / width) + 1;
  const beside: number[] = [];
  for (let row = Math.max(0, first - 1); row <= shoulders; row++) {
    const its = [...head, ...coat].filter((cell) => Math.floor(cell / width) === row);
    if (its.length === 0) continue;
    const [left, right] = [Math.min(...its), Math.max(...its)];
    for (let k = 1; k <= BESIDE_CELLS; k++) {
      for (const cell of [left - k, right + k]) {
        if (Math.floor(cell / width) === row && !people.includes(label[cell] as number)) beside.push(cell);
      }
    }
  }
  if (beside.length === 0) return null;
  const counts = new Map<number, number>();
  for (const cell of beside) counts.set(label[cell] as number, (counts.get(label[cell] as number) ?? 0) + 1);
  const [most] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  return { label: SIGHT_LABELS[most?.[0] ?? 0] as SightLabel, overCoatEv: meanEv(ev, beside) - meanEv(ev, coat) };
}

/** What is to be said of a view as a medium takes it at an exposure, EV at ISO 100. */
export function factsOf(view: MeasuredView, sight: Sight, exposureEv: number, { overEv, underEv }: Medium): SightFacts {
  const { ev, label, isLamp } = sight.map;
  let [white, black, sky, water] = [0, 0, 0, 0];
  for (let cell = 0; cell < ev.length; cell++) {
    const stops = (ev[cell] as number) - exposureEv;
    if (stops > overEv && isLamp[label[cell] as number] !== true) white++;
    if (stops < -underEv) black++;
    if (view.kind[cell] === SEEN.sky) sky++;
    if (view.kind[cell] === SEEN.water) water++;
  }
  return {
    ...groundFacts(view, sight),
    behind: behindFacts(sight),
    skyShare: sky / ev.length,
    waterShare: water / ev.length,
    whiteShare: white / ev.length,
    blackShare: black / ev.length,
    isSunInFrame: sight.discInFrame > 0,
  };
}
