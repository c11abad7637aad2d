import type { Place } from '@roam-dial/core/light';
import {
  areStreetLamps,
  asZoneKind,
  HOURS_FIELDS,
  isMovementOfMatter,
  isOfThing,
  type LampsOut,
  MOVERS_FIELDS,
  type Movers,
  ofPeople,
  ofThing,
  type Stop,
  STOP_FIELDS,
  SUBJECT_FIELDS,
  SUN_GAP_FIELDS,
  withEnds,
  withPassers,
  type ZoneKind,
  zoneLawOf,
  DEFAULT_SHOOTING,
} from '@roam-dial/core/stop';
import { firstOf } from '@roam-dial/core/units';
import { PLACE_FIELDS } from '@roam-dial/core/walk';
import { numberCodec, optional, restricted, walkClockCodec } from '../../../fields/codec';
import { codecOf } from '../../../fields/field-codec';
import {
  checkField,
  choiceField,
  type FieldSpec,
  maybeNumberField,
  numberField,
  textField,
  valueField,
  within,
} from '../../../fields/field-spec';
import { arrivingAt, withLeaving } from '../../../state/walk/stop.edits';
import { newStop } from '../../../storage/defaults';
import { CONSENT_CHOICES, LAMP_CHOICES, LIGHT_CHANGE_CHOICES, PAVEMENT_CHOICES, ZONE_CHOICES } from '../words';
import { LAMPS_OUT_ROWS, NEW_LAMPS_OUT } from './lamps-out-fields';
import { FRAME_FIELDS } from './shooting-fields';
import type { StopContext } from './stop-context';

/** The fields of a stop, section by section; what undo says of each is its `part`. */
type StopField = FieldSpec<Stop, StopContext>;

export const NAME_FIELDS: readonly StopField[] = [textField('name', 'Name of the stop', { width: 'double', part: 'name' })];

export const LENS_FIELDS_OF_STOP: readonly StopField[] = [
  {
    kind: 'choice',
    label: 'Lens',
    part: 'lens',
    choices: ({ lenses }) => lenses,
    read: ({ lensId }) => lensId ?? '',
    write: (stop, lensId) => ({ ...stop, lensId: lensId === '' ? null : lensId, focalLengthMm: null }),
  },
  valueField(
    'Focal length',
    (_, { lens }) => {
      const ends = lens === null ? {} : { low: lens.shortestMm, high: lens.longestMm };
      return optional(numberCodec({ ...STOP_FIELDS.focalLengthMm, ...ends }));
    },
    ({ focalLengthMm }) => focalLengthMm,
    (stop, focalLengthMm) => ({ ...stop, focalLengthMm }),
    { placeholder: 'shortest', part: 'focal length' },
  ),
];

const HOURS: readonly FieldSpec<NonNullable<Stop['hours']>, StopContext>[] = [
  numberField('fromMin', 'On from', HOURS_FIELDS.fromMin),
  numberField('toMin', 'until', HOURS_FIELDS.toMin),
];

export const WHEN_FIELDS: readonly StopField[] = [
  valueField(
    'Arrive',
    (_, { clock, afterMin }) => walkClockCodec(clock, afterMin),
    ({ arriveMin }) => arriveMin,
    (stop, minute) => arrivingAt(stop, minute),
    { hasSteppers: true, part: 'arrival' },
  ),
  valueField(
    'Leave',
    ({ arriveMin }, { clock }) =>
      restricted(walkClockCodec(clock, arriveMin), (minute) => minute > arriveMin, 'must be after the arrival'),
    ({ leaveMin }) => leaveMin,
    (stop, minute) => withLeaving(stop, minute),
    { hasSteppers: true, part: 'leaving' },
  ),
  maybeNumberField('walkMin', 'Walk to here', STOP_FIELDS.walkMin, { placeholder: 'by distance', part: 'walk' }),
  checkField(
    'It has its own hours: lamps, a sign, a market, a show',
    ({ hours }) => hours !== null,
    (stop, has) => ({ ...stop, hours: has ? { fromMin: 18 * 60, toMin: 23 * 60 } : null }),
    { width: 'wide', part: 'hours' },
  ),
  ...within<Stop, NonNullable<Stop['hours']>, StopContext>(
    ({ hours }) => hours,
    (stop, hours) => ({ ...stop, hours }),
    HOURS,
    'hours',
  ),
];

