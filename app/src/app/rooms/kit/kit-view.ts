import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatMenuModule } from '@angular/material/menu';
import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { KIT_KINDS, type KitItem, type KitKind } from '@roam-dial/core/kit';
import { ofKind } from '@roam-dial/core/plan';
import { createId, newKitItem } from '../../storage/defaults';
import { KitActions } from '../../state/kit/actions';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { KitItemEditor } from './kit-item-editor';
import { StandardEditor } from './standard-editor';
import { nameOf } from '../../words/name';
import { focusSoon, isByKeys } from '../../ui/focus-soon';

const KIND_WORDS: Readonly<Record<KitKind, { readonly one: string; readonly many: string }>> = {
  body: { one: 'body', many: 'Bodies' },
  lens: { one: 'lens', many: 'Lenses' },
  film: { one: 'film', many: 'Films' },
  flash: { one: 'flash', many: 'Flashes' },
  filter: { one: 'filter', many: 'Filters' },
  support: { one: 'support', many: 'Supports' },
};

/** What lies on the table and what goes into the bag, and the person's own limits. */
@Component({
  selector: 'rd-kit-view',
  imports: [KitItemEditor, MatButtonModule, MatCheckboxModule, MatMenuModule, StandardEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './kit-view.html',
  styleUrl: './kit-view.scss',
})
export class KitView {
  private readonly actions = inject(KitActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private isNew = false;
  private readonly chosenId = signal<string | null>(null);

  protected readonly nameOf = nameOf;
  protected readonly kinds = KIT_KINDS;
  protected readonly words = KIND_WORDS;
  protected readonly groups = computed(() => {
    const kit = this.workspace()?.kit ?? [];
    return KIT_KINDS.map((kind) => ({ kind, words: KIND_WORDS[kind], items: ofKind(kit, kind) })).filter(
      ({ items }) => items.length > 0,
    );
  });
  protected readonly isEmpty = computed(() => this.groups().length === 0);
  /** `standard` is the person; otherwise a thing. */
  protected readonly chosen = computed(() => {
    const kit = this.workspace()?.kit ?? [];
    if (this.chosenId() === 'standard') return null;
    return kit.find(({ id }) => id === this.chosenId()) ?? this.groups()[0]?.items[0] ?? null;
  });
  protected readonly isStandard = computed(() => this.chosenId() === 'standard' || this.chosen() === null);

  protected choose(id: string): void {
    this.chosenId.set(id);
  }

  protected add(kind: KitKind): void {
    const markStep = (this.workspace()?.settings ?? DEFAULT_SETTINGS).markStep;
    const item = newKitItem(kind, createId(), markStep);
    this.actions.add(item, KIND_WORDS[kind].one);
    this.chosenId.set(item.id);
    this.isNew = true;
  }

  /** The menu gives the keyboard back to its button; what was chosen in it is named next. */
  protected menuClosed(): void {
    if (this.isNew && isByKeys()) focusSoon(() => this.host.querySelector('.editor input'));
    this.isNew = false;
  }

  protected change(item: KitItem, change: (one: KitItem) => KitItem): void {
    this.actions.change(item, change);
  }

  protected rename(item: KitItem, name: string): void {
    this.actions.rename(item, name);
  }

  protected setInBag(item: KitItem, isInBag: boolean): void {
    this.actions.putInBag(item, isInBag);
  }

  protected duplicate(item: KitItem): void {
    this.chosenId.set(this.actions.duplicate(item));
  }

  protected remove(item: KitItem): void {
    this.actions.remove(item);
    this.chosenId.set(null);
  }
}
