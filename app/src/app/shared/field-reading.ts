import { computed, inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { clockCodec } from '../fields/codec';
import type { FieldReading } from '../fields/field-codec';
import { wordingSignal } from '../state/workspace/wording.store';
import { WorkspaceStore } from '../state/workspace/workspace.store';

/** How the person reads and writes lengths and times of day, for the fields of a form. */
export function fieldReading(): Signal<FieldReading> {
  const settings = toSignal(inject(WorkspaceStore).settings$, { initialValue: DEFAULT_SETTINGS });
  const wording = wordingSignal();
  return computed(() => {
    const { lengthUnit, clock } = settings();
    const words = wording();
    return { lengthUnit, clock: clockCodec(clock, (minute) => words.clock(minute)) };
  });
}