export const STREET_FIELDS: readonly StopField[] = [
  numberField('shootingBearingDeg', 'You look towards', STOP_FIELDS.shootingBearingDeg, { part: 'view' }),
  numberField('streetAxisDeg', 'Street runs', STOP_FIELDS.streetAxisDeg, { part: 'street' }),
  numberField('streetWidthM', 'Street is wide', STOP_FIELDS.streetWidthM, { part: 'street' }),
  choiceField<Stop, 'pavement', StopContext>('pavement', 'You stand', PAVEMENT_CHOICES, {
    hint: (_, { hasWalls }) => (hasWalls ? '' : 'counts once walls are known here'),
    part: 'pavement',
  }),
];

export const LAMP_FIELDS: readonly StopField[] = [
  choiceField('lamps', 'Lamps there', LAMP_CHOICES, { part: 'lamps' }),
  checkField<Stop, StopContext>(
    'They are dimmed or off at hours of their own',
    ({ lampsOut }) => lampsOut !== undefined,
    ({ lampsOut: _, ...stop }, has) => (has ? { ...stop, lampsOut: NEW_LAMPS_OUT } : stop),
    { width: 'wide', isShown: ({ lamps }) => areStreetLamps(lamps), part: 'lamps' },
  ),
  ...within<Stop, LampsOut, StopContext>(
    ({ lampsOut, lamps }) => (areStreetLamps(lamps) ? (lampsOut ?? null) : null),
    (stop, lampsOut) => ({ ...stop, lampsOut }),
    LAMPS_OUT_ROWS,
    'lamps',
  ),
];

export const GAP_FIELDS: readonly StopField[] = [
  checkField(
    'The sun comes through a gap',
    ({ sunGap }) => sunGap !== null,
    (stop, has) => ({ ...stop, sunGap: has ? firstOf(SUN_GAP_FIELDS) : null }),
    {
      width: 'wide',
      hint: 'Read it off a compass on location; otherwise the spot counts as open to the sun.',
      part: 'gap of the sun',
    },
  ),
  ...within<Stop, NonNullable<Stop['sunGap']>, StopContext>(
    ({ sunGap }) => sunGap,
    (stop, sunGap) => ({ ...stop, sunGap }),
    [
      numberField('fromDeg', 'Gap from', SUN_GAP_FIELDS.fromDeg),
      numberField('toDeg', 'clockwise to', SUN_GAP_FIELDS.toDeg),
      numberField('aboveDeg', 'above the roofs at', SUN_GAP_FIELDS.aboveDeg),
    ],
    'gap of the sun',
  ),
];

/** The place of the walk stands in where a stop begins to have a position. */
export const positionFields = ({ latitude, longitude }: Pick<Place, 'latitude' | 'longitude'>): readonly StopField[] => [
  checkField<Stop, StopContext>(
    (_, { isInvented }) => (isInvented ? 'It has a position (invented place)' : 'It has a position'),
    ({ position }) => position !== null,
    (stop, has) => ({ ...stop, position: has ? { latitude, longitude } : null }),
    { width: 'wide', part: 'position' },
  ),
  ...within<Stop, NonNullable<Stop['position']>, StopContext>(
    ({ position }) => position,
    (stop, position) => ({ ...stop, position }),
    [numberField('latitude', 'Latitude', PLACE_FIELDS.latitude), numberField('longitude', 'Longitude', PLACE_FIELDS.longitude)],
    'position',
  ),
];

const isWhoeverPasses = (stop: Stop): boolean => zoneLawOf(stop) === 'whoeverPasses';

