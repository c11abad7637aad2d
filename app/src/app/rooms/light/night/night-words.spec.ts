import { lightInputFor, lightSiteOf } from '@roam-dial/core/plan';
import { type NightInput, type NightOfStop, nightOfStop, stopDay } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../../testing/demo';
import { Wording } from '../../../words/wording';
import { darkSentence, nightFigures } from './night-words';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const WORKSPACE = demoWorkspace();
const WALK = WORKSPACE.walks.find(({ id }) => id === 'demo-night') as Walk;

function nightAt(stopId: string, over: Partial<NightInput> = {}): NightOfStop {
  const stop = WALK.stops.find(({ id }) => id === stopId);
  if (stop === undefined) throw new Error(`no ${stopId}`);
  const input = { ...lightInputFor(WORKSPACE, WALK, stop), day: over.day ?? WALK.day, cloud: 0, minutes: 2160 };
  const { shootingBearingDeg, streetAxisDeg, lampsOut } = lightSiteOf(WALK, stop);
  const day = stopDay({ ...input, latitude: over.latitude ?? input.latitude });
  const asked = { ...input, shootingBearingDeg, streetAxisDeg, ...(lampsOut === undefined ? {} : { lampsOut }), ...over };
  const night = day === null ? null : nightOfStop(asked, day);
  if (night === null) throw new Error('no such night');
  return night;
}

const said = (night: NightOfStop, hasStreetLamps = true) =>
  new Map(
    nightFigures(night, { balance: '', hasStreetLamps }, WORDING).map(({ name, value, note }) => [name, `${value}: ${note}`]),
  );

describe('the night of a stop in words', () => {
  it('says how dark it gets, the lamps, and what of the moon is seen between sunset and sunrise', () => {
    const night = nightAt('night-weir');
    expect(darkSentence(night, WORDING)).toMatch(/^Dark from 20:\d\d to 04:\d\d, 8 h \d+ min$/);
    const figures = said(night);
    expect(figures.get('Street lamps')).toBe('dimmed at 00:30: 25 % of their light left until the next dusk.');
    expect(figures.get('Moon')).toMatch(
      /^3\d % lit: First quarter\. Up 18:\d\d to 00:\d\d\. In the frame’s width 18:\d\d to 23:\d\d, \d+° up\.$/,
    );
    expect(figures.get('Sunset')).toContain('Twilight: civil to 18:5');
    expect(figures.get('Sunrise')).toContain('astronomical from 04:5');
  });
  it('names no street lamps where there are none, and lamps that are off', () => {
    expect(said(nightAt('night-weir'), false).has('Street lamps')).toBe(false);
    const off = nightAt('night-weir', { lampsOut: { fromMin: 60, toMin: 330, leftShare: 0 } });
    expect(said(off).get('Street lamps')).toBe('out at 01:00: Off until 05:30.');
  });
  it('says so where it never gets dark', () => {
    const north = nightAt('night-arcade', { latitude: 62, day: '2027-06-21' });
    expect(darkSentence(north, WORDING)).toBe('Civil twilight all night');
    expect(said(north).get('Moonlight')).toContain('none');
  });
});
