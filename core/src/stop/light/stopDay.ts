import {
  type CloudByHour,
  castsShadows,
  cloudAt,
  dayOfYear,
  MINUTES_PER_DAY,
  MINUTES_PER_WALK,
  PLACE_WITHOUT_FOOTPRINTS,
  type Place,
  sunPosition,
  sunTrack,
  type WalkClock,
  walkClock,
} from '../../light/index.js';
import {
  areTreesInLeaf,
  borderM,
  creepMPerMin,
  CREEP_OVER_MIN,
  GRID_CELLS,
  sightAt,
  type Site,
  type SiteLook,
  type SiteScene,
  siteScene,
} from '../../streets/index.js';
import { checkBetween } from '../../units/index.js';
import { type CameraReach, DEFAULT_CAMERA_REACH } from '../cameraReach.js';
import { type LightWindow, lightWindows, WINDOW_RULES } from './lightWindows.js';
import { type MissingLight, missingLight } from './missingLight.js';
import { bestOf, candidRamps, duskBalanceQuality, intentWays, type QualityInput, type SiteOfDay, type Ways } from './quality.js';
import type { Subject } from '../stop.js';
import { METERED_SURFACES, spreadOf, type StopLight, stopLightAt } from './stopLight.js';
import { DEFAULT_THRESHOLDS, type WindowThresholds } from './thresholds.js';

/** Figures of every minute, in the order of the day's clock. */
export interface StopMinutes {
  /** EV100 of the metered surface. */
  readonly keyEv100: Float32Array;
  /** 1 where the sun reaches the subject's spot. */
  readonly isLit: Uint8Array;
  /** Geometric. */
  readonly sunAltitudeDeg: Float32Array;
  readonly sunAzimuthDeg: Float32Array;
  /** 0..1, before windows are cut out of it. */
  readonly quality: Float32Array;
  /** Number of the metered surface in METERED_SURFACES. */
  readonly surface: Uint8Array;
  readonly lampsOn: Uint8Array;
  readonly shadeEv: Float32Array;
  /** The shade by daylight alone. */
  readonly daylightEv: Float32Array;
  readonly litGroundEv: Float32Array;
  readonly litPersonEv: Float32Array;
  readonly cameraSideEv: Float32Array;
  readonly skyEv: Float32Array;
  /** Luminance behind a silhouette, and where in the frame; −Infinity where none was found. */
  readonly backgroundEv: Float32Array;
  readonly backgroundOffDeg: Float32Array;
  /** Lit share of the seen ground at 1.6 m; of the walls seen from the spot. */
  readonly litShare: Float32Array;
  readonly wallsLitShare: Float32Array;
  /** The largest lit patch: area, side of the largest square in it, and its middle from the camera. */
  readonly patchM2: Float32Array;
  readonly squareSideM: Float32Array;
  readonly patchAheadM: Float32Array;
  readonly patchAsideM: Float32Array;
  /** Shadow's edge, metres a minute; 0 where there is none. */
  readonly creepMPerMin: Float32Array;
  /** The seen ground's lit cells, a bit each, 72 bytes a minute; `litGroundAt` unpacks them. Empty without walls. */
  readonly groundLit: Uint8Array;
}

/**
 * A stop's day by the minutes of the wall clock, as many as were asked for: 0..1439, or 0..2159 to noon of the next day. Plain
 * arrays, so that a worker can hand them over.
 */
export interface StopDay extends StopMinutes {
  /** Ascending. */
  readonly windows: readonly LightWindow[];
  /** What failed where there is no window; null where there is one. */
  readonly missing: MissingLight | null;
  /** When sky and lamps balance, a mark at dusk and dawn. */
  readonly duskBalance: readonly LightWindow[];
  /** Share of the sky at the subject's spot; that of a place without footprints where none are known. */
  readonly skyShare: number;
  readonly hasWalls: boolean;
  /** Stops that a reading put onto `keyEv100`. */
  readonly readingOffsetEv: number;
}

