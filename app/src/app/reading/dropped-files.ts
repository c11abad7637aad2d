/** More files than anybody drops at once are not gone through. */
const MOST_FILES = 20_000;

function filesIn(entry: FileSystemDirectoryEntry): Promise<readonly FileSystemEntry[]> {
  const reader = entry.createReader();
  const all: FileSystemEntry[] = [];
  return new Promise((resolve, reject) => {
    // A reader hands its entries out by the hundred until there are none left.
    const next = (): void =>
      reader.readEntries((entries) => {
        all.push(...entries);
        if (entries.length === 0 || all.length > MOST_FILES) resolve(all);
        else next();
      }, reject);
    next();
  });
}

async function gather(entry: FileSystemEntry, into: File[]): Promise<void> {
  if (into.length >= MOST_FILES) return;
  if (entry.isFile) {
    into.push(await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject)));
    return;
  }
  for (const one of await filesIn(entry as FileSystemDirectoryEntry)) await gather(one, into);
}

/** All files that were dropped, those of folders too. What was dropped is only there while the drop is handled: it is asked for at once. */
export async function droppedFiles({ items, files }: DataTransfer): Promise<readonly File[]> {
  const entries = [...items].map((item) => item.webkitGetAsEntry());
  const all = [...files];
  if (!entries.some((entry) => entry?.isDirectory === true)) return all;
  const gathered: File[] = [];
  for (const entry of entries) if (entry !== null) await gather(entry, gathered);
  return gathered;
}

/** What says what its camera did: finished photos, and raw files, which carry a preview. */
const PICTURE_ENDINGS = /\.(jpe?g|heic|heif|hif|avif|png|webp|tiff?|raf|nef|nrw|cr2|cr3|arw|srw|orf|rw2|pef|dng|raw)$/i;
const VIDEO_ENDINGS = /\.(mp4|mov|m4v|avi|mts|m2ts|mkv|webm|3gp)$/i;
const MAP_ENDINGS = /\.(geo)?json$|\.osm$|\.xml$|\.gpx$/i;
export interface SortedFiles {
  readonly pictures: readonly File[];
  readonly maps: readonly File[];
  readonly others: readonly File[];
}

function kindOf({ type, name }: Pick<File, 'type' | 'name'>): keyof SortedFiles {
  if (PICTURE_ENDINGS.test(name)) return 'pictures';
  if (MAP_ENDINGS.test(name)) return 'maps';
  if (type.startsWith('image/') && !type.startsWith('image/svg')) return 'pictures';
  return /json|xml/.test(type) ? 'maps' : 'others';
}

/** Why a file is not read, as the rest of a sentence that begins with its name. */
export function refusalOf({ name, type }: Pick<File, 'type' | 'name'>): string {
  if (VIDEO_ENDINGS.test(name) || type.startsWith('video/')) return 'is a video: only photos are read.';
  if (kindOf({ name, type }) === 'maps') return 'is a map: drop it on its own.';
  return 'is not a photo or a map that can be read here.';
}

/** By what they are for; hidden files of folders are nobody's. */
export function sorted(files: readonly File[]): SortedFiles {
  const seen = files.filter(({ name }) => !name.startsWith('.'));
  const of = (kind: keyof SortedFiles): readonly File[] => seen.filter((file) => kindOf(file) === kind);
  return { pictures: of('pictures'), maps: of('maps'), others: of('others') };
}
