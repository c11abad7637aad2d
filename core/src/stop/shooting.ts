/** What pulses in the light of a place. */
export type LampKind = 'steady' | 'oldTube' | 'poorLed' | 'goodLed' | 'screen';
export const LAMP_KINDS = ['steady', 'oldTube', 'poorLed', 'goodLed', 'screen'] as const satisfies readonly LampKind[];

/** How much the walkers may smear, or shall. */
export type SmearWish = 'byIntent' | 'strict' | 'loose' | 'wanted' | 'panned';
export const SMEAR_WISHES = ['byIntent', 'strict', 'loose', 'wanted', 'panned'] as const satisfies readonly SmearWish[];

/** How the frames are taken at a stop. */
export interface Shooting {
  /** Frames of one press; one good one is enough. */
  readonly burstFrames: number;
  readonly isWalking: boolean;
  readonly smear: SmearWish;
  readonly lamp: LampKind;
  /** The bands of a pulsing screen are the picture. */
  readonly wantsGlitch: boolean;
  /** A spot that is focused on by guessing its distance, not by measuring it. */
  readonly spotByEye: boolean;
}

export const DEFAULT_SHOOTING: Shooting = {
  burstFrames: 1,
  isWalking: false,
  smear: 'byIntent',
  lamp: 'steady',
  wantsGlitch: false,
  spotByEye: false,
};
