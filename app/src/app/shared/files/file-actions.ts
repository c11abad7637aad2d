import { Injectable, inject } from '@angular/core';
import { MOST_TRACK_POINTS } from '@roam-dial/core/formats/archive';
import type { FiledWalk, ReadGpx } from '@roam-dial/core/formats/walkFiles';
import { thinnedTrack } from '@roam-dial/core/outing';
import { districtOf } from '@roam-dial/core/plan';
import type { LightLadder } from '@roam-dial/core/setup';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom } from 'rxjs';
import { saveBlob, saveText } from '../../base/save-file';
import { WalkActions } from '../../state/walk/walk.actions';
import { type Card, CardStore } from '../../state/card/card.store';
import { DaysStore } from '../../state/light/days.store';
import { ArrivalSights, type SightsOfWalk } from '../../state/sight/arrival-sights.store';
import { DeviceClock } from '../../state/device/device-clock';
import { LegsStore } from '../../state/walk/legs.store';
import { WordingStore } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { SetUpClient } from '../../workers/set-up/set-up.client';
import { nameOf } from '../../words/name';
import { type CardsOfDay, cardsOfDay, fieldCard, type FieldCard, fileWalk } from './file-walk';
import { fetched } from '../../base/fetched';

export type WalkFormat = 'gpx' | 'calendar' | 'geojson' | 'csv' | 'cards' | 'picture';

/** A track is as good as this says: closer than a pavement is wide nobody sees a difference (s). */
const TRACK_WITHIN_M = 2;
const LONGEST_FILE_NAME = 60;

/** A name that every file system takes. */
export function fileName(name: string, ending: string): string {
  const plain = name
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, LONGEST_FILE_NAME);
  return `${plain === '' ? 'walk' : plain}.${ending}`;
}

/** A walk written to files, and read from them. What writes and reads is loaded when it is wanted. */
@Injectable({ providedIn: 'root' })
export class FileActions {
  private readonly store = inject(WorkspaceStore);
  private readonly walkActions = inject(WalkActions);
  private readonly days = inject(DaysStore);
  private readonly legs = inject(LegsStore);
  private readonly wording = inject(WordingStore);
  private readonly setUps = inject(SetUpClient);
  private readonly clock = inject(DeviceClock);
  private readonly sights = inject(ArrivalSights);
  private readonly card$ = inject(CardStore).card$;

  /** @throws Error where a part of the program cannot be loaded. */
  async save(walk: Walk, format: WalkFormat): Promise<void> {
    if (format === 'picture') return this.savePicture();
    const { filed, cards, sights } = await this.filed(walk, format === 'csv' || format === 'cards');
    const write = await fetched('The file formats', () => import('@roam-dial/core/formats/walkFiles'));
    switch (format) {
      case 'gpx':
        return saveText(write.writeGpx(filed), fileName(walk.name, 'gpx'), 'application/gpx+xml');
      case 'calendar':
        return saveText(write.writeCalendar(filed, this.clock.nowMs()), fileName(walk.name, 'ics'), 'text/calendar');
      case 'geojson':
        return saveText(write.writeGeoJson(filed), fileName(walk.name, 'geojson'), 'application/geo+json');
      case 'csv':
        return saveText(write.writeCsv(filed), fileName(walk.name, 'csv'), 'text/csv');
      case 'cards':
        return this.saveCards(filed, cards, sights);
    }
  }

  /** The card of the chosen stop, at the time on screen, as a picture for the phone. @throws Error where there is none. */
  async savePicture(): Promise<void> {
    const card = await firstValueFrom(this.card$);
    if (card.kind === 'none') throw new Error('There is no card to save: choose a stop, and a camera in the kit.');
    const { filed } = await this.filed(card.walk, false);
    const wording = await firstValueFrom(this.wording.wording$);
    const at = filed.stops.findIndex(({ stop }) => stop.id === card.stop.id);
    const one = filed.stops[at] ?? null;
    if (one === null) throw new Error(`${nameOf(card.stop)} is set aside for today.`);
    const { cardPicture } = await fetched('The card picture', () => import('./card-picture'));
    const picture = await cardPicture(fieldCard(filed.walk, one, at + 1, card, await this.ladderOf(card), wording));
    saveBlob(picture, fileName(`${at + 1} ${one.stop.name}`, 'png'));
  }

  /** A track, or else a route, is drawn from now on; its places are told. */
  async read(walk: Walk, file: File): Promise<ReadGpx> {
    const { readGpx } = await fetched('The file formats', () => import('@roam-dial/core/formats/walkFiles'));
    const read = readGpx(await file.text());
    if (!read.ok) return read;
    const { tracks, routes } = read.gpx;
    const points = (tracks.length > 0 ? tracks : routes.slice(0, 1)).flat();
    const track = thinnedTrack(
      points.map(({ latitude, longitude }) => ({ latitude, longitude })),
      TRACK_WITHIN_M,
      MOST_TRACK_POINTS,
    );
    if (track.length > 1) this.walkActions.takeTrack(walk, track, file.name);
    return read;
  }

  /** What is metered waits for the views of all stops; a way or a calendar does not. */
  private async filed(
    walk: Walk,
    isMetered: boolean,
  ): Promise<{ readonly filed: FiledWalk; readonly cards: CardsOfDay; readonly sights: SightsOfWalk }> {
    const [workspace, days, legs, wording] = await Promise.all([
      this.store.snapshot(),
      firstValueFrom(this.days.days$),
      firstValueFrom(this.legs.legs$),
      firstValueFrom(this.wording.wording$),
    ]);
    const sights: SightsOfWalk = isMetered ? await this.sights.all({ workspace, walk, days }) : new Map();
    const cards = cardsOfDay(workspace, walk, days, sights);
    const origin = districtOf(workspace, walk)?.origin ?? null;
    return { filed: fileWalk(walk, cards, days, legs, origin, wording), cards, sights };
  }

  private async saveCards(filed: FiledWalk, cards: CardsOfDay, sights: SightsOfWalk): Promise<void> {
    const wording = await firstValueFrom(this.wording.wording$);
    const fieldCards: FieldCard[] = [];
    for (const [k, one] of filed.stops.entries()) {
      const card = cards.get(one.stop.id) ?? null;
      const ladder = card === null ? null : await this.ladderOf(card);
      fieldCards.push(fieldCard(filed.walk, one, k + 1, card, ladder, wording, sights.get(one.stop.id) ?? null));
    }
    const { fieldCardsPdf } = await fetched('The field cards', () => import('./field-cards-pdf'));
    const bytes = await fieldCardsPdf(filed.walk.name, fieldCards);
    saveBlob(new Blob([bytes as BlobPart], { type: 'application/pdf' }), fileName(`${filed.walk.name} cards`, 'pdf'));
  }

  private ladderOf({ input, result }: Card): Promise<LightLadder | null> {
    return firstValueFrom(this.setUps.ask({ kind: 'ladder', input, through: result.setUp.found.hand }));
  }
}
