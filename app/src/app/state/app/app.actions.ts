import { inject, Injectable, Injector } from '@angular/core';
import { Router } from '@angular/router';
import { archiveParts, EMPTY_ARCHIVE, fitTogether, LIST_NAMES, NO_ROOM, type Settings } from '@roam-dial/core/formats/archive';
import type { ReadArchive } from '@roam-dial/core/formats/reading';
import { firstValueFrom } from 'rxjs';
import { ArchiveService } from '../../storage/archive.service';
import { createId } from '../../storage/defaults';
import type { PictureArchive } from '../../storage/picture-archive';
import { saveBlob, saveText } from '../../base/save-file';
import type { SetAside } from '../../storage/rows/stored-form';
import { today } from '../../base/today';
import type { ImportMode } from '../../storage/transfer';
import type { Workspace } from '../../storage/workspace';
import { changeSettings } from '../kit/edits';
import { FocusStore } from '../selection/focus.store';
import { SelectionStore } from '../selection/selection.store';
import { WorkspaceStore } from '../workspace/workspace.store';
import { fetched } from '../../base/fetched';

/** Bytes as the text that they were written from. */
function textOf(data: unknown): unknown {
  return ArrayBuffer.isView(data) ? new TextDecoder().decode(data as Uint8Array) : data;
}

const inMegabytes = (bytes: number): number => Math.round(bytes / 1024 / 1024);

/** What a person does to all of it, or where they go in it: the verbs of menus, buttons and shortcuts. */
@Injectable({ providedIn: 'root' })
export class AppActions {
  private readonly store = inject(WorkspaceStore);
  private readonly selection = inject(SelectionStore);
  private readonly archives = inject(ArchiveService);
  private readonly router = inject(Router);
  private readonly injector = inject(Injector);
  private readonly focus$ = inject(FocusStore).focus$;

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

  /** The shipped walk and kit as they were; whatever else there is stays. */
  async bringDemoBack(): Promise<void> {
    const demo = await this.archives.demo(new Date());
    this.store.edit({ label: 'restore the demo' }, (workspace) =>
      LIST_NAMES.reduce<Workspace>((now, name) => {
        const ids = new Set(demo[name].map(({ id }) => id));
        const own = (now[name] as readonly { readonly id: string }[]).filter(({ id }) => !ids.has(id));
        return { ...now, [name]: [...own, ...demo[name]] };
      }, workspace),
    );
    this.store.announce('The demo is restored');
    await this.router.navigate(['/walk'], { queryParams: { walk: demo.walks[0]?.id ?? null } });
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

  changeSettings(change: Partial<Settings>): void {
    this.store.edit(
      { label: 'change a setting' },
      changeSettings((settings) => ({ ...settings, ...change })),
    );
  }

  toggleTheme(): void {
    this.store.edit(
      { label: 'change the theme' },
      changeSettings((settings) => ({ ...settings, theme: settings.theme === 'light' ? 'night' : 'light' })),
    );
  }

  /** Everything as a file for the person to keep, part by part; with the small pictures of frames where they are wanted. */
  async exportAll({ hasPictures = false } = {}): Promise<void> {
    const { LARGEST_ARCHIVE_BYTES } = await fetched('The archive writer', () => import('@roam-dial/core/formats/reading'));
    const rows = [...archiveParts(await this.store.snapshot())];
    const alone = new Blob(rows, { type: 'application/json' });
    if (alone.size > LARGEST_ARCHIVE_BYTES) {
      this.store.notify(
        `Your data is ${inMegabytes(alone.size)} MB, and a file of more than ${inMegabytes(LARGEST_ARCHIVE_BYTES)} MB cannot be read back: remove maps or logs you no longer need, then export again. Nothing was saved.`,
      );
      return;
    }
    const files = hasPictures ? await (await this.pictures()).withPictures(rows, LARGEST_ARCHIVE_BYTES) : [alone];
    files.forEach((file, k) => {
      const part = files.length === 1 ? '' : `-${k + 1}-of-${files.length}`;
      saveBlob(file, `roam-dial-${today()}${part}.json`);
    });
    if (files.length > 1)
      this.store.notify(`Saved as ${files.length} files, because of their size: import them one after the other.`);
  }

  /** Rows that could not be read, as they are stored: for somebody who can mend them. */
  exportAside(aside: readonly SetAside[]): void {
    const rows = aside.map((one) => ({ ...one, data: textOf(one.data) }));
    saveText(JSON.stringify(rows, null, 1), `roam-dial-unread-${today()}.json`, 'application/json');
  }

  /** Reads the file wholly before anything changes. */
  async importFile(file: File, mode: ImportMode): Promise<ReadArchive> {
    const [read, { importInto }] = await Promise.all([
      this.archives.readFile(file),
      fetched('The archive reader', () => import('../../storage/transfer')),
    ]);
    if (read.ok) {
      const { workspace, ids } = importInto(await this.store.snapshot(), read.archive, mode, createId);
      if (!fitTogether(workspace.districts)) return { ok: false, refusal: 'huge', message: NO_ROOM, problems: [] };
      this.store.edit({ label: `import ${file.name}` }, () => workspace);
      await this.store.written();
      if (read.pictures !== undefined) await (await this.pictures()).take(read.pictures, ids.frames);
    }
    return read;
  }

  /** Pictures go along seldom: a chunk of its own. */
  private async pictures(): Promise<PictureArchive> {
    const module = await fetched('Pictures in archives', () => import('../../storage/picture-archive'));
    return this.injector.get(module.PictureArchive);
  }
}
