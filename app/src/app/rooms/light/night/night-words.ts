import { DEFAULT_SKY_SETTINGS, evOfLux, MINUTES_PER_WALK, moonName } from '@roam-dial/core/light';
import type { NightOfStop, Twilight } from '@roam-dial/core/stop';
import { capital } from '../../../words/capital';
import type { Wording } from '../../../words/wording';

/** A figure of the night, and what belongs to it. */
export interface NightFigure {
  readonly name: string;
  readonly value: string;
  readonly note: string;
}

interface Span {
  readonly fromMin: number;
  readonly toMin: number;
}
type Spans = readonly Span[];

/** What of them lies between sunset and sunrise. */
function ofTheNight<One extends Span>(spans: readonly One[], { sunset, sunrise }: NightOfStop): readonly One[] {
  const [from, to] = [sunset ?? -Infinity, sunrise ?? Infinity];
  return spans
    .filter(({ fromMin, toMin }) => toMin > from && fromMin < to)
    .map((span) => ({ ...span, fromMin: Math.max(from, span.fromMin), toMin: Math.min(to, span.toMin) }));
}

function spansWords(spans: Spans, wording: Wording): string {
  return spans.map(({ fromMin, toMin }) => `${wording.clock(fromMin)} to ${wording.clock(toMin)}`).join(' and ');
}

/** "civil to 18:52 (27 min), nautical to 19:23 (31 min)"; of a morning from the deepest on. */
function twilightWords(twilights: readonly Twilight[], isEvening: boolean, wording: Wording): string {
  const own = twilights.filter((one) => one.isEvening === isEvening);
  const said = own.map(({ kind, fromMin, toMin }) => {
    const end = isEvening ? `to ${wording.clock(toMin)}` : `from ${wording.clock(fromMin)}`;
    return `${kind} ${end} (${toMin - fromMin} min)`;
  });
  const words = said.join(', ');
  return words === '' ? '' : `Twilight: ${words}.`;
}

/** How dark it gets, and for how long. */
export function darkSentence({ sunset, sunrise, twilights }: NightOfStop, wording: Wording): string {
  const depth = (kind: Twilight['kind']): readonly [number, number] | null => {
    const [dusk, dawn] = [true, false].map((isEvening) =>
      twilights.find((one) => one.kind === kind && one.isEvening === isEvening),
    );
    return dusk === undefined || dawn === undefined ? null : [dusk.toMin, dawn.fromMin];
  };
  const from = ([start, end]: readonly [number, number]): string =>
    `from ${wording.clock(start)} to ${wording.clock(end)}, ${wording.duration(end - start)}`;
  if (sunset === null || sunrise === null) return 'The sun does not set and rise on this night.';
  const [black, nautical, civil] = [depth('astronomical'), depth('nautical'), depth('civil')];
  if (black !== null) return `Dark ${from(black)}`;
  if (nautical !== null) return `Never quite dark; darkest ${from(nautical)}`;
  return civil === null ? 'Civil twilight all night' : `No dark: twilight all night, deepest ${from(civil)}`;
}

function moonFigures(night: NightOfStop, wording: Wording): readonly NightFigure[] {
  const { moon } = night;
  const spans = ofTheNight(moon.up, night);
  const up = spans.length === 0 ? 'Not up on this night.' : `Up ${spansWords(spans, wording)}.`;
  const frame = ofTheNight(moon.inFrame, night).map(
    ({ fromMin, toMin, altitudeDeg }) =>
      `${wording.clock(fromMin)} to ${wording.clock(toMin)}, ${Math.max(1, Math.round(altitudeDeg))}° up`,
  );
  const inFrame = frame.length === 0 ? 'Never in the frame.' : `In the frame’s width ${frame.join(' and ')}.`;
  const over = ofTheNight(moon.overStreet, night);
  const overStreet = over.length === 0 ? '' : ` Over the street ${spansWords(over, wording)}.`;
  const glow = wording.ev(evOfLux(DEFAULT_SKY_SETTINGS.cityFloorLux));
  const light =
    moon.brightest === null
      ? { value: 'none', note: 'The moon is down, or new, while it is dark.' }
      : {
          value: `EV ${wording.ev(moon.brightest.ev100)}`,
          note: `At its best, at ${wording.clock(moon.brightest.atMin)}, on open ground; the town’s own glow is EV ${glow}.`,
        };
  return [
    {
      name: 'Moon',
      value: `${Math.round(100 * moon.litShare)} % lit`,
      note: `${capital(moonName(moon.phaseDeg))}. ${up} ${inFrame}${overStreet}`,
    },
    { name: 'Moonlight', ...light },
  ];
}

function lampsFigure({ lampsOut }: NightOfStop, hasStreetLamps: boolean, wording: Wording): NightFigure | null {
  if (!hasStreetLamps) return null;
  if (lampsOut === null) return { name: 'Street lamps', value: 'on all night', note: 'From the sun 3° down to 3° down.' };
  const until = lampsOut.toMin >= MINUTES_PER_WALK ? 'until the next dusk' : `until ${wording.clock(lampsOut.toMin)}`;
  const at = wording.clock(lampsOut.fromMin);
  return lampsOut.leftShare === 0
    ? { name: 'Street lamps', value: `out at ${at}`, note: `Off ${until}.` }
    : {
        name: 'Street lamps',
        value: `dimmed at ${at}`,
        note: `${wording.percent(lampsOut.leftShare)} of their light left ${until}.`,
      };
}

function pictureFigures({ darkest, brightest }: NightOfStop, wording: Wording): readonly NightFigure[] {
  if (darkest === null || brightest === null) {
    return [{ name: 'This picture', value: 'no light', note: 'It has no window after sunset on this night.' }];
  }
  const at = (minute: number): string => `First at ${wording.clock(minute)}.`;
  return [
    { name: 'Darkest for this picture', value: `EV ${wording.ev(darkest.ev100)}`, note: at(darkest.atMin) },
    { name: 'Brightest for this picture', value: `EV ${wording.ev(brightest.ev100)}`, note: at(brightest.atMin) },
  ];
}

/** What is known of the night of a stop, the picture's own figures first. */
export function nightFigures(
  night: NightOfStop,
  { balance, hasStreetLamps }: { readonly balance: string; readonly hasStreetLamps: boolean },
  wording: Wording,
): readonly NightFigure[] {
  const lamps = lampsFigure(night, hasStreetLamps, wording);
  const ends = (time: number | null): string => (time === null ? 'none' : wording.clock(time));
  return [
    ...pictureFigures(night, wording),
    ...(lamps === null ? [] : [lamps]),
    ...(balance === ''
      ? []
      : [{ name: 'Sky and lamps balance', value: balance, note: 'The sky’s own light and the lamps’ are as strong.' }]),
    ...moonFigures(night, wording),
    { name: 'Sunset', value: ends(night.sunset), note: twilightWords(night.twilights, true, wording) },
    { name: 'Sunrise', value: ends(night.sunrise), note: twilightWords(night.twilights, false, wording) },
  ];
}
