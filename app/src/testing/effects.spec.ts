import { DEFAULT_FIGURES, type Figures, type Standard } from '@roam-dial/core/kit';
import {
  DEFAULT_APPROACH,
  DEFAULT_FRAMING,
  DEFAULT_INTENTS,
  DEFAULT_SHOOTING,
  type Framing,
  type GroundMark,
  type Movers,
  type Shooting,
  type Stop,
  type Subject,
  type Wishes,
} from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { WALL_READ } from './demo';
import { everyFieldOf } from './effects';
import { DEMO, withStops, withWalk } from './shown';

/**
 * No field is without effect: each one of a stop, a walk, the kit and the standard is changed, and something that the
 * screens show has to change with it. The tables below have to name every field, or they do not compile.
 */

everyFieldOf<Stop, 'id'>(
  'a stop',
  {
    name: ['market', 'Under the hall'],
    wishes: ['plan', { isMust: true }],
    metering: ['market', WALL_READ],
    lightChanges: ['spot', 'clouds'],
    isSetAside: ['market', true],
    intent: ['market', DEFAULT_INTENTS.silhouette],
    position: ['market', { latitude: 46.5002, longitude: -20.7003 }],
    streetAxisDeg: ['street', 40],
    streetWidthM: ['street', 20],
    pavement: ['street', 'left'],
    shootingBearingDeg: ['market', 200],
    subject: ['market', { nearM: 4, farM: 9, medianM: 6, spread: 0.25 }],
    movers: ['market', { ...(DEMO.walks[0]?.stops[3] as Stop).movers, speedMps: 3 }],
    sunGap: ['open', { fromDeg: 100, toDeg: 140, aboveDeg: 20 }],
    section: ['open', { leftHeightM: 12, rightHeightM: 9 }],
    groundM: ['market', 9],
    lamps: ['night', 'lane'],
    lampsOut: ['night', { fromMin: 1080, leftShare: 0.1 }],
    hours: ['market', { fromMin: 300, toMin: 400 }],
    lightOffsetEv: ['market', -2],
    arriveMin: ['market', 620],
    leaveMin: ['market', 640],
    walkMin: ['market', 25],
    lensId: ['market', 'demo-zoom'],
    focalLengthMm: ['zoom', 70],
    approach: ['market', { ...DEFAULT_APPROACH, exposure: 'fixedIso' }],
    hand: ['market', { fNumber: 4, focusM: 2, shutterS: 1 / 128, iso: null, support: 'handheld' }],
    shooting: ['market', { ...DEFAULT_SHOOTING, burstFrames: 5 }],
    ground: ['market', [{ label: 'the far wall', distanceM: 9 }] as readonly GroundMark[]],
    framing: ['market', { ...DEFAULT_FRAMING, isUpright: true }],
    consent: ['market', 'asked'],
    notes: ['market', 'the man with the oranges'],
    cautions: ['market', 'carts'],
    crowdByHour: ['market', Array.from({ length: 24 }, () => 3)],
  },
  (over) => withStops((stop) => ({ ...stop, ...over })),
);

everyFieldOf<Subject>(
  'the zone',
  {
    nearM: ['contextual', 1],
    farM: ['contextual', 9],
    medianM: ['market', 4],
    spread: ['market', 0.5],
    law: ['market', 'allOfIt'],
  },
  (over) =>
    withStops((stop) => ({
      ...stop,
      subject: { ...stop.subject, ...(over.law === undefined ? { law: 'allOfIt' as const } : {}), ...over },
    })),
);

everyFieldOf<Movers>(
  'those who move',
  {
    who: ['market', 'porters'],
    speedMps: ['market', 3],
    speedSpreadMps: ['market', 1],
    travelAngleDeg: ['market', 20],
    travelSpreadDeg: ['market', 90],
    passersPerMinute: ['market', 1],
    suitableShare: ['market', 0.01],
  },
  (over) => withStops((stop) => ({ ...stop, movers: { ...stop.movers, ...over } })),
);

everyFieldOf<Shooting>(
  'how frames are taken',
  {
    burstFrames: ['market', 5],
    isWalking: ['night', true],
    smear: ['night', 'wanted'],
    lamp: ['night', 'poorLed'],
    wantsGlitch: ['screen', true],
    spotByEye: ['spot', true],
  },
  (over) => withStops((stop) => ({ ...stop, shooting: { ...(stop.shooting ?? DEFAULT_SHOOTING), ...over } })),
);

everyFieldOf<Framing>(
  'the framing',
  {
    isUpright: ['facade', true],
    facadeHeightM: ['facade', 30],
    facadeDistanceM: ['facade', 6],
    nearHeightM: ['facade', 3],
    farHeightM: ['facade', 40],
    gapM: ['facade', 20],
    nearDistanceM: ['facade', 3],
  },
  (over) => withStops((stop) => ({ ...stop, framing: { ...DEFAULT_FRAMING, ...over } })),
);

