import type { StopDay, StopDayInput } from '@roam-dial/core';

export interface StopDayQuestion {
  readonly id: number;
  readonly input: StopDayInput;
}

export type StopDayAnswer =
  | { readonly id: number; readonly ok: true; readonly day: StopDay | null }
  | { readonly id: number; readonly ok: false; readonly message: string };
