import { caresOfLook } from '@roam-dial/core/plan';
import { turnDeg } from '@roam-dial/core/units';
import { moonName, type MoonView } from '@roam-dial/core/light';
import { axisGapDeg, shadowLengthM, type Stop, type StopDay, type StopLight } from '@roam-dial/core/stop';
import type { Wording } from '../../words/wording';

export interface LightFigure {
  readonly name: string;
  readonly value: string;
  readonly note: string;
}

/** Where a turn from the middle of the frame leads, in words. */
function sideOf(deg: number): string {
  const size = Math.abs(Math.round(deg));
  if (size === 0) return 'straight ahead';
  if (size > 135) return 'behind you';
  return `${size}° to the ${deg > 0 ? 'right' : 'left'}`;
}

function patchNote(day: StopDay, minute: number, wording: Wording): string {
  const aheadM = day.patchAheadM[minute] ?? 0;
  const asideM = day.patchAsideM[minute] ?? 0;
  const aside = Math.abs(asideM) < 0.4 ? '' : `, ${wording.distance(Math.abs(asideM))} to the ${asideM > 0 ? 'right' : 'left'}`;
  return `${wording.distance(aheadM)} ahead${aside}`;
}

/** The figures of one minute, most wanted first. */
export function figuresAt(stop: Stop, day: StopDay, light: StopLight, minute: number, wording: Wording): readonly LightFigure[] {
  const { altitudeDeg, azimuthDeg } = light.sun;
  const isUp = altitudeDeg > 0;
  const figures: LightFigure[] = [
    {
      name: isUp ? 'Sun against shade' : 'Shade',
      value: isUp ? `${light.contrastEv.toFixed(1)} stops` : `EV ${wording.ev(light.shadeEv)}`,
      note: isUp
        ? `EV ${wording.ev(Math.max(light.litPersonEv, light.litGroundEv))} and ${wording.ev(light.shadeEv)}`
        : light.lampsOn
          ? 'lamps included'
          : 'daylight alone',
    },
  ];
  if (isUp) {
    figures.push({
      name: 'People',
      value: `EV ${wording.ev(light.litPersonEv)} and ${wording.ev(light.cameraSideEv)}`,
      note: `in the sun, and on their side to the camera; lit ground EV ${wording.ev(light.litGroundEv)}`,
    });
  }
  if (day.hasWalls) {
    const squareSideM = day.squareSideM[minute] ?? 0;
    figures.push({
      name: 'Lit patch',
      value: squareSideM === 0 ? 'none' : `${wording.exactDistance(squareSideM)} square`,
      note:
        squareSideM === 0
          ? 'nothing in view is sunlit'
          : `${patchNote(day, minute, wording)}; ${Math.round(100 * (day.litShare[minute] ?? 0))} % of what is seen`,
    });
  }
  figures.push({
    name: 'Sun',
    value: isUp ? `${Math.round(altitudeDeg)}° up` : `${Math.abs(Math.round(altitudeDeg))}° under`,
    note: `${sideOf(turnDeg(stop.shootingBearingDeg, azimuthDeg))}; ${Math.round(axisGapDeg(stop, azimuthDeg))}° off the street`,
  });
  if (isUp) {
    const creep = day.creepMPerMin[minute] ?? 0;
    figures.push({
      name: 'Shadow of a person',
      value: wording.distance(shadowLengthM(altitudeDeg)),
      note:
        creep === 0 ? 'no edge in view' : `the edge of the shade moves ${(100 * creep).toFixed(creep < 0.1 ? 1 : 0)} cm a minute`,
    });
  }
  const behind = day.backgroundEv[minute] ?? -Infinity;
  if (behind > -Infinity) {
    figures.push({
      name: 'Brightest behind people',
      value: `${(behind - light.cameraSideEv).toFixed(1)} stops over them`,
      note: `${sideOf(day.backgroundOffDeg[minute] ?? 0)}, EV ${wording.ev(behind)}`,
    });
  }
  figures.push({
    name: 'Sky seen from the spot',
    value: `${Math.round(100 * day.skyShare)} %`,
    note: day.hasWalls
      ? `${Math.round(100 * (day.wallsLitShare[minute] ?? 0))} % of the walls seen are lit`
      : 'taken, because no walls are known',
  });
  return figures;
}

/** What to mind of the light now, a sentence each. */
const LIGHT_CARES: Readonly<Record<'sun' | 'road', string>> = {
  sun: 'The sun is in or near the frame: never look at it through an optical finder, nor leave a long lens on it.',
  road: 'This view is from the middle of the street: watch for traffic, or have somebody watch.',
};

export function lightCare(stop: Stop, { sun }: StopLight): readonly string[] {
  return caresOfLook(stop, sun).map((care) => LIGHT_CARES[care]);
}

export function moonSentence({ altitudeDeg, azimuthDeg, phaseDeg, litShare }: MoonView, time: string): string {
  const lit = `${Math.round(100 * litShare)} % lit`;
  if (altitudeDeg <= 0) return `At ${time} the ${moonName(phaseDeg)} (${lit}) is below the horizon.`;
  return `At ${time} the ${moonName(phaseDeg)} (${lit}) stands ${Math.round(altitudeDeg)}° up, at bearing ${Math.round(azimuthDeg)}°.`;
}
