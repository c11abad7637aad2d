import type { SightFacts, SightFrame } from '@roam-dial/core/sight';
import { Wording } from './wording';
import { groundsWords, sightSentences, uprightsWords } from './sight';

const METRES = new Wording({ lengthUnit: 'metres', clock: '24h' });
const FEET = new Wording({ lengthUnit: 'feet', clock: '24h' });
const POOL: SightFacts = {
  skyShare: 0,
  waterShare: 0,
  litGround: { share: 0.2, fromM: 3.82, toM: 7.21 },
  contrastEv: 3.69,
  behind: { label: 'walls', overCoatEv: -2.47 },
  whiteShare: 0.001,
  blackShare: 0.02,
  isSunInFrame: false,
};
const FRAME: SightFrame = {
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  focalLengthMm: 28,
  isUpright: false,
  tiltDeg: 0,
  riseMm: 0,
};

describe('a view in words', () => {
  it('says where the pool lies, what is behind the person, the sky, and what clips', () => {
    expect(sightSentences(POOL, METRES)).toEqual([
      'Sunlit ground 3.8 to 7.2 m ahead, 3⅔ stops above the shade.',
      'Behind the person shaded walls, 2⅓ stops darker than the coat.',
      'No sky in the frame.',
      '2 % comes out black.',
    ]);
    expect(sightSentences(POOL, FEET)[0]).toMatch(/^Sunlit ground 12.* to 2\d.* ahead/);
  });
  it('has nothing to say of people who are not there, nor of patches without an edge', () => {
    const open: SightFacts = { ...POOL, litGround: { share: 1, fromM: 2, toM: 90 }, contrastEv: null, behind: null, blackShare: 0 };
    expect(sightSentences({ ...open, skyShare: 0.52, waterShare: 0.24 }, METRES)).toEqual([
      'All the ground in the frame is in the sun.',
      'Water: 24 % of the frame.',
      'Sky: 52 % of the frame.',
      'Nothing clips.',
    ]);
    expect(sightSentences({ ...open, litGround: null, whiteShare: 0.3 }, METRES).at(-1)).toBe('30 % comes out white.');
  });
  it('says where uprights meet: at 10° before 28 mm 6.1 heights above the frame', () => {
    expect(uprightsWords(FRAME)).toBe('Level: uprights stay upright.');
    expect(uprightsWords({ ...FRAME, riseMm: 5 })).toBe('Shifted: uprights stay upright.');
    expect(uprightsWords({ ...FRAME, tiltDeg: 10 })).toBe('Uprights lean together: they meet 6.1 frame heights above it.');
    expect(uprightsWords({ ...FRAME, tiltDeg: -10 })).toBe('Uprights lean apart: they meet 6.1 frame heights below it.');
  });
  it('claims no walls where none are known, and counts the heights that are assumed', () => {
    expect(groundsWords('none', { assumed: 0, all: 0 })).toContain('No walls are known here');
    expect(groundsWords('section', { assumed: 0, all: 0 })).toContain('as you entered them');
    expect(groundsWords('district', { assumed: 0, all: 9 })).not.toContain('assumed');
    expect(groundsWords('district', { assumed: 4, all: 9 })).toContain('Heights are assumed for 4 of 9 buildings nearby.');
  });
});
