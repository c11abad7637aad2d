import { computed, inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ofKind } from '@roam-dial/core/plan';
import { fieldReading } from '../../shared/field-reading';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import type { KitContext } from './field-spec';

/** What the fields of kit and standard know of the person and of the bag. */
export function kitContext(): Signal<KitContext> {
  const reading = fieldReading();
  const workspace = toSignal(inject(WorkspaceStore).workspace$);
  return computed(() => ({
    ...reading(),
    films: ofKind(workspace()?.kit ?? [], 'film').map(({ id, name }) => ({ value: id, label: name })),
  }));
}
