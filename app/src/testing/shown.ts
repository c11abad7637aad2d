import { planDay } from '@roam-dial/core/day';
import { fitSteadiness } from '@roam-dial/core/handheld';
import { type ControlKind, focusPositionsM, type KitItem, lensApertures } from '@roam-dial/core/kit';
import { digitalMedium, placeKey } from '@roam-dial/core/metering';
import { barrelTape, edgeLeanDeg, heightRatio, levelFacade, tiltForFacade } from '@roam-dial/core/optics';
import { apartIn, dayFound, dayOfWalk } from '@roam-dial/core/plan';
import { ladderOf, waysOut } from '@roam-dial/core/setup';
import {
  type Approach,
  DEFAULT_APPROACH,
  DEFAULT_FRAMING,
  DEFAULT_INTENTS,
  DEFAULT_METERING,
  DEFAULT_SHOOTING,
  type Shooting,
  type Stop,
  type StopDay,
} from '@roam-dial/core/stop';
import { stopsToday, type Walk, walkLegs } from '@roam-dial/core/walk';
import { demoDay, demoWorkspace } from './demo';
import type { Workspace } from '../app/storage/workspace';
import { type Card, cardFor } from '../app/state/card/card.store';
import { focusOn } from '../app/state/selection/focus.store';
import { walkOfDay } from '../app/state/walk/walk-of-day';
import { apartSentence } from '../app/words/apart';
import { placementSentence } from '../app/words/set-up/metering';
import { daySentence } from '../app/rooms/walk/stop-sentences';
import { Wording } from '../app/words/wording';
import { cardRows } from '../app/shared/card/card-rows';
import { chanceSentence, CONSENT_WORDS, liveViewCaution, obstacleSentence, sacrificeSentence } from '../app/shared/card/sentences';
import { headline, cardLightSentence } from '../app/shared/card/light-sentences';
import { flickerSentence } from '../app/rooms/set-up/what-holds/flicker-sentence';
import { groundSentence } from '../app/rooms/set-up/what-holds/ground-sentence';
import { staySentence, walkRows } from '../app/rooms/walk/walk-rows';

/** Stops and kits in which each field has something to say, and all that the screens then show. */

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
export const DEMO = demoWorkspace();

export interface ShownScene {
  readonly workspace: Workspace;
  readonly stopId: string;
  readonly minuteOfDay: number;
  readonly shows?: 'ladder' | 'waysOut' | 'plan';
}

export type Kind = KitItem['kind'];
export const withKit =
  <K extends Kind>(kind: K, change: (item: Extract<KitItem, { kind: K }>) => KitItem) =>
  (workspace: Workspace): Workspace => ({
    ...workspace,
    kit: workspace.kit.map((item) => (item.kind === kind ? change(item as Extract<KitItem, { kind: K }>) : item)),
  });
export const withWalk =
  (change: (walk: Walk) => Walk) =>
  (workspace: Workspace): Workspace => ({ ...workspace, walks: workspace.walks.map(change) });
export const withStops = (change: (stop: Stop) => Stop): ((workspace: Workspace) => Workspace) =>
  withWalk((walk) => ({ ...walk, stops: walk.stops.map(change) }));
const shot = (over: Partial<Shooting>) => withStops((stop) => ({ ...stop, shooting: { ...DEFAULT_SHOOTING, ...over } }));
const school = (over: Partial<Approach>) => withStops((stop) => ({ ...stop, approach: { ...DEFAULT_APPROACH, ...over } }));
/** The film body with its roll, and another roll beside it. */
const filmInHand = (workspace: Workspace): Workspace => ({
  ...withWalk((walk) => ({ ...walk, bodyId: 'demo-film-body' }))(workspace),
  kit: workspace.kit.flatMap<KitItem>((item) =>
    item.kind === 'film' ? [item, { ...item, id: 'other-film', name: 'Other 100', exposureIndex: 100 }] : [item],
  ),
});

const at = (stopId: string, minuteOfDay: number, ...changes: ((workspace: Workspace) => Workspace)[]): ShownScene => ({
  workspace: changes.reduce((workspace, change) => change(workspace), DEMO),
  stopId,
  minuteOfDay,
});
const darkerBy = (stops: number) => withStops((stop) => ({ ...stop, lightOffsetEv: -stops }));
const intended = (intent: Stop['intent']) => withStops((stop) => ({ ...stop, intent }));

const allControls = (by: ControlKind) =>
  withKit('body', (body) => ({ ...body, controls: { aperture: by, shutter: by, iso: by, compensation: by } }));