export const ZONE_FIELDS: readonly StopField[] = [
  {
    kind: 'choice',
    label: 'What should be sharp',
    part: 'zone',
    choices: () => ZONE_CHOICES,
    read: zoneLawOf,
    write: (stop, kind) => ({ ...stop, subject: asZoneKind(stop.subject, kind as ZoneKind) }),
  },
  valueField(
    'From',
    ({ subject }, context) =>
      restricted(codecOf(SUBJECT_FIELDS.nearM, context), (nearM) => nearM < subject.farM, 'must be nearer than the far end'),
    ({ subject }) => subject.nearM,
    (stop, nearM) => ({ ...stop, subject: withEnds(stop.subject, zoneLawOf(stop), { nearM }) }),
    { hasSteppers: true, part: 'zone' },
  ),
  valueField(
    'to',
    (stop, context) =>
      restricted(
        restricted(codecOf(SUBJECT_FIELDS.farM, context), (farM) => farM > stop.subject.nearM, 'must be farther than the near end'),
        (farM) => farM < Infinity || !isWhoeverPasses(stop),
        'has an end where people pass: choose all of it for a zone without one',
      ),
    ({ subject }) => subject.farM,
    (stop, farM) => ({ ...stop, subject: withEnds(stop.subject, zoneLawOf(stop), { farM }) }),
    { hasSteppers: true, part: 'zone' },
  ),
  valueField(
    'People pass at',
    (_, context) => codecOf(SUBJECT_FIELDS.medianM, context),
    ({ subject }) => subject.medianM,
    (stop, medianM) => ({ ...stop, subject: withPassers(stop.subject, { medianM }) }),
    {
      hint: 'Nine in ten people pass between near and far; type either pair.',
      hasSteppers: true,
      isShown: isWhoeverPasses,
      part: 'zone',
    },
  ),
  valueField(
    'give or take',
    (_, context) => codecOf(SUBJECT_FIELDS.spread, context),
    ({ subject }) => subject.spread,
    (stop, spread) => ({ ...stop, subject: withPassers(stop.subject, { spread }) }),
    { isShown: isWhoeverPasses, part: 'zone' },
  ),
];

const ofMovers = (fields: readonly FieldSpec<Movers, StopContext>[], isShown: (stop: Stop) => boolean): readonly StopField[] =>
  within<Stop, Movers, StopContext>(
    ({ movers }) => movers,
    (stop, movers) => ({ ...stop, movers }),
    fields,
    'people',
  ).map((field) => ({ ...field, isShown }));

const areThere = (stop: Stop): boolean => !isOfThing(stop);

export const PEOPLE_FIELDS: readonly StopField[] = [
  checkField<Stop, StopContext>(
    'Nobody: a thing, at one distance',
    isOfThing,
    (stop, isThing) => {
      const { movers, subject } = newStop('', undefined);
      return isThing ? ofThing(stop) : ofPeople(stop, movers, subject.spread);
    },
    { width: 'wide', part: 'people' },
  ),
  ...ofMovers([textField('who', 'Who or what')], areThere),
  ...ofMovers(
    [
      numberField('speedMps', 'Speed', MOVERS_FIELDS.speedMps),
      numberField('speedSpreadMps', 'give or take', MOVERS_FIELDS.speedSpreadMps),
      numberField('travelAngleDeg', 'Direction', MOVERS_FIELDS.travelAngleDeg, { hint: '0 at you, 90 across' }),
      numberField('travelSpreadDeg', 'give or take', MOVERS_FIELDS.travelSpreadDeg),
    ],
    (stop) => areThere(stop) && isMovementOfMatter(stop),
  ),
  ...ofMovers(
    [
      numberField('passersPerMinute', 'Passers a minute', MOVERS_FIELDS.passersPerMinute),
      numberField('suitableShare', 'worth photographing', MOVERS_FIELDS.suitableShare),
    ],
    areThere,
  ),
  choiceField('consent', 'Photographed', CONSENT_CHOICES, { part: 'consent' }),
];

export const SHOOTING_FIELDS_OF_STOP: readonly StopField[] = [
  ...within<Stop, NonNullable<Stop['shooting']>, StopContext>(
    ({ shooting }) => shooting ?? DEFAULT_SHOOTING,
    (stop, shooting) => ({ ...stop, shooting }),
    FRAME_FIELDS,
    'frames',
  ),
  {
    kind: 'choice',
    label: 'While you are there the light',
    part: 'frames',
    choices: () => LIGHT_CHANGE_CHOICES,
    read: ({ lightChanges }) => lightChanges ?? 'steady',
    write: (stop, lightChanges) => ({ ...stop, lightChanges: lightChanges as NonNullable<Stop['lightChanges']> }),
  },
];

export const NOTE_FIELDS: readonly StopField[] = [
  textField('notes', 'Where to stand, what to wait for', { width: 'wide', isLong: true, part: 'notes' }),
  textField('cautions', 'Care: traffic, edges, people, rules', { width: 'wide', isLong: true, part: 'cautions' }),
];