export interface SiteDay extends Place {
  readonly site: SiteOfDay;
  readonly day: string;
  readonly timeZone: string;
  /** 0 clear, 0.5 hazy, 1 overcast; or 24 hourly figures of the same. */
  readonly cloud: number | CloudByHour;
}

export interface StopDayInput extends SiteDay {
  /** Half of the frame's horizontal field, as the camera is held. */
  readonly halfFieldDeg: number;
  /** The frame's long side upright; lying by default. */
  readonly isFrameUpright?: boolean;
  /** Buildings, trees and where among them the camera stands; null or absent where none are known. */
  readonly streets?: Site | null;
  /** Where people pass; 3 m, from 2 to 5, by default. */
  readonly subject?: Pick<Subject, 'nearM' | 'farM' | 'medianM'>;
  /** Of those who pass, against the axis of the camera; 80° by default. */
  readonly travelAngleDeg?: number;
  readonly reach?: CameraReach;
  readonly thresholds?: Partial<WindowThresholds>;
  /** Minutes of the walk that are measured: its day's 1440 by default, or 2160 with the next day until noon. */
  readonly minutes?: number;
}

const NO_BALANCE: Ways = [[{ reason: 'dusk', value: 0 }]];
const DEFAULT_SUBJECT = { nearM: 2, farM: 5, medianM: 3 };
const DEFAULT_TRAVEL_DEG = 80;
const SHORTEST_MIN: Partial<Record<SiteOfDay['intent']['kind'], number>> = { passingCandid: 10, intoTheSun: 3 };

const LOOKS_FOR: Partial<Record<SiteOfDay['intent']['kind'], SiteLook['looksFor']>> = {
  silhouette: 'background',
  facade: 'face',
  reflection: 'face',
};

/** What a stop's surroundings are measured for: the same look, the same scene, whatever the day. */
export function siteLookOf(input: Omit<StopDayInput, 'day' | 'cloud' | 'timeZone'>): SiteLook {
  const {
    site,
    halfFieldDeg,
    isFrameUpright = false,
    latitude,
    subject = DEFAULT_SUBJECT,
    travelAngleDeg = DEFAULT_TRAVEL_DEG,
  } = input;
  return {
    latitude,
    shootingBearingDeg: site.shootingBearingDeg,
    halfFieldDeg,
    isFrameUpright,
    subject,
    travelAngleDeg,
    looksFor: LOOKS_FOR[site.intent.kind] ?? 'ground',
  };
}

/** The ways of every minute that windows are cut from, under the label of those windows. */
type WaysByLabel = readonly {
  readonly label: LightWindow['label'];
  readonly of: (input: QualityInput) => Ways;
  readonly ways: Ways[];
}[];

function waysByLabel({ intent }: SiteOfDay): WaysByLabel {
  if (intent.kind !== 'passingCandid') return [{ label: null, of: intentWays, ways: [] }];
  const sides = (['sun', 'shade'] as const).filter((side) => intent.light === 'either' || intent.light === side);
  return sides.map((side) => ({ label: side, of: (input) => [candidRamps(input, side)], ways: [] }));
}

const shortestMinOf = ({ intent }: SiteOfDay): number => SHORTEST_MIN[intent.kind] ?? WINDOW_RULES.shortestMin;

function windowsOf(all: WaysByLabel, site: SiteOfDay): readonly LightWindow[] {
  const shortestMin = shortestMinOf(site);
  return all
    .flatMap(({ label, ways }) => lightWindows(ways, { ...WINDOW_RULES, shortestMin }, label))
    .sort((a, b) => a.fromMin - b.fromMin);
}

/** Every label's ways together, minute by minute. */
function missingOf(all: WaysByLabel, site: SiteOfDay): MissingLight | null {
  const together = (all[0]?.ways ?? []).map((_, minute) => all.flatMap(({ ways }) => ways[minute] ?? []));
  return missingLight(together, shortestMinOf(site));
}

