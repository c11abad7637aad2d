import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { archiveParts, EMPTY_ARCHIVE, fitTogether, NO_ROOM, ofKind, type Stop, type Walk } from '@roam-dial/core';
import type { ReadArchive } from '@roam-dial/core/formats';
import { firstValueFrom } from 'rxjs';
import { ArchiveService } from '../data/archive.service';
import { createId, newStop, newWalk } from '../data/defaults';
import { saveBlob, saveText } from '../data/save-file';
import type { SetAside } from '../data/stored-form';
import { importInto, type ImportMode } from '../data/transfer';
import { CardStore } from './card.store';
import type { Focus } from './focus.store';
import { addStop, addWalk, duplicateStop, duplicateWalk, moveStop, removeStop, removeWalk } from './edits';
import { SelectionStore } from './selection.store';
import { WorkspaceStore } from './workspace.store';

/** The date where the person is, as file names have it. */
function today(): string {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

/** Bytes as the text that they were written from. */
function textOf(data: unknown): unknown {
  return ArrayBuffer.isView(data) ? new TextDecoder().decode(data as Uint8Array) : data;
}

/** What a person can do that takes more than one store: the verbs of menus, buttons and shortcuts. */
@Injectable({ providedIn: 'root' })
export class AppActions {
  private readonly store = inject(WorkspaceStore);
  private readonly selection = inject(SelectionStore);
  private readonly archives = inject(ArchiveService);
  private readonly router = inject(Router);
  private readonly focus$ = inject(CardStore).focus$;

  /** The first data of a new browser. */
  async seedDemo(): Promise<void> {
    try {
      await this.store.seed(await this.archives.demo(new Date()));
    } catch (error) {
      // Without its demo the program starts empty and says so; everything else works.
      await this.store.seed(EMPTY_ARCHIVE);
      this.store.announce(error instanceof Error ? error.message : String(error));
    }
  }

  async startWalk(): Promise<void> {
    const { kit } = await this.store.snapshot();
    const walk = newWalk(createId(), today(), ofKind(kit, 'body').find(({ inBag }) => inBag)?.id ?? null);
    this.store.edit({ label: 'start a walk' }, addWalk(walk));
    await this.router.navigate(['/walk'], { queryParams: { walk: walk.id } });
  }

  async duplicateWalk(walk: Walk): Promise<void> {
    const id = createId();
    this.store.edit({ label: `duplicate ${walk.name}` }, duplicateWalk(walk.id, id));
    await this.router.navigate(['/walk'], { queryParams: { walk: id } });
  }

  removeWalk(walk: Walk): void {
    this.store.edit({ label: `remove ${walk.name}` }, removeWalk(walk.id));
    this.store.announce(`Removed ${walk.name}`);
  }

  /** The shipped walk and kit as they were; whatever else there is stays. */
  async bringDemoBack(): Promise<void> {
    const demo = await this.archives.demo(new Date());
    const own = (ids: ReadonlySet<string>) => (item: { readonly id: string }) => !ids.has(item.id);
    const kitIds = new Set(demo.kit.map(({ id }) => id));
    const walkIds = new Set(demo.walks.map(({ id }) => id));
    const districtIds = new Set(demo.districts.map(({ id }) => id));
    this.store.edit({ label: 'bring the demo back' }, (workspace) => ({
      ...workspace,
      kit: [...workspace.kit.filter(own(kitIds)), ...demo.kit],
      walks: [...workspace.walks.filter(own(walkIds)), ...demo.walks],
      districts: [...workspace.districts.filter(own(districtIds)), ...demo.districts],
    }));
    this.store.announce('The demo is back');
    await this.router.navigate(['/walk'], { queryParams: { walk: demo.walks[0]?.id ?? null } });
  }

  async addStop(): Promise<void> {
    const { walk, stop } = await firstValueFrom(this.focus$);
    if (walk === null) return;
    const added = newStop(createId(), stop ?? undefined);
    this.store.edit({ label: 'add a stop' }, addStop(walk.id, added, stop?.id ?? null));
    this.selection.selectStop(walk.id, added.id, added.arriveMin);
  }

  async duplicateStop(stop: Stop): Promise<void> {
    const { walk } = await firstValueFrom(this.focus$);
    if (walk === null) return;
    const id = createId();
    this.store.edit({ label: `duplicate ${stop.name}` }, duplicateStop(walk.id, stop.id, id));
    this.selection.selectStop(walk.id, id, stop.arriveMin);
  }

  async removeStop(stop: Stop): Promise<void> {
    const { walk } = await firstValueFrom(this.focus$);
    if (walk === null) return;
    const index = walk.stops.findIndex(({ id }) => id === stop.id);
    const neighbour = walk.stops[index + 1] ?? walk.stops[index - 1];
    this.store.edit({ label: `remove ${stop.name}` }, removeStop(walk.id, stop.id));
    this.store.announce(`Removed ${stop.name}`);
    if (neighbour !== undefined) this.selection.selectStop(walk.id, neighbour.id, neighbour.arriveMin);
  }

  moveStop({ walk }: Pick<Focus, 'walk'>, from: number, to: number): void {
    const name = walk?.stops[from]?.name;
    if (walk === null || name === undefined) return;
    this.store.edit({ label: `move ${name}` }, moveStop(walk.id, from, to));
  }

  /** By so many stops along the walk, round neither end. */
  async stepStop(by: 1 | -1): Promise<void> {
    const { walk, stopIndex } = await firstValueFrom(this.focus$);
    const next = walk?.stops[stopIndex + by];
    if (walk !== null && next !== undefined) this.selection.selectStop(walk.id, next.id, next.arriveMin);
  }

  async stepMinutes(by: number): Promise<void> {
    const { minuteOfDay } = await firstValueFrom(this.focus$);
    this.selection.setMinute(minuteOfDay + by);
  }

  /** Everything as a file for the person to keep, part by part. */
  async exportAll(): Promise<void> {
    const parts = [...archiveParts(await this.store.snapshot())];
    saveBlob(new Blob(parts, { type: 'application/json' }), `roam-dial-${today()}.json`);
  }

  /** Rows that could not be read, as they are stored: for somebody who can mend them. */
  exportAside(aside: readonly SetAside[]): void {
    const rows = aside.map((one) => ({ ...one, data: textOf(one.data) }));
    saveText(JSON.stringify(rows, null, 1), `roam-dial-unread-${today()}.json`, 'application/json');
  }

  /** Reads the file wholly before anything changes. */
  async importFile(file: File, mode: ImportMode): Promise<ReadArchive> {
    const read = await this.archives.readFile(file);
    if (read.ok) {
      const { districts } = importInto(await this.store.snapshot(), read.archive, mode, createId);
      if (!fitTogether(districts)) return { ok: false, refusal: 'huge', message: NO_ROOM, problems: [] };
      this.store.edit({ label: `import ${file.name}` }, (workspace) => importInto(workspace, read.archive, mode, createId));
      await this.store.written();
      this.store.announce(`Imported ${file.name}`);
    }
    return read;
  }
}
