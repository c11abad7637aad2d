import type { Moment } from '../../outing/index.js';
import { frameFacts } from '../frames/index.js';
import { departures, wideDepartures } from './plannedAgainstUsed.js';

const card: Moment = {
  keyEv100: 12,
  readingOffsetEv: 0,
  fNumber: 8,
  focusM: 3,
  shutterS: 1 / 250,
  iso: 400,
  pattern: 'wholeFrame',
  compensationEv: -1 / 3,
  support: 'handheld',
  lensId: null,
  focalLengthMm: 28,
  chance: 0.9,
};

describe('what was used against the card', () => {
  it('is told in stops of exposure, more being plus', () => {
    const used = frameFacts({
      FNumber: 5.6568542,
      ExposureTime: 1 / 125,
      ISO: 100,
      ExposureCompensation: -1 / 3,
      SubjectDistance: 6,
    });
    expect(departures(used, card)).toEqual([
      { what: 'shutter', stops: expect.closeTo(1, 6) },
      { what: 'aperture', stops: expect.closeTo(1, 6) },
      { what: 'iso', stops: expect.closeTo(-2, 6) },
      { what: 'compensation', stops: expect.closeTo(0, 6) },
      { what: 'focus', stops: expect.closeTo(1, 6) },
    ]);
  });

  it('leaves out what a frame does not say, and what is a third off or less', () => {
    // f/7.1 for f/8 is 0.34 stops, 1/30 for 1/250 is 3.06.
    const used = frameFacts({ FNumber: 7.1, ExposureTime: 1 / 30 });
    expect(departures(used, card).map(({ what }) => what)).toEqual(['shutter', 'aperture']);
    expect(wideDepartures(used, card)).toEqual([{ what: 'shutter', stops: expect.closeTo(3.059, 3) }]);
  });
});
