import type { BlurTrace, Evidence, SoftnessReading, SoftnessVerdict } from '@roam-dial/core/log';
import { drawnFault } from './drawn-fault';

const READING = { width: 1200, height: 800, across: 24, down: 16, noiseBlock: 13 } as unknown as SoftnessReading;
const SMEAR: BlurTrace = { lengthPx: 20, directionDeg: 90, lineClear: 8, diameterPx: 4, discClear: 0 };
const EVIDENCE = {
  smear: SMEAR,
  subjectSmear: { ...SMEAR, directionDeg: 0 },
  subject: { majorPx: 3, minorPx: 2.8, directionDeg: 0, edges: 90 },
} as Evidence;
const verdict = (looksLike: SoftnessVerdict['looksLike'], evidence = EVIDENCE) => ({ looksLike, evidence }) as SoftnessVerdict;

describe('what spoils a picture, drawn into it', () => {
  it('is a line as long as the smear, of all of it or of the subject, whichever it is about', () => {
    const shaken = drawnFault(READING, verdict('shake'));
    if (shaken?.kind !== 'smear') throw new Error('no smear');
    expect(Math.hypot(shaken.dx, shaken.dy)).toBeCloseTo(10, 9);
    expect(shaken.dx).toBeCloseTo(0, 9);
    expect(drawnFault(READING, verdict('moved'))).toEqual({ kind: 'smear', dx: 10, dy: 0 });
    expect(drawnFault(READING, verdict('moved', { ...EVIDENCE, subjectSmear: null }))).toBeNull();
  });

  it('is a disc whose radius is twice its deviation', () => {
    expect(drawnFault(READING, verdict('focus'))).toEqual({ kind: 'disc', radius: 6 });
    expect(drawnFault(READING, verdict('focus', { ...EVIDENCE, subject: null }))).toBeNull();
  });

  // Twelve blocks a row of 100 by 100 pixels: the thirteenth but one is the second of the second row.
  it('is the block in which noise was read', () => {
    expect(drawnFault(READING, verdict('noise'))).toEqual({ kind: 'patch', x: 100, y: 100, width: 100, height: 100 });
    expect(drawnFault({ ...READING, noiseBlock: undefined } as never, verdict('noise'))).toBeNull();
  });

  it('is nothing of what has no size', () => {
    expect((['veil', 'depth', 'good', 'cannotTell'] as const).map((look) => drawnFault(READING, verdict(look)))).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });
});
