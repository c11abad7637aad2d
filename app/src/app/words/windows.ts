import type { LightWindow, MissingLight, PictureLight, RampFigure, WindowReason } from '@roam-dial/core/stop';
import { stopsText } from './walk/stops';
import type { Wording } from './wording';

type SpanOfWindow = Pick<LightWindow, 'fromMin' | 'toMin'> & Partial<Pick<LightWindow, 'label'>>;

interface Words {
  readonly opens: string;
  readonly closes: string;
}

/** Why a window opens, and why it closes. */
export const WINDOW_WORDS: Readonly<Record<WindowReason, Words>> = {
  sunGap: { opens: 'the sun clears the walls', closes: 'a wall takes the sun' },
  patchSize: { opens: 'a patch of a metre is lit', closes: 'the patch gets too small' },
  litShare: { opens: 'enough shade surrounds it', closes: 'too much is lit for a pool' },
  strip: { opens: 'the strip shortens to a pool', closes: 'the pool stretches to a strip' },
  contrast: { opens: 'sun and shade are far enough apart', closes: 'sun and shade come too close' },
  evenLight: { opens: 'the ground lies in one light', closes: 'sun and shade cut through the zone' },
  softLight: {
    opens: 'sun and shade come close enough for one exposure',
    closes: 'sun and shade draw too far apart for one exposure',
  },
  shadeLight: { opens: 'there is light enough', closes: 'it gets too dark' },
  background: { opens: 'the background outshines people', closes: 'the background is no brighter than people' },
  sunHeight: { opens: 'the sun reaches the right height', closes: 'the sun leaves the right height' },
  sunBearing: { opens: 'the sun comes into line', closes: 'the sun goes out of line' },
  cloud: { opens: 'the cloud opens', closes: 'the cloud closes' },
  spotShaded: { opens: 'the spot falls into shade', closes: 'the sun reaches the spot' },
  noWall: { opens: 'there is a wall', closes: 'there is no wall ahead' },
  squareOn: { opens: 'you face the wall', closes: 'you look along the wall' },
  incidence: { opens: 'the sun meets the wall at a good angle', closes: 'the sun leaves the wall’s good angles' },
  darkness: { opens: 'it is dark enough', closes: 'it gets light' },
  dusk: { opens: 'daylight suits the flash', closes: 'daylight no longer suits the flash' },
  hours: { opens: 'its hours begin', closes: 'its hours end' },
  lampsOut: { opens: 'the lamps come on again', closes: 'the lamps go out' },
  wet: { opens: 'the ground is wet', closes: 'the ground is dry' },
  exposure: { opens: 'the wanted time is within reach', closes: 'the wanted time is out of reach' },
  dayEdge: { opens: 'the day does', closes: 'the hours that are measured do' },
};

/** Where no walls are known it is the horizon that gives and takes the sun. */
const OPEN_WORDS: Partial<Record<WindowReason, Words>> = {
  sunGap: { opens: 'the sun comes up', closes: 'the sun goes down' },
  evenLight: { opens: 'the sun is down', closes: 'the sun comes up' },
  spotShaded: { opens: 'the sun goes down', closes: 'the sun comes up' },
};

/** Why a window opens and closes, naming nothing that is not known. */
export function reasonWords(reason: WindowReason, hasWalls: boolean): Words {
  return (hasWalls ? undefined : OPEN_WORDS[reason]) ?? WINDOW_WORDS[reason];
}

/** "09:00 to 11:20 in the sun": which light it is, wherever one stop has windows in both. */
export function windowSpan({ fromMin, toMin, label = null }: SpanOfWindow, wording: Wording): string {
  return `${wording.clock(fromMin)} to ${wording.clock(toMin)}${label === null ? '' : ` in the ${label}`}`;
}