/** What stays the same through a day of a stop. */
export interface DayFrame {
  readonly scene: SiteScene | null;
  readonly input: StopDayInput;
  readonly isInLeaf: boolean;
  readonly yearDay: number;
  readonly thresholds: WindowThresholds;
}

export function dayFrame(scene: SiteScene | null, input: StopDayInput): DayFrame {
  const yearDay = dayOfYear(input.day);
  return {
    scene,
    input,
    isInLeaf: areTreesInLeaf(yearDay, input.latitude),
    yearDay,
    thresholds: { ...DEFAULT_THRESHOLDS, ...input.thresholds },
  };
}

/** One instant of a stop's day, with what its windows are judged by. `groundLit` takes the lit cells of the ground. */
export function instantOf(
  { scene, input, isInLeaf, yearDay, thresholds }: DayFrame,
  sun: StopLight['sun'],
  minuteOfDay: number,
  groundLit: Uint8Array = new Uint8Array(GRID_CELLS),
): QualityInput {
  const { site, halfFieldDeg, reach = DEFAULT_CAMERA_REACH } = input;
  const cloud = cloudAt(input.cloud, minuteOfDay);
  const sight = scene === null ? null : sightAt(scene, sun, { isSunOut: castsShadows(cloud), isInLeaf, groundLit });
  const walls = scene === null || sight === null ? {} : { walls: { scene, sight } };
  const instant = { site, sun, cloud, dayOfYear: yearDay, minuteOfDay, ...walls };
  return { instant, light: stopLightAt(instant), halfFieldDeg, reach, thresholds };
}

function sunByMinute({ latitude, longitude }: Place, { msAt }: WalkClock, minutes: number): (minute: number) => StopLight['sun'] {
  const startMs = msAt(0);
  const { timesMs, azimuthDeg, altitudeDeg } = sunTrack({
    start: new Date(startMs),
    end: new Date(msAt(minutes)),
    stepS: 60,
    latitude,
    longitude,
    refraction: 'none',
  });
  return (minute) => {
    const elapsed = Math.round((msAt(minute) - startMs) / 60_000);
    const sample = Math.min(timesMs.length - 1, Math.max(0, elapsed));
    return { azimuthDeg: azimuthDeg[sample] as number, altitudeDeg: altitudeDeg[sample] as number };
  };
}

function emptyMinutes(minutes: number, groundBytes: number): StopMinutes {
  const figures = (): Float32Array => new Float32Array(minutes);
  const flags = (): Uint8Array => new Uint8Array(minutes);
  return {
    keyEv100: figures(),
    isLit: flags(),
    sunAltitudeDeg: figures(),
    sunAzimuthDeg: figures(),
    quality: figures(),
    surface: flags(),
    lampsOn: flags(),
    shadeEv: figures(),
    daylightEv: figures(),
    litGroundEv: figures(),
    litPersonEv: figures(),
    cameraSideEv: figures(),
    skyEv: figures(),
    backgroundEv: figures(),
    backgroundOffDeg: figures(),
    litShare: figures(),
    wallsLitShare: figures(),
    patchM2: figures(),
    squareSideM: figures(),
    patchAheadM: figures(),
    patchAsideM: figures(),
    creepMPerMin: figures(),
    groundLit: new Uint8Array(groundBytes),
  };
}

