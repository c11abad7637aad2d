import type { ArtificialLight } from '../light/index.js';

/** The picture wanted at a stop, with the few questions that are its own. */

export interface IntentAnswers {
  readonly passingCandid: { readonly light: 'sun' | 'shade' | 'either' };
  readonly lightPool: { readonly brightShare: number };
  readonly silhouette: { readonly background: 'sky' | 'wall' | 'screen'; readonly brightShare: number };
  readonly intoTheSun: { readonly brightShare: number };
  readonly brightBackdrop: { readonly source: ArtificialLight; readonly brightShare: number };
  readonly litStreet: { readonly lamps: 'burn' | 'hold' };
  readonly flashLift: { readonly flashEv: number; readonly skyUnderEv: number };
  readonly longExposure: { readonly of: 'water' | 'trails' | 'emptied'; readonly wantedS: number };
  readonly facade: { readonly tone: 'dark' | 'mid' | 'pale' };
  readonly reflection: { readonly mirror: 'puddle' | 'glass' | 'water'; readonly isWet: boolean };
  readonly compressedDistance: { readonly farM: number };
  readonly fireworks: { readonly bulbS: number };
}

export type IntentKind = keyof IntentAnswers;
export type Intent = { [Kind in IntentKind]: { readonly kind: Kind } & IntentAnswers[Kind] }[IntentKind];
export type IntentOf<Kind extends IntentKind> = Extract<Intent, { kind: Kind }>;

/** A new stop of each kind starts with these. */
export const DEFAULT_INTENTS: { readonly [Kind in IntentKind]: IntentOf<Kind> } = {
  passingCandid: { kind: 'passingCandid', light: 'either' },
  lightPool: { kind: 'lightPool', brightShare: 0.15 },
  silhouette: { kind: 'silhouette', background: 'sky', brightShare: 0.6 },
  intoTheSun: { kind: 'intoTheSun', brightShare: 0.3 },
  brightBackdrop: { kind: 'brightBackdrop', source: 'screen', brightShare: 0.4 },
  litStreet: { kind: 'litStreet', lamps: 'burn' },
  flashLift: { kind: 'flashLift', flashEv: -4 / 3, skyUnderEv: -2 / 3 },
  longExposure: { kind: 'longExposure', of: 'water', wantedS: 1 },
  facade: { kind: 'facade', tone: 'mid' },
  reflection: { kind: 'reflection', mirror: 'puddle', isWet: true },
  compressedDistance: { kind: 'compressedDistance', farM: 120 },
  fireworks: { kind: 'fireworks', bulbS: 4 },
};

/** Whether a picture is made in the dark alone. */
export function isOfTheDark(intent: Intent): boolean {
  if (intent.kind === 'silhouette') return intent.background === 'screen';
  return intent.kind === 'brightBackdrop' || intent.kind === 'litStreet' || intent.kind === 'fireworks';
}

export const INTENT_KINDS = Object.keys(DEFAULT_INTENTS) as readonly IntentKind[];

export const INTENT_NAMES: Readonly<Record<IntentKind, string>> = {
  passingCandid: 'Passing candid',
  lightPool: 'Light pool',
  silhouette: 'Silhouette',
  intoTheSun: 'Into the sun',
  brightBackdrop: 'Bright backdrop at night',
  litStreet: 'Lit street by night',
  flashLift: 'Flash lift at dusk',
  longExposure: 'Long exposure',
  facade: 'Façade, upright',
  reflection: 'Reflection',
  compressedDistance: 'Compressed distance',
  fireworks: 'Fireworks',
};