/** Two windows of one stop may overlap: sun and shade are then close enough for one exposure. Null where they do not. */
export function overlapWords(window: LightWindow, all: readonly LightWindow[], wording: Wording): string | null {
  const other = all.find((one) => one !== window && one.fromMin <= window.toMin && one.toMin >= window.fromMin);
  if (other === undefined) return null;
  const [from, to] = [Math.max(window.fromMin, other.fromMin), Math.min(window.toMin, other.toMin)];
  return `either will do from ${wording.clock(from)} to ${wording.clock(to)}`;
}

/** How a minute stands to the light of the picture: the one sentence for it on card, light, phone and walk. */
export function pictureLightWords(light: PictureLight, minute: number, wording: Wording): string {
  switch (light.kind) {
    case 'open':
      return `Light for ${wording.duration(light.window.toMin - minute)} more, until ${wording.clock(light.window.toMin)}`;
    case 'later':
      return `Not its light now: next ${wording.clock(light.window.fromMin)}, in ${wording.duration(light.window.fromMin - minute)}`;
    case 'over':
      return `No more light for this picture today: it ended at ${wording.clock(light.window.toMin)}`;
    case 'never':
      return 'No light for this picture today';
  }
}

/** What is measured of a condition. */
const QUANTITY_WORDS: Readonly<Record<WindowReason, string>> = {
  sunGap: 'Sunlit part',
  patchSize: 'Lit patch',
  litShare: 'Sunlit part of the ground',
  strip: 'Length of the patch',
  contrast: 'Sun over shade',
  evenLight: 'Sunlit part of the zone',
  softLight: 'Sun over shade',
  shadeLight: 'Light in the shade',
  background: 'Background over the people before it',
  sunHeight: 'Height of the sun',
  sunBearing: 'Sun to the side of the line',
  cloud: 'Cloud',
  spotShaded: 'Sun on the spot',
  noWall: 'Wall ahead',
  squareOn: 'Your angle to the wall',
  incidence: 'Angle of the sun on the wall',
  darkness: 'Height of the sun',
  dusk: 'Daylight',
  hours: 'Hours',
  lampsOut: 'Lamps',
  wet: 'Wet ground',
  exposure: 'Light for the time you want',
  dayEdge: 'Day',
};

/** Conditions that hold or do not, where the end of a window says it otherwise. */
const SHUT_WORDS: Partial<Record<WindowReason, string>> = {
  lampsOut: 'The street lamps are out when the rest would fit',
  hours: 'It has no hours that fit: enter them with the picture',
  sunHeight: 'The sun is down when the rest would fit',
  sunGap: 'The sun does not reach it when the rest would fit',
  spotShaded: 'The sun is on the spot when the rest would fit',
  strip: 'The patch is a strip, not a pool',
};

function figureText(value: number, unit: RampFigure['unit'], wording: Wording): string {
  switch (unit) {
    case 'stops':
      return `${value < 0 ? '−' : ''}${stopsText(value, wording)}`;
    case 'ev':
      return `EV ${wording.ev(value)}`;
    case 'degrees':
      return `${Math.round(value)}°`.replace('-', '−');
    case 'share':
      return wording.percent(value);
    case 'metres':
      return wording.distance(value);
    case 'minutes':
      return wording.duration(value);
  }
}

/** "Sun over shade: 1⅓ stops at 15:10, the best of the day; at least 2 stops are needed." */
export function missingWords({ reason, atMin, figure }: MissingLight, wording: Wording): string {
  const at = wording.clock(atMin);
  if (reason === 'brief') {
    return `Everything fits for ${figureText(figure?.is ?? 0, 'minutes', wording)} at ${at}; ${figure?.needs ?? 0} min are needed.`;
  }
  if (figure === null) {
    const closes = WINDOW_WORDS[reason].closes;
    return `${SHUT_WORDS[reason] ?? `${closes.charAt(0).toUpperCase()}${closes.slice(1)}`}.`;
  }
  const [is, needs] = [figureText(figure.is, figure.unit, wording), figureText(figure.needs, figure.unit, wording)];
  const bound = figure.is < figure.needs ? 'at least' : 'at most';
  return `${QUANTITY_WORDS[reason]}: ${is} at ${at}, the nearest of the day; it needs ${bound} ${needs}.`;
}