export const SCENES = {
  market: at('vessen', 640),
  plan: { ...at('vessen', 640), shows: 'plan' },
  zoom: at(
    'vessen',
    640,
    withStops((stop) => ({ ...stop, lensId: 'demo-zoom' })),
  ),
  highlights: at(
    'orrel',
    915,
    withKit('body', (body) => ({ ...body, meterPatterns: ['highlightWeighted'] })),
  ),
  straight: at(
    'orrel',
    915,
    withStops((stop) => ({ ...stop, metering: { ...DEFAULT_METERING, on: 'straight' } })),
  ),
  byButtons: { ...at('vessen', 640, allControls('button'), school({ exposure: 'bothHeld' })), shows: 'ladder' },
  byMenus: { ...at('vessen', 640, allControls('menu'), school({ exposure: 'bothHeld' })), shows: 'ladder' },

  marketLadder: {
    ...at('vessen', 640, darkerBy(3)),
    shows: 'ladder',
  },
  marketWays: {
    ...at('vessen', 640, darkerBy(6)),
    shows: 'waysOut',
  },
  dim: at('vessen', 640, darkerBy(6)),
  underexposed: at(
    'vessen',
    640,
    darkerBy(9),
    withKit('body', (body) => ({ ...body, atCeiling: 'underexpose' })),
  ),
  steadied: { ...at('quenmill', 120, school({ exposure: 'baseIsoLong', focus: 'lockedOnSpot' })), shows: 'waysOut' },
  dark: at('vessen', 640, darkerBy(9)),
  guessed: at(
    'vessen',
    640,
    withStops((stop) => ({ ...stop, subject: { ...stop.subject, spread: 0 } })),
  ),
  contextual: at('vessen', 640, intended(DEFAULT_INTENTS.lightPool)),
  night: at('arcade', 1150),
  burst: at('arcade', 1150, shot({ burstFrames: 3 })),
  walking: at('arcade', 1150, darkerBy(4), shot({ isWalking: true })),
  strict: at('vessen', 640, shot({ smear: 'strict' })),
  wanted: at('arcade', 1150, shot({ smear: 'wanted' })),
  panned: at('arcade', 1150, shot({ smear: 'panned' })),
  braced: at('arcade', 1150, school({ support: 'braced' })),
  tripod: at('quenmill', 120),
  spot: at('vessen', 640, school({ focus: 'lockedOnSpot' })),
  centre: at('arcade', 1180, school({ focus: 'centrePoint' }), darkerBy(3)),
  isolating: at('vessen', 640, school({ depth: 'isolating' })),
  oldTube: at('arcade', 1150, shot({ lamp: 'oldTube' })),
  poorLed: at('arcade', 1150, shot({ lamp: 'poorLed' })),
  goodLed: at('arcade', 1150, shot({ lamp: 'goodLed' })),
  screen: at('tollard', 345, shot({ lamp: 'screen' })),
  flash: at('arcade', 1150, intended(DEFAULT_INTENTS.flashLift), shot({ burstFrames: 3 })),
  strongFlash: at('arcade', 1150, intended({ ...DEFAULT_INTENTS.flashLift, flashEv: -3 })),
  glare: at(
    'tannery',
    700,
    intended({ kind: 'longExposure', of: 'water', wantedS: 30 }),
    school({ exposure: 'baseIsoLong', support: 'tripod' }),
  ),
  bothHeld: at('vessen', 640, school({ exposure: 'bothHeld' }), intended(DEFAULT_INTENTS.intoTheSun)),
  facade: at('tannery', 560),
  film: at('vessen', 640, filmInHand),
  filmPool: at('orrel', 915, filmInHand),
  filmDim: at('vessen', 640, filmInHand, darkerBy(4)),
  filmGlare: at(
    'tannery',
    700,
    filmInHand,
    school({ exposure: 'film' }),
    withStops((stop) => ({ ...stop, lightOffsetEv: 3 })),
  ),
  filmNight: at(
    'quenmill',
    120,
    filmInHand,
    withKit('body', (body) => ({ ...body, slowestShutterS: 60 })),
    school({ exposure: 'film', support: 'tripod' }),
    darkerBy(3),
  ),
  street: at(
    'vessen',
    640,
    withWalk((walk) => ({ ...walk, districtId: null })),
    withStops((stop) => ({ ...stop, section: { leftHeightM: 12, rightHeightM: 9 } })),
  ),
  open: at(
    'vessen',
    640,
    withWalk((walk) => ({ ...walk, districtId: null })),
  ),
} as const satisfies Record<string, ShownScene>;
export type SceneName = keyof typeof SCENES;

/** A day as the charts show it. */
function dayShown(day: StopDay | null): unknown {
  if (day === null) return null;
  const sum = (of: Float32Array): number => of.reduce((total, one) => total + (Number.isFinite(one) ? one : 0), 0);
  return [day.windows, sum(day.keyEv100), sum(day.shadeEv), sum(day.quality), day.skyShare, day.readingOffsetEv];
}

