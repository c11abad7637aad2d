import { ChangeDetectionStrategy, Component, computed, type ElementRef, inject, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { phoneLayout } from '../../../state/device/phone-layout';
import type { HandReading } from '@roam-dial/core/stand-ins';
import type { PlacementMethod, Reading } from '@roam-dial/core/stop';
import { ToneLadder } from './tone-ladder';
import { CheckField } from '../../../fields/check-field';
import { ChoiceField } from '../../../fields/choice-field';
import { choicesOf } from '../../../words/choices';
import { TextField } from '../../../fields/text-field';
import { ValueField } from '../../../fields/value-field';
import { entryCodec, optional } from '../../../fields/codec';
import {
  mediumName,
  mediumSentence,
  ON_WORDS,
  placementSentence,
  rangeWaySentence,
  READING_WORDS,
  SCHOOL_COSTS,
  SCHOOL_WORDS,
} from '../../../words/set-up/metering';
import { HandMeterBar } from './hand-meter-bar';
import { MeterState } from '../meter-state';
import { ThreeTaps } from './three-taps';

/** Kinds of which a reading says what falls on the stop, and so corrects its light. */
const CORRECTS: ReadonlySet<Reading['kind']> = new Set(['incident', 'greyCard', 'lookedRight', 'testShot']);

/** A few readings turned into an exposure, and what is lost by it. */
@Component({
  selector: 'rd-tones-page',
  imports: [
    CheckField,
    ChoiceField,
    HandMeterBar,
    MatButtonModule,
    MatFormFieldModule,
    MatInputModule,
    TextField,
    ThreeTaps,
    ToneLadder,
    ValueField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tones-page.html',
  styleUrl: './tones-page.scss',
})
export class TonesPage {
  protected readonly state = inject(MeterState);
  protected readonly isPhone = phoneLayout();
  protected readonly problem = signal<string | null>(null);
  private readonly typed = viewChild<ElementRef<HTMLInputElement>>('typed');

  protected readonly kinds = choicesOf(READING_WORDS);
  protected readonly ons = choicesOf(ON_WORDS);
  protected readonly schools = choicesOf(SCHOOL_WORDS);
  protected readonly tone = optional(entryCodec({ kind: 'stops', step: 'third' }));
  /** The one that the exposure is placed by, whether somebody has marked it or not. */
  protected readonly isKey = (reading: Reading): boolean => this.state.placement()?.key.reading.id === reading.id;
  protected readonly corrects = (reading: Reading): boolean => CORRECTS.has(reading.kind);
  protected readonly say = computed(() => (stops: number) => this.state.wording().stops(stops, 'third'));

  protected readonly ladder = computed(() => {
    const [placement, readings, { school }, wording, medium] = [
      this.state.placement(),
      this.state.readings(),
      this.state.metering(),
      this.state.wording(),
      this.state.medium(),
    ];
    if (placement === null || medium === null) return null;
    return {
      medium,
      keyTone: placement.key.tone,
      cost: SCHOOL_COSTS[school],
      sentence: placementSentence(placement, readings, medium, wording),
      rungs: placement.falls.map(({ id, toneEv, lostEv }) => {
        const reading = readings.find((one) => one.id === id);
        const isLetGo = reading?.isLetGo === true;
        return {
          id,
          name: reading?.name ?? '',
          toneEv,
          lostEv,
          isKey: id === placement.key.reading.id,
          isLetGo,
        };
      }),
      columns: this.state.placements().flatMap(({ school: its, placed }) => {
        const found = placed?.placement ?? null;
        return found === null
          ? []
          : [
              {
                id: its,
                name: SCHOOL_WORDS[its],
                isChosen: its === school,
                tones: found.falls.map(({ id, toneEv, lostEv }) => ({ toneEv, lostEv, isKey: id === found.key.reading.id })),
              },
            ];
      }),
    };
  });
  protected readonly waysOut = computed(() => {
    const [readings, wording] = [this.state.readings(), this.state.wording()];
    return this.state.waysOut().map((way) => rangeWaySentence(way, readings, wording, (ev100) => this.state.timeAt(ev100)));
  });
  protected readonly media = computed(() =>
    this.state.media().map(({ name, medium, placement, iso }) => ({
      name: name ?? `${mediumName(medium)} at ISO ${this.state.isoText(iso)}`,
      words: mediumSentence(placement, medium, this.state.wording()),
    })),
  );

  protected add(event: Event, text: HTMLInputElement, name: HTMLInputElement): void {
    event.preventDefault();
    const problem = this.state.add(text.value, name.value);
    this.problem.set(problem);
    if (problem !== null) return;
    text.value = '';
    name.value = '';
    this.typed()?.nativeElement.focus();
  }

  protected take(reading: HandReading): void {
    this.problem.set(this.state.take(reading));
  }

  protected setCard(): void {
    const placement = this.state.placement();
    if (placement !== null) this.state.setCard(placement.ev100);
  }

  protected chooseSchool(school: string): void {
    this.state.choose({ school: school as PlacementMethod });
  }
}
