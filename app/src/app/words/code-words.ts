import { WORD_LIST } from './words';

/** The words of the code that one would otherwise meet in passing; printed under those of the screen in `docs/words.md`. */
export const CODE_WORDS: Readonly<Record<string, string>> = {
  'base set-up': '`homeState`: the few settings that one goes back to after each picture of a walk.',
  body: 'A camera without its lens; what it can set, and how, is its `controls`.',
  cards: 'What was planned for a stay at its beginning, middle and end, kept with a log (`planned-cards.ts`).',
  codec: 'How one value is read from typed words, written and stepped (`fields/codec.ts`).',
  cut: 'The two sides of a street on a line across it (`streetCut`).',
  'described form': 'A form drawn from the descriptions of its fields (`fields/described-form.ts`).',
  door: 'The `index.ts` of a room of the core: what it lets out.',
  edit: 'A pure function from one workspace to the next; an action names the step of undo.',
  face: 'A page of the Walk room: against time, from above, before setting off, returns; in `streets`, a wall that is looked at.',
  'field row': 'What a stored number may be: as a field takes it, and as a file may hold it (`fields.ts` of a room of the core).',
  findings: 'What is computed beside the card, in a worker: ladder, base set-up, comparison of approaches.',
  focus: '`FocusStore`: the walk, stop and minute that everything on screen is about.',
  'frame meant': 'What card and settings say that a frame’s softness was for (`frameMeant`).',
  'grid cell':
    'One setting of aperture, shutter or ISO, and focus among all that a search weighs (`GridCell` of the `SettingsGrid`).',
  horizon: 'How high walls, roofs and trees stand round a point, bearing by bearing (`streets/horizon`).',
  jobs: 'What a worker does with its questions (`*-jobs.ts`); a `client` asks it from the page.',
  'ladder step': 'One line of the ladder: from which light on another setting holds (`LadderStep`).',
  lapse: 'A frame whose measure may be wildly off, by chance (`fitSteadiness`).',
  'manual settings': 'What the person has set otherwise than the best: the stop’s `hand`.',
  medium: 'Film or sensor, with the stops that it holds over and under mid-grey.',
  'minute of a walk':
    'What the wall shows, 0 to 2159: from 1440 on the next day’s; `walkClock` has the minutes that run, and the instants.',
  moment: 'A card and its light as they stood at an instant, kept with what happened then (`momentOf`).',
  nothing: 'Null, or a union with a reason; never NaN.',
  outing: 'A walk as it was walked: the list of what happened, each with its instant.',
  part: 'What is fetched when it is wanted (`fetched`, `part`); of an edit, what undo says was changed.',
  patch: 'What an edit changed, field by field (`storage/patch.ts`); in `log/noise`, an even surface photographed for its noise.',
  'picture reading': 'What was measured of a frame’s picture, without the picture (`PictureReading`).',
  'placement method': 'A way to decide which tone the key gets (`PlacementMethod`, stored as `school`).',
  planning: '`PlanningData`: what a day is planned from, whoever holds it.',
  prism: 'A building or tree as an upright block.',
  profile: 'What a stop is worth minute by minute, as the planner sees it (`dayProfiles`).',
  room: 'A part of the program with a name in the bar (`room.ts`); in the core, a folder with a door.',
  'search cache': 'The last few stops’ prepared searches (`SearchCache`): another light asks the same scene again.',
  section: 'A street as two walls and the way between, where no footprints are known; a part of the stop’s editor.',
  sides: 'Spine and dial card, beside a room at the table.',
  sight: 'What one sees of the sky and the sun from a point (`sightAt`); the store of small pictures has it as its old name.',
  sign: 'A measured quantity that a verdict weighs (`SIGNS`).',
  site: 'A stop’s surroundings as the light needs them: footprints, two walls, or nothing (`siteOf`).',
  slice: 'Parts of the workspace by identity: who selects them hears of nothing else (`slice`).',
  smear: 'Blur from movement while the shutter is open, of the hand or of the subject.',
  spine: 'The list of the walk’s stops at the left.',
  'stand-in': 'Something pretended: a camera, a meter, a walker, a forecast; labelled so on screen.',
  standing: 'Where on the walk one is: at a stop, on the way, over (`standingOf`).',
  stay: 'The minutes at a stop; in a log, with the cards of then (`LogStay`).',
  taught: 'What a figure was before frames taught another, kept with the value now used.',
  thumbnail: 'The small picture of a frame, a patch or a place (`Thumbnails`, stored as `sights`).',
  verdict: 'What a frame suffers from, by its signs: likelihoods, not a decision.',
  walls: 'Whatever stands around a stop and takes its light.',
  'zone kind': 'What should be sharp: whoever passes, or all of it (`ZoneKind`, stored as `law`).',
};

const line = ([word, meaning]: readonly [string, string]): string => `- **${word}**: ${meaning}`;

/** `docs/words.md`, whole. */
export const wordsPage = (): string =>
  [
    '# Words',
    '',
    ...WORD_LIST.map(({ word, meaning }) => line([word, meaning])),
    '',
    '## In the code',
    '',
    ...Object.entries(CODE_WORDS).map(line),
    '',
  ].join('\n');