/** One minute's light and sight into the day's figures. */
function record(into: StopMinutes, minute: number, { light, instant }: QualityInput): void {
  into.keyEv100[minute] = light.keyEv100;
  into.isLit[minute] = Number(light.isLit);
  into.sunAltitudeDeg[minute] = light.sun.altitudeDeg;
  into.sunAzimuthDeg[minute] = light.sun.azimuthDeg;
  into.surface[minute] = METERED_SURFACES.indexOf(light.surface);
  into.lampsOn[minute] = Number(light.lampsOn);
  into.shadeEv[minute] = light.shadeEv;
  into.daylightEv[minute] = light.daylightEv;
  into.litGroundEv[minute] = light.litGroundEv;
  into.litPersonEv[minute] = light.litPersonEv;
  into.cameraSideEv[minute] = light.cameraSideEv;
  into.skyEv[minute] = light.skyEv;
  into.backgroundEv[minute] = light.background?.ev100 ?? -Infinity;
  into.backgroundOffDeg[minute] = light.background?.offDeg ?? 0;
  if (instant.walls === undefined) return;
  const { litShare, wallsLitShare, patch, squareSideM } = instant.walls.sight;
  into.litShare[minute] = litShare;
  into.wallsLitShare[minute] = wallsLitShare;
  into.squareSideM[minute] = squareSideM;
  if (patch === null) return;
  into.patchM2[minute] = patch.areaM2;
  into.patchAheadM[minute] = patch.aheadM;
  into.patchAsideM[minute] = patch.asideM;
}

/** Geometric; the air lifts nothing from farther down over the horizon. */
const NO_LIGHT_BELOW_DEG = -1;

/** How fast the shadow's edge moves, from each minute's ground to the one ten minutes later. */
function creepInto({ creepMPerMin: into, sunAltitudeDeg }: StopMinutes, scene: SiteScene, ground: Uint8Array): void {
  const cells = (minute: number): Uint8Array => ground.subarray(minute * GRID_CELLS, (minute + 1) * GRID_CELLS);
  const isNight = (minute: number): boolean => (sunAltitudeDeg[minute] as number) < NO_LIGHT_BELOW_DEG;
  const bordersM = Float64Array.from(into, (_, minute) => (isNight(minute) ? 0 : borderM(cells(minute), scene.seen)));
  for (let minute = 0; minute + CREEP_OVER_MIN < into.length; minute++) {
    const later = minute + CREEP_OVER_MIN;
    if (isNight(minute) && isNight(later)) continue;
    const borders = [bordersM[minute] as number, bordersM[later] as number] as const;
    into[minute] = creepMPerMin(cells(minute), cells(later), scene.seen, borders);
  }
}

/** Eight cells to a byte, the first in its lowest bit. */
function pack(cells: Uint8Array, bytes: Uint8Array): void {
  for (let k = 0; k < cells.length; k++) if (cells[k] === 1) bytes[k >> 3] = (bytes[k >> 3] as number) | (1 << (k & 7));
}

/** The lit cells of the seen ground at a minute, 576 of 0 or 1; all 0 where no walls are known. */
export function litGroundAt({ groundLit }: Pick<StopDay, 'groundLit'>, minuteOfDay: number): Uint8Array {
  const first = minuteOfDay * GRID_CELLS;
  return Uint8Array.from({ length: GRID_CELLS }, (_, cell) => ((groundLit[(first + cell) >> 3] ?? 0) >> ((first + cell) & 7)) & 1);
}

