import { Injectable, inject } from '@angular/core';
import type { Body, KitItem, NoisePoint, Standard } from '@roam-dial/core/kit';
import { createId } from '../../storage/defaults';
import { addKitItem, changeKitItem, changeStandard, duplicateKitItem, removeKitItem } from './edits';
import { WorkspaceStore } from '../workspace/workspace.store';

/** What a person does to what is in the bag, and to what they ask of themselves. */
@Injectable({ providedIn: 'root' })
export class KitActions {
  private readonly store = inject(WorkspaceStore);

  add(item: KitItem, kindName: string): void {
    this.store.edit({ label: `add a ${kindName}` }, addKitItem(item));
  }

  change(item: KitItem, change: (one: KitItem) => KitItem): void {
    this.store.edit({ label: `change ${item.name}` }, changeKitItem(item.id, change));
  }

  /** One name is one step of undo, however many letters. */
  rename({ id, name: before }: KitItem, name: string): void {
    this.store.edit(
      { label: `rename ${before}`, mergeKey: `name/${id}` },
      changeKitItem(id, (one) => ({ ...one, name })),
    );
  }

  putInBag({ id, name }: KitItem, inBag: boolean): void {
    const label = inBag ? `put ${name} into the bag` : `take ${name} out of the bag`;
    this.store.edit(
      { label },
      changeKitItem(id, (one) => ({ ...one, inBag })),
    );
  }

  /** The copy's id. */
  duplicate({ id, name }: KitItem): string {
    const copyId = createId();
    this.store.edit({ label: `duplicate ${name}` }, duplicateKitItem(id, copyId));
    return copyId;
  }

  remove({ id, name }: KitItem): void {
    this.store.edit({ label: `remove ${name}` }, removeKitItem(id));
    this.store.announce(`Removed ${name}`);
  }

  changeStandard(change: (standard: Standard) => Standard, label = 'change your standard'): void {
    this.store.edit({ label }, changeStandard(change));
  }

  /** A part of the standard while it is typed or dragged: one step of undo. */
  adjustStandard(part: 'steadiness' | 'test of your hands', change: (standard: Standard) => Standard): void {
    const label = part === 'steadiness' ? 'change your steadiness' : 'change the test of your hands';
    this.store.edit({ label, mergeKey: `standard/${part}` }, changeStandard(change));
  }

  /** Figures that a person's own frames have taught. */
  takeFromFrames(what: string, figures: Partial<Standard>): void {
    this.store.edit(
      { label: `take ${what} from your frames` },
      changeStandard((standard) => ({ ...standard, ...figures })),
    );
  }

  takeFromPatches(bodyName: string, figures: Partial<Standard>): void {
    this.changeStandard((standard) => ({ ...standard, ...figures }), `take the ISO ceiling of ${bodyName} from its patches`);
  }

  /** Patches of a body: an ISO that was tested before is tested anew. */
  addNoise({ id: bodyId, name }: Body, points: readonly NoisePoint[]): void {
    this.changeStandard((standard) => {
      const { acceptedRatio = null, tests = [] } = standard.noise ?? {};
      const before = tests.find((test) => test.bodyId === bodyId)?.points ?? [];
      const byIso = new Map([...before, ...points].map((point) => [point.iso, point]));
      const test = { bodyId, points: [...byIso.values()].sort((a, b) => a.iso - b.iso) };
      return { ...standard, noise: { acceptedRatio, tests: [...tests.filter((one) => one.bodyId !== bodyId), test] } };
    }, `read the noise of ${name}`);
  }

  forgetNoise({ id: bodyId, name }: Body): void {
    this.changeStandard((standard) => {
      const { acceptedRatio = null, tests = [] } = standard.noise ?? {};
      return { ...standard, noise: { acceptedRatio, tests: tests.filter((one) => one.bodyId !== bodyId) } };
    }, `forget the noise of ${name}`);
  }

  /** The noisiest that is still taken, of every body. */
  acceptNoise(acceptedRatio: number): void {
    this.changeStandard(
      (standard) => ({ ...standard, noise: { tests: standard.noise?.tests ?? [], acceptedRatio } }),
      'say which noise you take',
    );
  }
}
