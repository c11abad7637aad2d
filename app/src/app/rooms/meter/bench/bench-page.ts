import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatRadioModule } from '@angular/material/radio';
import { MatSliderModule } from '@angular/material/slider';
import {
  BUILT_IN_SCENES,
  type Dialled,
  focusZones,
  MID_GREY,
  PATTERN_FIGURES,
  spotRadius,
  ZONES_ACROSS,
  ZONES_DOWN,
} from '@roam-dial/core/metering';
import { BenchPicture, type PatternDrawn } from './bench-picture';
import { ToneHistogramChart } from './tone-histogram';
import { ChoiceField } from '../../../fields/choice-field';
import { ValueField } from '../../../fields/value-field';
import { keptRows, keptSentence, keyName, moodSentence, readSentence, sceneName, spotWarning } from './bench-words';
import { CHANGE_WORDS } from '../../../words/set-up/light-changes';
import { entryCodec } from '../../../fields/codec';
import { mediumName, PATTERN_WORDS } from '../../../words/set-up/metering';
import { BenchState, OWN_STOP, PHOTO, UNDER_SPOT } from './bench-state';
import { MeterState } from '../meter-state';

const percent = (share: number): string =>
  share === 0 ? '0' : share < 0.001 ? '< 0.1' : (100 * share).toFixed(share < 0.1 ? 1 : 0);

/** What a body's patterns make of a scene, what it should be, and what has to be dialled. */
@Component({
  selector: 'rd-bench-page',
  imports: [BenchPicture, ChoiceField, MatButtonModule, MatRadioModule, MatSliderModule, ToneHistogramChart, ValueField],
  providers: [BenchState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench-page.html',
  styleUrls: ['../page.scss', './bench-page.scss'],
})
export class BenchPage {
  protected readonly meter = inject(MeterState);
  protected readonly bench = inject(BenchState);
  protected readonly midGrey = MID_GREY;
  protected readonly toneCodec = entryCodec({ kind: 'stops', step: 'third' });

  protected readonly scenes = computed(() => {
    const photo = this.bench.photo();
    return [
      { value: OWN_STOP, label: 'This stop’s own frame' },
      ...BUILT_IN_SCENES.map((scene) => ({ value: scene.id, label: sceneName(scene) })),
      ...(photo === null ? [] : [{ value: PHOTO, label: photo.name }]),
    ];
  });
  protected readonly keys = computed(() => {
    return [
      ...this.bench.keys().map((key, place) => ({ value: String(place), label: keyName(key) })),
      { value: UNDER_SPOT, label: 'what lies under the spot' },
    ];
  });
  protected readonly keyWords = computed(() => {
    const place = this.bench.keyShown();
    const own = place === UNDER_SPOT ? undefined : this.bench.keys()[place];
    return own === undefined ? 'what lies under the spot' : keyName(own);
  });

  protected readonly shown = computed(() => {
    const [answer, card, wording] = [this.bench.answer(), this.meter.card(), this.meter.wording()];
    const chosen = answer?.answers.find(({ pattern }) => pattern === this.bench.pattern());
    if (answer === null || chosen === undefined || card === null) return null;
    const { meterPatterns, markStep } = card.kit.body;
    const dialWords = (dial: Dialled): string => (dial.kind === 'byHand' ? 'by hand' : wording.stops(dial.ev, markStep));
    const read = readSentence(chosen, answer.key.exposureEv, wording);
    return {
      answer,
      number: dialWords(chosen.dial),
      isByHand: chosen.dial.kind === 'byHand',
      unrounded: `${chosen.compensationEv < 0 ? '−' : '+'}${Math.abs(chosen.compensationEv).toFixed(1)}`,
      read: `The ${PATTERN_WORDS[chosen.pattern]} pattern: ${read}.`,
      warning: spotWarning(chosen, this.keyWords()),
      patterns: answer.answers.map(({ pattern, dial, keyShare }) => ({
        pattern,
        name: PATTERN_WORDS[pattern],
        number: dialWords(dial),
        isOwn: meterPatterns.includes(pattern),
        share: keyShare === null ? '' : `${Math.round(100 * keyShare)} %`,
      })),
      isSomeOther: answer.answers.some(({ pattern }) => !meterPatterns.includes(pattern)),
      lost: this.meter.mediaAtHand().map(({ name, medium }, k) => ({
        name: name ?? mediumName(medium),
        white: percent(answer.lost[k]?.beyondWhite ?? 0),
        black: percent(answer.lost[k]?.beyondBlack ?? 0),
      })),
      histogram: `As it should be ${percent(answer.after.histogram.beyondWhite)} % of the frame are beyond white, ${percent(answer.after.histogram.beyondBlack)} % beyond black.`,
      kept: answer.kept === null ? null : { sentence: keptSentence(answer.kept), rows: keptRows(answer.kept) },
    };
  });
  protected readonly drawn = computed<PatternDrawn>(() => {
    const answer = this.bench.answer();
    const cells = { width: answer?.width ?? 3, height: answer?.height ?? 2 };
    return {
      pattern: this.bench.pattern(),
      spotRadius: spotRadius(cells),
      centreRadius: PATTERN_FIGURES.centreDiameter / 2,
      zonesAcross: ZONES_ACROSS,
      zonesDown: ZONES_DOWN,
      focusZones: focusZones(cells, this.bench.at() ?? answer?.at ?? { x: 0, y: 0 }),
    };
  });
  protected readonly changes = computed(() => {
    const scene = this.bench.scene();
    return scene === null || scene.changes === 'steady' ? null : CHANGE_WORDS[scene.changes];
  });
  protected readonly mood = computed(() => {
    const lights = this.bench.lights();
    return lights === null ? null : moodSentence(lights.kelvin, lights.labels, this.bench.whiteBalanceK());
  });

  protected chooseKey(value: string): void {
    this.bench.chooseKey(value === UNDER_SPOT ? UNDER_SPOT : Number(value));
  }

  protected pickPhoto(input: HTMLInputElement): void {
    const file = input.files?.[0];
    input.value = '';
    if (file !== undefined) void this.bench.usePhoto(file);
  }
}
