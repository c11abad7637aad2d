import { TestBed } from '@angular/core/testing';
import { Subject } from 'rxjs';
import { SightClient, type SightWanted } from './sight.client';
import type { SightDrawn } from './sight-jobs';

const wanted = (altitudeDeg: number, isLarge = false): SightWanted => ({
  place: 'open',
  site: { buildings: [] },
  spot: { eastM: 0, northM: 0 },
  look: {
    bearingDeg: 0,
    frame: { sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 28, isUpright: false, tiltDeg: 0, riseMm: 0 },
    personM: null,
  },
  instant: { sun: { azimuthDeg: 90, altitudeDeg }, cloud: 0, dayOfYear: 80, areTreesInLeaf: false },
  lamps: { fullLux: 0, share: 0 },
  shown: {
    medium: { kind: 'raw', overEv: 3, underEv: 7 },
    exposed: { by: 'ev', ev100: 13 },
    elseEv: 13,
    key: { surface: 'pool', tone: 0, offsetEv: 0 },
    straightOverEv: 2.3,
    isClippingMarked: false,
    isKeyMarked: false,
  },
  isLarge,
});

async function until(isSo: () => boolean): Promise<void> {
  while (!isSo()) await new Promise((resolve) => setTimeout(resolve, 20));
}

it('views come rough while questions flow, fine once they rest, and never rough again after that', async () => {
  const questions = new Subject<SightWanted>();
  const shown: SightDrawn[] = [];
  const client = TestBed.inject(SightClient);
  client.pictures(questions).subscribe((picture) => picture !== null && shown.push(picture));
  for (let k = 0; k < 5; k++) questions.next(wanted(20 + k));
  await until(() => shown.at(-1)?.width === 240);
  expect(shown.slice(0, -1).every(({ width }) => width === 120)).toBe(true);
  expect(shown.at(-1)).toMatchObject({ width: 240, height: 160 });
  // Of five at once the first and the last are drawn.
  expect(shown.length).toBeLessThanOrEqual(3);
  questions.next(wanted(30, true));
  await until(() => shown.at(-1)?.width === 480);
  expect(shown.at(-1)).toMatchObject({ width: 480, height: 320 });
});