/** A stop's day from surroundings measured before; `scene` null where no footprints are known. */
export function stopDayIn(scene: SiteScene | null, input: StopDayInput): StopDay | null {
  const clock = walkClock(input.day, input.timeZone);
  if (clock === null) return null;
  const { minutes: count = MINUTES_PER_DAY } = input;
  checkBetween('minutes', count, 1, MINUTES_PER_WALK);
  const frame = dayFrame(scene, input);
  const sunAt = sunByMinute(input, clock, count);
  const ground = new Uint8Array(scene === null ? 0 : count * GRID_CELLS);
  const minutes = emptyMinutes(count, ground.length / 8);
  const labelled = waysByLabel(input.site);
  const balance: Ways[] = [];
  for (let minute = 0; minute < count; minute++) {
    const cells = scene === null ? undefined : ground.subarray(minute * GRID_CELLS, (minute + 1) * GRID_CELLS);
    const one = instantOf(frame, sunAt(minute), minute, cells);
    record(minutes, minute, one);
    for (const { of, ways } of labelled) ways.push(of(one));
    minutes.quality[minute] = labelled.reduce((best, { ways }) => Math.max(best, bestOf(ways[minute] as Ways)), 0);
    const balanced = duskBalanceQuality(one);
    balance.push(balanced === 0 ? NO_BALANCE : [[{ reason: 'dusk', value: balanced }]]);
  }
  if (scene !== null) creepInto(minutes, scene, ground);
  pack(ground, minutes.groundLit);
  const windows = windowsOf(labelled, input.site);
  return {
    ...minutes,
    windows,
    missing: windows.length > 0 ? null : missingOf(labelled, input.site),
    duskBalance: lightWindows(balance),
    skyShare: scene?.skyShare ?? PLACE_WITHOUT_FOOTPRINTS.skyShare,
    hasWalls: scene !== null,
    readingOffsetEv: input.site.lightOffsetEv,
  };
}

/**
 * A stop's light minute by minute, and the windows of its intent with their reasons, from the stop, the footprints round
 * it, the day and the sky: plain data in and out, described in docs/light.md. Without footprints, from the sun's place,
 * the stop's bearings and the hour alone. Null on a day that the zone skipped.
 * @throws TypeError, RangeError for a malformed day, zone, place or building.
 */
export function stopDay(input: StopDayInput): StopDay | null {
  const { streets = null } = input;
  return stopDayIn(streets === null ? null : siteScene(streets, siteLookOf(input)), input);
}

/** One minute of a day as the light of a stop, at the reading's offset that the stop has now. */
export function lightOfDay(day: StopDay, minuteOfDay: number, readingOffsetEv: number = day.readingOffsetEv): StopLight {
  const at = (figures: Float32Array | Uint8Array): number => figures[minuteOfDay] as number;
  const modelEv100 = at(day.keyEv100) - day.readingOffsetEv;
  const surface = METERED_SURFACES[at(day.surface)] ?? 'shade';
  const lampsOn = at(day.lampsOn) === 1;
  return {
    keyEv100: modelEv100 + readingOffsetEv,
    modelEv100,
    readingOffsetEv,
    spreadEv: spreadOf(surface, lampsOn),
    surface,
    sun: { azimuthDeg: at(day.sunAzimuthDeg), altitudeDeg: at(day.sunAltitudeDeg) },
    isLit: at(day.isLit) === 1,
    lampsOn,
    shadeEv: at(day.shadeEv),
    daylightEv: at(day.daylightEv),
    litGroundEv: at(day.litGroundEv),
    litPersonEv: at(day.litPersonEv),
    cameraSideEv: at(day.cameraSideEv),
    skyEv: at(day.skyEv),
    contrastEv: Math.max(at(day.litPersonEv), at(day.litGroundEv)) - at(day.shadeEv),
    background: null,
    face: null,
  };
}

/** The light at one minute of the wall clock where no walls are known; null on a day that the zone skipped. Throws as `stopDay`. */
export function stopLightOn(input: SiteDay & { readonly minuteOfDay: number }): StopLight | null {
  const { site, day, timeZone, cloud, latitude, longitude, minuteOfDay } = input;
  const clock = walkClock(day, timeZone);
  if (clock === null) return null;
  const sun = sunPosition({ time: new Date(clock.msAt(minuteOfDay)), latitude, longitude, refraction: 'none' });
  return stopLightAt({ site, sun, cloud: cloudAt(cloud, minuteOfDay), dayOfYear: dayOfYear(day), minuteOfDay });
}

const PERSON_M = 1.7;

/** Length of a standing person's shadow, metres; Infinity with the sun down. */
export function shadowLengthM(sunAltitudeDeg: number): number {
  return sunAltitudeDeg <= 0 ? Infinity : PERSON_M / Math.tan((sunAltitudeDeg * Math.PI) / 180);
}
