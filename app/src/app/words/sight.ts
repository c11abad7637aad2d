import type { SightFacts, SightFrame, SightLabel } from '@roam-dial/core/sight';
import { uprightsMeetAt } from '@roam-dial/core/sight';
import { stopsText } from './walk/stops';
import type { Wording } from './wording';

const BEHIND: Readonly<Record<SightLabel, string>> = {
  sky: 'the sky',
  sun: 'the sun',
  walls: 'shaded walls',
  'lit walls': 'sunlit walls',
  windows: 'windows',
  ground: 'shaded ground',
  'lit ground': 'sunlit ground',
  water: 'water',
  leaves: 'leaves',
  lamps: 'lamps',
  screen: 'the screen',
  coat: 'the coat',
  skin: 'skin',
  legs: 'the legs',
  hair: 'hair',
  shirt: 'the shirt',
};

const percent = (share: number): string => `${Math.max(1, Math.round(100 * share))} %`;

function groundWords({ litGround, contrastEv }: SightFacts, wording: Wording): string {
  if (litGround === null) return 'No sunlit ground in the frame.';
  const { share, fromM, toM } = litGround;
  const contrast = contrastEv === null ? '' : `, ${stopsText(contrastEv, wording)} above the shade`;
  if (share > 0.97) return 'All the ground in the frame is in the sun.';
  return `Sunlit ground ${wording.range(fromM, toM)} ahead${contrast}.`;
}

function behindWords({ behind }: SightFacts, wording: Wording): string {
  if (behind === null) return '';
  const { label, overCoatEv } = behind;
  const stops = stopsText(Math.abs(overCoatEv), wording);
  const than = overCoatEv >= 0 ? 'brighter than the coat' : 'darker than the coat';
  return `Behind the person ${BEHIND[label]}, ${stops} ${than}.`;
}

/** What a person sees in the view, for whoever does not see it, and under it for everybody. */
export function sightSentences(facts: SightFacts, wording: Wording): readonly string[] {
  const { skyShare, waterShare, whiteShare, blackShare } = facts;
  const sky = skyShare < 0.005 ? 'No sky in the frame.' : `Sky: ${percent(skyShare)} of the frame.`;
  const water = waterShare < 0.005 ? '' : `Water: ${percent(waterShare)} of the frame.`;
  const lost = [
    ...(whiteShare >= 0.005 ? [`${percent(whiteShare)} comes out white`] : []),
    ...(blackShare >= 0.005 ? [`${percent(blackShare)} comes out black`] : []),
  ].join(', ');
  return [groundWords(facts, wording), behindWords(facts, wording), water, sky, lost === '' ? 'Nothing clips.' : `${lost}.`].filter(
    (sentence) => sentence !== '',
  );
}

/** What tilt and rise do to uprights. */
export function uprightsWords(frame: SightFrame): string {
  const at = uprightsMeetAt(frame);
  if (at === null) return frame.riseMm === 0 ? 'Level: uprights stay upright.' : 'Shifted: uprights stay upright.';
  const heights = Math.abs(at < 0 ? at : at - 1);
  return `Uprights lean ${at < 0 ? 'together' : 'apart'}: they meet ${heights.toFixed(1)} frame heights ${at < 0 ? 'above' : 'below'} it.`;
}

/** What is known of the place, and what is made up. */
export function groundsWords(
  from: 'district' | 'section' | 'none',
  heights: { readonly assumed: number; readonly all: number },
): string {
  switch (from) {
    case 'none':
      return 'No walls are known here: open ground under the sky. The person is made up.';
    case 'section':
      return 'From the street’s width and wall heights as you entered them; façades and the person are made up.';
    case 'district': {
      const assumed =
        heights.assumed === 0 ? '' : ` Heights are assumed for ${heights.assumed} of ${heights.all} buildings nearby.`;
      return `From footprints and heights; façades, clothes, lamps and lit windows are made up.${assumed}`;
    }
  }
}