everyFieldOf<Wishes>(
  'what the plan has to keep of a stop',
  {
    people: ['plan', 'nobody'],
    isAlone: ['plan', true],
    weight: ['plan', 2],
    shortestMin: ['plan', 45],
    longestMin: ['plan', 15],
    open: ['plan', [{ fromMin: 600, toMin: 620 }]],
    fixedAtMin: ['plan', 615],
    isMust: ['plan', true],
    usefulMin: ['plan', 30],
  },
  (over) => withStops((stop) => ({ ...stop, wishes: { ...stop.wishes, ...over } })),
);

everyFieldOf<Walk, 'id' | 'isDemo' | 'notes'>(
  'a walk',
  {
    name: ['market', 'Another'],
    day: ['market', '2027-06-13'],
    place: ['market', { ...(DEMO.walks[0] as Walk).place, latitude: 30 }],
    cloud: ['market', 1],
    forecast: ['market', { source: 'own', cloudByHour: Array.from({ length: 24 }, () => 1) }],
    districtId: ['market', null],
    windows: ['open', { candidShadeShare: [0.1, 0.2] }],
    approach: ['market', { ...DEFAULT_APPROACH, exposure: 'fixedIso' }],
    bodyId: ['market', 'demo-film-body'],
    stops: ['market', (DEMO.walks[0] as Walk).stops.slice(3, 5)],
    homeChecked: ['market', ['aperture']],
    track: ['market', [{ latitude: 46.5, longitude: -20.7 }]],
    dayOut: ['plan', { fromMin: 900, toMin: 1000 }],
    lampsOut: ['night', { fromMin: 1080, leftShare: 0.1 }],
    lastRide: ['plan', { name: 'Last tram', atMin: 660, position: null }],
    startsAt: ['plan', { latitude: 46.51, longitude: -20.71 }],
    endsAt: ['plan', { latitude: 46.51, longitude: -20.71 }],
    pauses: ['plan', [{ id: 'rest', name: 'Rest', stayMin: 20, fromMin: 600, toMin: 700, position: null, atMin: null }]],
    rules: ['market', 'No tripods in the hall'],
    waysHome: ['market', 'Last tram at 23:40'],
    isPlanned: ['market', true],
  },
  (over) => withWalk((walk) => ({ ...walk, ...over })),
);

// What was taught and how noise was taken changes what frames and patches say: core/src/log.
everyFieldOf<Standard, 'figures' | 'taught' | 'noise'>(
  'the standard',
  {
    sharpness: ['market', { kind: 'exhibition' } as unknown as Standard['sharpness']],
    shakeRule: ['night', { kind: 'floor', floorS: 1 / 8 }],
    steadinessStops: ['night', 2],
    steadinessSpreadStops: ['night', 2],
    isoCeilingByBody: ['dim', { 'demo-body': 800 }],
    guessSpread: ['guessed', 0.5],
    guessBias: ['guessed', 0.4],
    paceMps: ['market', 2],
    strideM: ['market', 1],
    reactionS: ['centre', 2],
    handTests: ['market', [{ againstRule: 2, frames: 10, sharp: 4 }]],
  },
  (over) => (workspace) => ({ ...workspace, standard: { ...workspace.standard, ...over } }),
);

everyFieldOf<Figures>(
  'the figures of judgement',
  {
    stepSpreadM: ['spot', 2],
    centreOffsetDeg: ['centre', 45],
    braceStops: ['braced', 5],
    walkingStops: ['walking', -5],
    longestHandheldS: ['dark', 0.02],
    burstIndependence: ['burst', 1],
    strictSmear: ['strict', 9],
    candidSmear: ['market', 9],
    nightSmear: ['night', 12],
    wantedSmearFrom: ['wanted', 20],
    wantedSmearTo: ['wanted', 200],
    pannedSmearFrom: ['panned', 60],
    pannedSmearTo: ['panned', 25],
    panSkill: ['panned', 0.2],
    flashSmearGain: ['flash', 1],
    exposureUnderEv: ['underexposed', 3],
    exposureOverEv: ['glare', 3],
    exposureFadeEv: ['underexposed', 4],
    mainsHz: ['oldTube', 60],
    oldTubeRipple: ['oldTube', 0.9],
    poorLedRipple: ['poorLed', 0.1],
    goodLedRipple: ['goodLed', 0.9],
    screenHz: ['screen', 60],
    screenDuty: ['screen', 0.9],
    flickerFreeEv: ['oldTube', 0],
    flickerRuinEv: ['poorLed', 0.3],
    softFactor: ['night', 0.999],
    isoCostPerStop: ['night', 0.5],
    leastChance: ['dark', 0.99],
    wayOutGain: ['marketWays', 0.9],
    ladderChance: ['marketLadder', 0.9],
    ringPrice: ['marketLadder', 5],
    buttonPrice: ['byButtons', 0],
    menuPrice: ['byMenus', 0],
    isolatingBlurPx: ['isolating', 200],
    isolatingDistanceM: ['isolating', 4],
  },
  (over) => (workspace) => ({
    ...workspace,
    standard: { ...workspace.standard, figures: { ...DEFAULT_FIGURES, ...over } },
  }),
);
