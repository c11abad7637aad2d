import { castColumn, newColumn } from './column.js';
import { heldSides } from './frame.js';
import type { MeasuredView } from './measured.js';
import { SEEN } from './seen.js';
import { RAD_PER_DEG } from '../units/index.js';

/** At most so large, and its lower edge at least so high over the ground. Judgement. */
const LARGEST_M = { width: 4.5, height: 3 } as const;
const FOOT_M = 0.5;
const MIDDLE_M = 1.7;
/** Behind whoever stands before it: so many times as far, or just before the wall that is nearer. */
const BEHIND = { times: 1.5, beforeWallM: 0.1 } as const;
const WITHOUT_PERSON_M = 6;
const DARK_REFLECTANCE = 0.05;

/** A screen across the look, behind the person: 3 to 2, of the share of the frame that was asked for, where nothing hides it. */
export function paintScreen(view: MeasuredView): void {
  const { question, edges, eye, personM } = view;
  const { frame, bearingDeg, screenShare = null, size } = question;
  if (screenShare === null || screenShare === 0) return;
  const axis = bearingDeg * RAD_PER_DEG;
  const column = newColumn();
  castColumn(edges, eye, Math.sin(axis), Math.cos(axis), column);
  const wallM = column.count === 0 ? Infinity : (column.distanceM[0] as number) - BEHIND.beforeWallM;
  const awayM = Math.max(0.5, Math.min(BEHIND.times * (personM ?? WITHOUT_PERSON_M), wallM));
  const [widthMm, heightMm] = heldSides(frame);
  const perMm = awayM / frame.focalLengthMm;
  const wantedM = Math.sqrt((screenShare * widthMm * heightMm * LARGEST_M.width) / LARGEST_M.height) * perMm;
  const widthM = Math.min(LARGEST_M.width, wantedM);
  const highM = (widthM * LARGEST_M.height) / LARGEST_M.width;
  const lowM = Math.max(FOOT_M, MIDDLE_M - highM / 2);
  const eyeOverM = eye.eyeM - eye.groundM;
  for (let cell = 0; cell < size.width * size.height; cell++) {
    const off = view.off[cell] as number;
    if (Math.abs(off) > 1.4) continue;
    const distanceM = awayM / Math.cos(off);
    if (distanceM >= (view.distanceM[cell] as number) || Math.abs(awayM * Math.tan(off)) > widthM / 2) continue;
    const overM = eyeOverM + (view.slope[cell] as number) * distanceM;
    if (overM < lowM || overM > lowM + highM) continue;
    view.kind[cell] = SEEN.screen;
    view.distanceM[cell] = distanceM;
    view.x[cell] = eye.x + distanceM * Math.sin(axis + off);
    view.y[cell] = eye.y + distanceM * Math.cos(axis + off);
    view.z[cell] = eye.groundM + overM;
    view.edge[cell] = -1;
    view.piece[cell] = -1;
    view.glass[cell] = 0;
    view.reflectance[cell] = DARK_REFLECTANCE;
  }
}
