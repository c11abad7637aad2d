import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readArchive } from '../formats/reading/index.js';
import { evOfLux, sunPosition, walkClock } from '../light/index.js';
import { type FrameSize, measureLight, measureView, frameSeenAt, type SightQuestion } from '../sight/index.js';
import { siteLookOf, type Stop, stopDayIn } from '../stop/index.js';
import { type Site, siteScene } from '../streets/index.js';
import { cloudOf, type Walk } from '../walk/index.js';
import {
  type KitInHand,
  kitInHand,
  lightInputFor,
  placeOf,
  sightFrameOf,
  sightInstantOf,
  sightSiteOf,
  sightTakenBy,
  siteOf,
} from './index.js';

const read = readArchive(readFileSync(join(__dirname, '../../../app/public/demo.json'), 'utf8'));
if (!read.ok) throw new Error(read.message);
const { archive } = read;
function demoWalk(): Walk {
  const [first] = archive.walks;
  if (first === undefined) throw new Error('no walk');
  return first;
}
const walk = demoWalk();
const SIZE: FrameSize = { width: 60, height: 40 };

function questionOf(stop: Stop): SightQuestion {
  const kit = kitInHand(archive.kit, walk, stop);
  if (kit === null) throw new Error('no camera');
  const { site } = sightSiteOf(archive, walk, stop);
  return { site, bearingDeg: stop.shootingBearingDeg, frame: sightFrameOf(kit, stop), size: SIZE, personM: stop.subject.medianM };
}

describe('the view of a stop', () => {
  // Under its roof the arcade sees no sky: what there is of daylight has come off two walls, which neither model follows.
  it.each(walk.stops.filter(({ id }) => id !== 'arcade').map((stop) => [stop.name, stop] as const))(
    'has at %s the shade of its card within ⅓ stop at every hour of the day',
    (_, stop) => {
      const view = measureView(questionOf(stop));
      const light = measureLight(view);
      const found = siteOf(archive, walk, stop);
      if (found.kind !== 'district') throw new Error('no district');
      const input = { ...lightInputFor(archive, walk, stop), day: walk.day, cloud: cloudOf(walk) };
      const site: Site = found.site;
      const day = stopDayIn(siteScene(site, siteLookOf({ ...input, streets: site })), input);
      const clock = walkClock(walk.day, walk.place.timeZone);
      if (day === null || clock === null) throw new Error('no day');
      for (let hour = 0; hour < 24; hour++) {
        const minute = hour * 60;
        const at = sightInstantOf(walk, stop, minute);
        if (at === null) throw new Error('no instant');
        const { shadeLux } = frameSeenAt(view, light, { ...at.instant, offsetEv: 0, lamps: null });
        const apart = evOfLux(shadeLux) - (day.daylightEv[minute] as number);
        expect({ hour, isNear: Math.abs(apart) <= 1 / 3, apart }).toMatchObject({ hour, isNear: true });
      }
    },
  );

  it('has sky, sun, lamps and leaves as the card has them, and says nothing of walls that nobody knows', () => {
    const stop = walk.stops.find(({ id }) => id === 'arcade');
    if (stop === undefined) throw new Error('no stop');
    const night = sightInstantOf(walk, stop, 1200);
    const noon = sightInstantOf(walk, stop, 720);
    // An arcade’s lamps: EV 6, 2.5·2⁶ lux.
    expect(night?.lamps).toEqual({ fullLux: 160, share: 1 });
    expect(noon?.lamps.share).toBe(0);
    const time = new Date(walkClock(walk.day, walk.place.timeZone)?.msAt(720) ?? NaN);
    expect(noon?.instant.sun).toEqual(sunPosition({ ...placeOf(walk, stop), time, refraction: 'none' }));
    expect(noon?.instant.areTreesInLeaf).toBe(false);
    const nowhere = sightSiteOf(archive, { districtId: null }, { ...stop, position: null });
    expect(nowhere).toEqual({ site: { buildings: [], eastM: 0, northM: 0 }, from: 'none' });
  });
});

it('a set-up smears whoever passes as the card’s limit has it: 28 mm, 1.4 m/s across at 3 m, 0.0288 mm in 1/458 s', () => {
  const [across, along] = [90, 0].map((travelAngleDeg) =>
    sightTakenBy(
      { body: { sensorWidthMm: 36 } as KitInHand['body'], focalLengthMm: 28 },
      { movers: { speedMps: 1.4, travelAngleDeg } as Stop['movers'], subject: { medianM: 3 } as Stop['subject'] },
      { fNumber: 8, shutterS: 1 / 458, focusM: 3 },
    ),
  );
  expect(across).toMatchObject({ fNumber: 8, focusM: 3, smearMm: expect.closeTo(0.0288, 4) });
  expect(along?.smearMm).toBeCloseTo((0.0288 * 0.9) / 3, 4);
  const still = { movers: { speedMps: 0, travelAngleDeg: 90 } as Stop['movers'], subject: { medianM: 3 } as Stop['subject'] };
  const kit = { body: { sensorWidthMm: 36 } as KitInHand['body'], focalLengthMm: 28 };
  expect(sightTakenBy(kit, still, { fNumber: 8, shutterS: 1, focusM: 3 }).smearMm).toBe(0);
});