function framingShown({ kit, stop }: Card): unknown {
  const framing = stop.framing ?? DEFAULT_FRAMING;
  const { facadeHeightM, facadeDistanceM, nearHeightM, farHeightM, gapM, nearDistanceM, isUpright } = framing;
  const { sensorWidthMm, sensorHeightMm } = kit.body;
  const [uprightMm, acrossMm] = isUpright ? [sensorWidthMm, sensorHeightMm] : [sensorHeightMm, sensorWidthMm];
  const lens = { focalLengthMm: kit.focalLengthMm, uprightMm };
  const tilt = tiltForFacade({ ...lens, facadeHeightM, distanceM: facadeDistanceM });
  return [
    levelFacade({ ...lens, facadeHeightM }),
    edgeLeanDeg({ focalLengthMm: kit.focalLengthMm, acrossMm, tiltDeg: tilt.tiltDeg }),
    heightRatio({ nearHeightM, farHeightM, gapM, distanceM: nearDistanceM }),
  ];
}

function kitShown({ kit: { lens, focalLengthMm }, cells, standard }: Card): unknown {
  const tape = barrelTape({
    measured: lens,
    focalLengthMm,
    circleOfConfusionMm: cells.scene.circleMm,
    fNumbers: [4, 8],
    distancesM: focusPositionsM(lens),
  });
  const tests = (standard.handTests ?? []).map((one) => ({ ...one, shutterS: one.againstRule / 30 }));
  return [tape, lensApertures(lens, focalLengthMm), tests.length === 0 ? null : fitSteadiness(tests, 1 / 30)];
}

function cardShown(card: Card, shows: ShownScene['shows']): unknown {
  const { result } = card;
  return [
    cardRows(card, WORDING),
    result.setUp.found,
    result.setUp.sides,
    result.setUp.support,
    chanceSentence(card),
    headline(card, WORDING),
    cardLightSentence(card, WORDING),
    liveViewCaution(card, WORDING),
    groundSentence(card, WORDING),
    flickerSentence(card, WORDING),
    result.sacrifices.map((one) => sacrificeSentence(one, WORDING)),
    result.kind === 'cannot' ? obstacleSentence(result.obstacle, card, WORDING) : null,
    [card.stop.name, CONSENT_WORDS[card.stop.consent], card.stop.notes, card.stop.cautions],
    framingShown(card),
    kitShown(card),
    shows === 'ladder'
      ? ladderOf(card.cells.scene, card.light.keyEv100).rungs.map(({ fromEv100, toEv100, changes }) => [
          fromEv100,
          toEv100,
          changes,
        ])
      : null,
    shows === 'waysOut' ? waysOut(card.input, card.lensesInBag).map(({ way }) => way) : null,
  ];
}

/** The day of one stop alone: its plan by the clock, and what is asked of it in words. */
function planShown(workspace: Workspace, walk: Walk, stop: Stop, day: StopDay): readonly unknown[] {
  const material = walkOfDay(workspace, { ...walk, stops: [stop] }, new Map([[stop.id, day]]), () => null);
  const plannable = material === null ? null : dayOfWalk(material);
  return [daySentence(stop, WORDING), plannable === null ? null : dayFound(plannable, planDay(plannable.question))];
}

/** The readings of a stop as the meter shows them. */
function meterShown(card: Card | null): unknown {
  const { readings, school } = card?.stop.metering ?? DEFAULT_METERING;
  if (card === null || readings.length === 0) return null;
  const medium = digitalMedium(card.kit.body, 'raw', 100);
  const placement = placeKey(readings, medium, school);
  return placement === null ? null : placementSentence(placement, readings, medium, WORDING);
}

/** All that the screens show of one stop, as text. */
export function shown({ workspace, stopId, minuteOfDay, shows }: ShownScene): string {
  const day = demoDay(workspace, stopId);
  const focus = focusOn(workspace, { walkId: null, stopId, minuteOfDay });
  const card = cardFor(workspace, focus, day);
  const walk = focus.walk as Walk;
  const legs = walkLegs(stopsToday(walk), workspace.standard.paceMps);
  const rows = walkRows(walk, legs, new Map([[stopId, day]]));
  const all = [
    card.kind === 'none' ? card : cardShown(card, shows),
    dayShown(day),
    rows,
    legs,
    staySentence(walk, rows, stopId, WORDING),
    [walk.name, WORDING.day(walk.day), walk.place.name, walk.homeChecked, walk.isPlanned, walk.rules, walk.waysHome, walk.track],
    meterShown(card.kind === 'none' ? null : card),
    shows === 'plan' && day !== null ? planShown(workspace, walk, focus.stop as Stop, day) : null,
    apartIn(workspace, walk).map((apart) => apartSentence(apart, WORDING)),
  ];
  return JSON.stringify(all, (_, value: unknown) => (typeof value === 'number' && !Number.isFinite(value) ? String(value) : value));
}
