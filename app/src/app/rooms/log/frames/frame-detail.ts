import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  momentOfStayAt,
  departures,
  type ExposedWith,
  fileOfFrame,
  type FrameMeant,
  frameName,
  type PictureReading,
  pictureReading,
  fullSizeAt,
  MIDDLE,
  type PictureSpot,
  type PlacedFrame,
  thumbnailIdOf,
  type SoftnessReading,
  softnessVerdict,
  stateOf,
  unpackedReading,
  type Verdict,
} from '@roam-dial/core/log';
import { Thumbnails } from '../../../storage/thumbnails';
import { cardWords, departureWords, PLACED_WORDS, settingsWords, VERDICT_KEYS, VERDICT_WORDS } from '../../../words/log';
import { evidenceSentences, likelihoodWords, meantSentences, reasonSentence, seemsWords } from '../words/evidence';
import type { Wording } from '../../../words/wording';
import { ChoiceField } from '../../../fields/choice-field';
import type { Choice } from '../../../words/choices';
import { ValueField } from '../../../fields/value-field';
import { distanceCodec, entryCodec, optional } from '../../../fields/codec';
import { KeptPicture } from '../../../shared/picture/kept-picture';
import { CloseUp } from './close-up';
import { drawnFault } from './drawn-fault';

/** Tiles that an arrow key goes, across and down. */
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

export interface ShownSubject {
  readonly at: PictureSpot;
  readonly sight: PictureReading;
}

