import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import { type Film, filmExposedAt, rollIso } from '@roam-dial/core/kit';
import { exposedBy, type FilmAnswer, filmAt, type FilmStop, indicesOf } from '@roam-dial/core/metering';
import { isSameValue } from '@roam-dial/core/units';
import { FilmChart } from './film-chart';
import { KitActions } from '../../../state/kit/actions';
import { FilmStore } from './film.store';
import { ChoiceField } from '../../../fields/choice-field';
import { counted } from '../../../words/counted';
import { filmIndexWords, pushWords } from '../../../words/set-up/film';
import type { Wording } from '../../../words/wording';
import { MeterState } from '../meter-state';

interface Chosen {
  readonly filmId: string;
  readonly index: number;
  readonly pushStops: number;
}

/** "+1.2": how far off, in stops. */
const offBy = (stops: number): string => `${stops < -0.05 ? '−' : stops > 0.05 ? '+' : ''}${Math.abs(stops).toFixed(1)}`;

const keyOf = ({ index, pushStops }: Pick<Chosen, 'index' | 'pushStops'>): string => `${index.toFixed(4)}/${pushStops}`;

/** A stop as film sees it: its light, what the roll holds of it, and how far off its worst is. */
function filmRow(
  stop: FilmStop,
  name: string,
  its: FilmAnswer['stops'][number] | undefined,
  { film, answer, wording }: { readonly film: Film; readonly answer: FilmAnswer; readonly wording: Wording },
) {
  const { id, lowEv, highEv } = stop;
  const [exposedFrom, exposedTo] = exposedBy(stop, film, answer.index);
  return {
    ...{ id, name, lowEv, highEv, exposedFrom, exposedTo },
    isOutside: its?.isOutside === true,
    pairs: its?.pairsAtMean ?? 0,
    error: its === undefined ? '' : offBy(its.worstErrorEv),
    words: `${name}: EV ${wording.ev(lowEv)} to ${wording.ev(highEv)}`,
  };
}

function outsideWords(rows: readonly ReturnType<typeof filmRow>[]): string {
  const outside = rows.filter(({ isOutside }) => isOutside);
  if (outside.length === 0) return `All ${rows.length} stops are within it.`;
  return `${counted(outside.length, 'stop falls', 'stops fall')} outside: ${outside.map(({ name }) => name).join(', ')}.`;
}

/** The best that a roll can be exposed at; none for one that was not ranked. */
function bestOf(film: Film, ranked: readonly FilmAnswer[], wording: Wording) {
  return ranked
    .filter(({ filmId }) => filmId === film.id)
    .slice(0, 1)
    .map((its) => ({
      id: film.id,
      head: filmIndexWords(film, its, wording),
      push: pushWords(its.pushStops),
      outside: its.outside,
      worth: Math.round(100 * its.worth),
      best: its,
    }));
}

/** Which roll for this walk, exposed at what: the stops that fall outside, and what is left at each. */
@Component({
  selector: 'rd-film-page',
  imports: [ChoiceField, FilmChart, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './film-page.html',
  styleUrls: ['../page.scss', './film-page.scss'],
})
export class FilmPage {
  protected readonly meter = inject(MeterState);
  private readonly kitActions = inject(KitActions);
  private readonly finding = toSignal(inject(FilmStore).finding$);
  /** Null: the best. */
  private readonly picked = signal<Chosen | null>(null);

  protected readonly films = computed(() => this.finding()?.question.films ?? null);
  protected readonly isWorking = computed(() => this.finding() === undefined || this.finding()?.found === null);

  protected readonly page = computed(() => {
    const [finding, wording, picked] = [this.finding(), this.meter.wording(), this.picked()];
    const found = finding?.found ?? null;
    const best = found?.ranked[0];
    if (finding == null || found === null || best === undefined || found.stops.length === 0) return null;
    const { films } = finding.question;
    const film = films.find(({ id }) => id === picked?.filmId) ?? films.find(({ id }) => id === best.filmId);
    if (film === undefined) return null;
    const answer = picked?.filmId === film.id ? filmAt(found.stops, film, picked.index, picked.pushStops) : best;
    const nameOf = (id: string): string => finding.question.stops.find((stop) => stop.id === id)?.name || 'A stop';
    const rows = found.stops.map((stop, k) => filmRow(stop, nameOf(stop.id), answer.stops[k], { film, answer, wording }));
    return {
      film,
      answer,
      rows,
      head: filmIndexWords(film, answer, wording),
      push: pushWords(answer.pushStops),
      outside: outsideWords(rows),
      isAsLoaded: isSameValue(rollIso(film), answer.index) && film.pushStops === answer.pushStops,
      indices: indicesOf(film).map((one) => ({
        value: keyOf(one),
        label: `${wording.iso(one.index, 'third')}${one.pushStops === 0 ? '' : ', ' + pushWords(one.pushStops)}`,
      })),
      index: keyOf(answer),
      bests: films.flatMap((one) => bestOf(one, found.ranked, wording)),
    };
  });

  protected pick({ filmId, index, pushStops }: FilmAnswer): void {
    this.picked.set({ filmId, index, pushStops });
  }

  protected pickIndex(film: Film, value: string): void {
    const found = indicesOf(film).find((one) => keyOf(one) === value);
    if (found !== undefined) this.picked.set({ filmId: film.id, ...found });
  }

  /** The roll is exposed so from now on; every card of a film body follows. */
  protected load(film: Film, { index, pushStops }: FilmAnswer): void {
    this.kitActions.change(film, (item) => (item.kind === 'film' ? filmExposedAt(item, index, pushStops) : item));
  }
}
