import type { IntentKind } from '../../stop/index.js';
import { type GridCell, gridIndex, type SettingsGrid } from './searchAt.js';
import type { SetUpInput } from '../question/searchInput.js';

/** Everything that can hold a picture back, in the words of the charts' keys. */
export const LIMITS = [
  'shake',
  'motion',
  'depth',
  'tooDark',
  'tooBright',
  'isoCeiling',
  'flicker',
  'flash',
  'kept',
  'highlights',
  'school',
] as const;
export type Limit = (typeof LIMITS)[number];

/** Limits that no picture may break; the others are for showing. Marks, closest focus and sync are kept by the marks tried. */
export const HARD_LIMITS: ReadonlySet<Limit> = new Set<Limit>(['highlights', 'school']);

/** How well each part of a cell does, 0..1. `motion` is over all distances, so that it does not depend on the aperture. */
export interface Factors {
  readonly depth: number;
  readonly motion: number;
  readonly depthAndMotion: number;
  readonly shake: number;
  readonly light: number;
  readonly flicker: number;
  readonly flash: number;
  /** What a changing light leaves, as the exposure is kept. */
  readonly kept: number;
}

/** A limit that is broken, and what is left of the factor behind it; for ISO and highlights the stops over, negated. */
export interface BrokenLimit {
  readonly limit: Limit;
  readonly left: number;
}

const PROTECTS_HIGHLIGHTS: ReadonlySet<IntentKind> = new Set(['lightPool', 'silhouette', 'brightBackdrop', 'facade']);

function protectsHighlights({ intent, body }: SetUpInput): boolean {
  if (body.medium === 'film') return false;
  return PROTECTS_HIGHLIGHTS.has(intent.kind) || (intent.kind === 'litStreet' && intent.lamps === 'hold');
}

/** Stops by which the key, which is the bright part of the frame, lies over the body's headroom at the mean light. */
function overHeadroomEv({ scene, errorEv }: SettingsGrid, pair: number): number {
  if (!protectsHighlights(scene.input)) return -Infinity;
  return scene.keyToneEv + (errorEv[pair] as number) - scene.input.body.headroomEv;
}

function pairOf({ scene }: SettingsGrid, { aperture, dial }: GridCell): number {
  return aperture * scene.controls.dial.values.length + dial;
}

function zoneOf({ scene }: SettingsGrid, { aperture, focus }: GridCell): number {
  return aperture * scene.controls.focusM.length + focus;
}

/** Every factor of one cell. The joint one is the chance without the others, where they are alike over the light. */
export function factorsAt(cells: SettingsGrid, place: GridCell): Factors {
  const pair = pairOf(cells, place);
  const others =
    (cells.shake[pair] as number) *
    (cells.exposure[pair] as number) *
    (cells.flicker[pair] as number) *
    (cells.flash[pair] as number) *
    cells.scene.kept;
  const chance = cells.chance[gridIndex(cells, place)] as number;
  return {
    depth: (cells.scene.table.depth[zoneOf(cells, place)] as number) * cells.lock,
    motion: cells.motion[pair] as number,
    depthAndMotion: others > 0 ? Math.min(1, chance / others) : 0,
    shake: cells.shake[pair] as number,
    light: cells.exposure[pair] as number,
    flicker: cells.flicker[pair] as number,
    flash: cells.flash[pair] as number,
    kept: cells.scene.kept,
  };
}

const ROUNDING = 1e-9;

/** Whether a pair keeps the highlights, whatever its focus. */
export function keepsHighlights(cells: SettingsGrid, pair: number): boolean {
  return overHeadroomEv(cells, pair) <= ROUNDING;
}

/** Whether a cell keeps every hard limit. */
export function keepsHardLimits(cells: SettingsGrid, pair: number, zone: number): boolean {
  return cells.scene.belongs[zone] === true && keepsHighlights(cells, pair);
}

/** The hard limits that a cell breaks. */
export function hardLimitsAt(cells: SettingsGrid, place: GridCell): readonly BrokenLimit[] {
  const over = overHeadroomEv(cells, pairOf(cells, place));
  return [
    ...(over > ROUNDING ? [{ limit: 'highlights' as const, left: -over }] : []),
    ...(cells.scene.belongs[zoneOf(cells, place)] === true ? [] : [{ limit: 'school' as const, left: 0 }]),
  ];
}

/** All limits that a cell breaks, the hard ones first, then the worst. */
export function limitsAt(cells: SettingsGrid, place: GridCell): readonly BrokenLimit[] {
  const pair = pairOf(cells, place);
  const factors = factorsAt(cells, place);
  const least = cells.scene.figures.softFactor - ROUNDING;
  const over = cells.overCeilingEv[pair] as number;
  const soft: BrokenLimit[] = [
    { limit: 'shake', left: factors.shake },
    { limit: 'motion', left: factors.motion },
    { limit: 'depth', left: factors.depth },
    { limit: (cells.errorEv[pair] as number) > 0 ? 'tooBright' : 'tooDark', left: factors.light },
    { limit: 'flicker', left: factors.flicker },
    { limit: 'flash', left: factors.flash },
    { limit: 'kept', left: factors.kept },
  ];
  const broken = soft.filter(({ left }) => left < least);
  if (over > ROUNDING) broken.push({ limit: 'isoCeiling', left: -over });
  return [...hardLimitsAt(cells, place), ...broken.sort((a, b) => a.left - b.left)];
}
