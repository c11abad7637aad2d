import { frameSeenAt, measureLight, measureView, type Sight, type SightQuestion, type Taken, takenFrame } from './index.js';

/** A wall 20 m away that fills the frame, and somebody at 3 m. */
const QUESTION: SightQuestion = {
  site: {
    buildings: [
      {
        footprint: [
          [-90, 20],
          [90, 20],
          [90, 30],
          [-90, 30],
        ],
        heightM: 60,
      },
    ],
    eastM: 0,
    northM: 0,
  },
  bearingDeg: 0,
  frame: { sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 50, isUpright: false, tiltDeg: 0, riseMm: 0 },
  size: { width: 120, height: 80 },
  personM: 3,
};
const view = measureView(QUESTION);
const sight = frameSeenAt(view, measureLight(view), {
  ...{ sun: { azimuthDeg: 180, altitudeDeg: 30 }, cloud: 0, dayOfYear: null, areTreesInLeaf: true, lamps: null },
});
const sharp: Taken = { fNumber: 22, focusM: 3, smearMm: 0 };

function meanOf(ev: Float32Array): number {
  return Math.log2(ev.reduce((sum, one) => sum + 2 ** one, 0) / ev.length);
}
/** Mean square of the step from a cell to its right neighbour, stops: an edge that is spread keeps its height, not its steepness. */
function roughness(ev: Float32Array, has: (cell: number) => boolean): number {
  let [sum, count] = [0, 0];
  for (let cell = 0; cell < ev.length - 1; cell++) {
    if (cell % 120 === 119 || !has(cell) || !has(cell + 1)) continue;
    sum += ((ev[cell] as number) - (ev[cell + 1] as number)) ** 2;
    count++;
  }
  return sum / count;
}
const isWall = (cell: number): boolean => /walls|windows/.test(sight.map.names[sight.map.label[cell] as number] ?? '');

describe('a frame as the card would take it', () => {
  it('is the view where everything is sharp, and as bright as it whatever goes soft', () => {
    // 50² / (22·2950) · 17/20 = 0.033 mm, a ninth of a cell.
    expect(takenFrame(view, sight, sharp).ev).toEqual(Float32Array.from(sight.map.ev, (ev) => Math.log2(2 ** ev)));
    const open = takenFrame(view, sight, { ...sharp, fNumber: 1.4, smearMm: 2 });
    expect(meanOf(open.ev)).toBeCloseTo(meanOf(sight.map.ev), 1);
    expect(open.label).toBe(sight.map.label);
  });
  it('goes soft behind the person by the aperture', () => {
    const [view8, view14] = [8, 1.4].map((fNumber) => roughness(takenFrame(view, sight, { ...sharp, fNumber }).ev, isWall));
    expect(view14).toBeLessThan(0.6 * (view8 as number));
    // A person in focus has the edge that they had.
    const coat = (one: Sight['map']): number => one.ev[40 * 120 + 60] as number;
    expect(coat(takenFrame(view, sight, { ...sharp, fNumber: 1.4 }))).toBeCloseTo(coat(sight.map), 1);
  });
  it('smears the person alone, over as many cells as their image moves', () => {
    const smeared = takenFrame(view, sight, { ...sharp, smearMm: 3 });
    const { cell } = sight.somebody ?? { cell: new Int32Array() };
    const people = new Set(cell);
    const changed = [...smeared.ev.keys()].filter((k) => Math.abs((smeared.ev[k] as number) - (sight.map.ev[k] as number)) > 1e-3);
    // 3 mm are 10 cells of 0.3 mm: five on either side.
    const columns = [...people].map((k) => k % 120);
    const [from, to] = [Math.min(...columns) - 6, Math.max(...columns) + 6];
    expect(changed.length).toBeGreaterThan(50);
    expect(changed.every((k) => k % 120 >= from && k % 120 <= to)).toBe(true);
    expect(changed.some((k) => !people.has(k))).toBe(true);
  });
});