/** One frame: its picture with what was measured in it, what was set beside the card, and the verdict that the person gives. */
@Component({
  selector: 'rd-frame-detail',
  imports: [ChoiceField, CloseUp, KeptPicture, MatButtonModule, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frame-detail.html',
  styleUrl: './frame-detail.scss',
})
export class FrameDetail {
  readonly placed = input.required<PlacedFrame>();
  readonly meant = input.required<FrameMeant>();
  readonly wording = input.required<Wording>();
  /** What the clock on the wall showed. */
  readonly takenAt = input('');
  readonly judged = output<Verdict | null>();
  readonly subjectShown = output<ShownSubject>();
  /** The stops that it may belong to, and between them. */
  readonly places = input<readonly Choice<string>[]>([]);
  readonly moved = output<string>();
  /** Of film, which no file tells: what was really set. */
  readonly exposureChanged = output<Partial<ExposedWith>>();

  private readonly sights = inject(Thumbnails);
  protected readonly frameName = frameName;
  /** Film has none until it is scanned. */
  protected readonly hasPicture = computed(() => fileOfFrame(this.frame()) !== null);
  protected readonly thumbnailId = computed(() => thumbnailIdOf(this.frame()));
  private readonly isLookedAt = computed(() => this.frame().sight !== null);
  /** Undefined until what is kept of it has been fetched. */
  private readonly kept = signal<SoftnessReading | null | undefined>(undefined);
  private readonly reading = computed(() => this.kept() ?? null);
  protected readonly isFetched = computed(() => this.kept() !== undefined);
  protected readonly keys = VERDICT_KEYS.map(([key, verdict]) => ({ key, verdict, words: VERDICT_WORDS[verdict] }));
  protected readonly apertureCodec = optional(entryCodec({ kind: 'aperture', step: 'third' }, { low: 0.7, high: 64 }));
  protected readonly shutterCodec = optional(entryCodec({ kind: 'shutter', step: 'third' }, { low: 1 / 16_000, high: 3600 }));
  protected readonly focusCodec = computed(() => optional(distanceCodec(this.wording().lengthUnit, { low: 0.05, high: 10_000 })));
  protected readonly frame = computed(() => this.placed().frame);
  private readonly subjectAt = computed(() => this.frame().subjectAt ?? MIDDLE);
  private readonly found = computed(() => {
    const reading = this.reading();
    return reading === null ? null : softnessVerdict(reading, this.subjectAt(), this.frame(), this.meant());
  });

  protected readonly where = computed(() => {
    const { stay, by } = this.placed();
    if (stay === null) return 'Between the stops';
    return `${stay.name || 'Unnamed stop'}, ${by === null ? '' : PLACED_WORDS[by]}`;
  });
  protected readonly stopId = computed(() => this.placed().stay?.stopId ?? '');
  protected readonly used = computed(() => settingsWords(this.frame(), this.wording()));
  protected readonly card = computed(() => {
    const { stay, atMs } = this.placed();
    return stay === null ? null : momentOfStayAt(stay, atMs);
  });
  protected readonly cardText = computed(() => {
    const card = this.card();
    return card === null ? '' : cardWords(card, this.wording());
  });
  protected readonly apart = computed(() => {
    const card = this.card();
    if (card === null) return [];
    return departures(this.frame(), card)
      .filter(({ stops }) => Math.abs(stops) >= 0.25)
      .map((one) => departureWords(one, this.wording()));
  });
  protected readonly looks = computed(() => {
    const found = this.found();
    if (found === null) return null;
    const full = this.reading()?.full;
    const atFull = full === undefined ? null : fullSizeAt(full, this.subjectAt());
    return {
      words: seemsWords(found),
      reason: reasonSentence(found.looksLike, found.evidence),
      figures: [`${likelihoodWords(found)}.`, ...evidenceSentences(found.evidence, atFull), ...meantSentences(this.meant())],
    };
  });
  protected readonly fault = computed(() => {
    const [reading, found] = [this.reading(), this.found()];
    return reading === null || found === null ? null : drawnFault(reading, found);
  });
  /** Whether its middle is kept at full size, and whether it is to stand there instead of all of it. */
  protected readonly hasClose = signal(false);
  private readonly wantsClose = signal(false);
  protected readonly isClose = computed(() => this.hasClose() && this.wantsClose());
  /** How the picture as it was read lies in its middle at full size: how much larger that is, and where in it the fault is, from its middle. */
  protected readonly closeView = computed(() => {
    const reading = this.reading();
    if (reading === null) return { perPx: 1, x: 0, y: 0 };
    const { width, height } = reading.full ?? reading;
    const { x, y } = this.found()?.looksLike === 'shake' ? MIDDLE : this.subjectAt();
    return { perPx: width / reading.width, x: (x - MIDDLE.x) * width, y: (y - MIDDLE.y) * height };
  });
  /** Windows of the picture that are not sharp, as places of it. */
  protected readonly tiles = computed(() => {
    const [reading, found] = [this.reading(), this.found()];
    if (reading === null || found === null) return null;
    const { across, down, tiles, width, height } = reading;
    const marks = tiles.flatMap((tile, k) => {
      if (tile === null) return [];
      const state = stateOf(tile, found.evidence.sharpPx);
      const [x, y] = [(k % across) + 1, Math.floor(k / across) + 1];
      const half = 0.42;
      const [dx, dy] = [half * Math.cos((tile.directionDeg * Math.PI) / 180), half * Math.sin((tile.directionDeg * Math.PI) / 180)];
      return [{ x, y, state, dx, dy }];
    });
    return {
      across,
      down,
      marks,
      drawn: this.fault(),
      perTile: { x: width / across, y: height / down },
      aspect: width / height,
      spot: { x: this.subjectAt().x * across, y: this.subjectAt().y * down },
    };
  });

  constructor() {
    effect((onCleanup) => {
      const id = this.thumbnailId();
      // What it looks like comes later than what it says.
      this.isLookedAt();
      let isStale = false;
      onCleanup(() => (isStale = true));
      this.kept.set(undefined);
      void this.sights.get(id).then((row) => {
        if (isStale) return;
        this.kept.set(row?.reading == null ? null : unpackedReading(row.reading));
        this.hasClose.set(row?.close !== undefined);
      });
    });
  }

  protected turn(): void {
    this.wantsClose.update((before) => !before);
  }

  protected show(event: MouseEvent): void {
    const box = (event.currentTarget as Element).getBoundingClientRect();
    this.put({ x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height });
  }

  /** A tile at a time. */
  protected nudge(event: KeyboardEvent): void {
    const [reading, step] = [this.reading(), STEPS[event.key]];
    if (reading === null || step === undefined) return;
    event.preventDefault();
    const { x, y } = this.subjectAt();
    this.put({ x: x + step[0] / reading.across, y: y + step[1] / reading.down });
  }

  private put({ x, y }: PictureSpot): void {
    const reading = this.reading();
    if (reading === null) return;
    const inside = (value: number): number => Math.min(1, Math.max(0, value));
    const at = { x: inside(x), y: inside(y) };
    this.subjectShown.emit({ at, sight: pictureReading(reading, softnessVerdict(reading, at, this.frame(), this.meant()), at) });
  }
}
