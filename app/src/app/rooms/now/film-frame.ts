import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { type Body, bodyShutters, type Film, lensApertures } from '@roam-dial/core/kit';
import { exposedByCard, frameCounter, rollIn } from '@roam-dial/core/log';
import { momentOf } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { FilmActions } from '../../state/outing/film.actions';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { MarkWheel } from '../../ui/mark-wheel';
import { nearestIndex } from '../../ui/nearest-mark';
import { rollWords } from '../../words/set-up/film';
import { NowState } from './now-state';

/** A frame of film in three taps: it, what was set otherwise than the card says, and done. Stop and time come by themselves. */
@Component({
  selector: 'rd-film-frame',
  imports: [MarkWheel, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (roll(); as r) {
      <p class="roll">
        <strong class="figure">{{ r.isFull ? 'The roll is full' : 'Frame ' + r.next }}</strong>
        <span class="soft">{{ r.words }}</span>
      </p>
      @if (!r.isFull) {
        @if (marks(); as m) {
          <rd-mark-wheel
            label="Aperture of this frame"
            lessLabel="A wider aperture"
            moreLabel="A smaller aperture"
            [marks]="m.apertureTexts"
            [index]="m.apertureAt"
            (chosen)="changed.set({ fNumber: m.apertures[$event] ?? null, shutterS: changed().shutterS })"
          />
          <rd-mark-wheel
            label="Time of this frame"
            lessLabel="A slower time"
            moreLabel="A faster time"
            [marks]="m.shutterTexts"
            [index]="m.shutterAt"
            (chosen)="changed.set({ fNumber: changed().fNumber, shutterS: m.shutters[$event] ?? null })"
          />
        }
      }
      <div class="buttons">
        @if (r.isFull) {
          <button mat-flat-button type="button" class="main" (click)="isLoading.set(true)">New roll</button>
        } @else {
          <button mat-flat-button type="button" class="main" [disabled]="marks() === null" (click)="expose()">Exposed</button>
          <button mat-stroked-button type="button" (click)="isLoading.set(true)">New roll</button>
        }
        <button mat-button type="button" (click)="closed.emit()">Back</button>
      </div>
    } @else {
      <div class="choices" role="group" [attr.aria-label]="'Which film lies in ' + body().name">
        <p class="roll">Which film lies in {{ body().name || 'the film body' }}?</p>
        @for (film of films(); track film.id) {
          <button mat-stroked-button type="button" (click)="load(film)">{{ film.name || 'A film without a name' }}</button>
        }
        <button mat-stroked-button type="button" (click)="load(null)">Another one</button>
        <button mat-button type="button" (click)="closed.emit()">Back</button>
      </div>
    }
  `,
  styles: `
    .roll {
      display: flex;
      flex-wrap: wrap;
      gap: 0 10px;
      align-items: baseline;
      margin: 6px 0;
      strong {
        font-size: 1.25rem;
      }
    }
    rd-mark-wheel {
      margin-top: 4px;
    }
    .buttons {
      display: flex;
      gap: 6px;
      margin-top: 8px;
      button {
        flex: 1;
        min-height: 56px;
      }
      .main {
        flex: 1.4;
        font-size: 1.125rem;
      }
    }
    .choices {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 6px;
      .roll {
        grid-column: 1 / -1;
      }
      button {
        min-height: 48px;
      }
    }
  `,
})
export class FilmFrame {
  readonly stop = input.required<Stop>();
  readonly walk = input.required<Walk>();
  readonly body = input.required<Body>();
  readonly closed = output();

  private readonly state = inject(NowState);
  private readonly actions = inject(FilmActions);
  private readonly wording = wordingSignal();
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  protected readonly isLoading = signal(false);
  /** Set otherwise than the card says. */
  protected readonly changed = signal<{ readonly fNumber: number | null; readonly shutterS: number | null }>({
    fNumber: null,
    shutterS: null,
  });

  /** The roll in the body first, then what else lies in the bag. */
  protected readonly films = computed(() => {
    const films = (this.workspace()?.kit ?? []).filter((item): item is Film => item.kind === 'film');
    const packed = films.filter(({ inBag, id }) => inBag || id === this.body().filmId);
    return [...packed].sort((a, b) => Number(b.id === this.body().filmId) - Number(a.id === this.body().filmId));
  });
  private readonly loaded = computed(() => {
    const workspace = this.workspace();
    return workspace === undefined || this.isLoading() ? null : rollIn(workspace.logs, this.body().id);
  });
  protected readonly roll = computed(() => {
    const [roll, workspace] = [this.loaded(), this.workspace()];
    if (roll === null || workspace === undefined) return null;
    const next = frameCounter(workspace.frames, roll.id);
    const film = workspace.kit.find(({ id }) => id === roll.filmId)?.name ?? '';
    return { next, isFull: next > roll.frames, words: rollWords(roll, film, this.wording()) };
  });

  /** What the card would have set, or was chosen instead, on the marks of body and lens. */
  protected readonly marks = computed(() => {
    const [card, wording, changed] = [this.state.card(), this.wording(), this.changed()];
    if (card === null) return null;
    const used = exposedByCard(momentOf(card));
    const { lens, focalLengthMm } = card.kit;
    const apertures = lensApertures(lens, focalLengthMm);
    const shutters = [...bodyShutters(this.body())].sort((a, b) => b - a);
    return {
      used,
      apertures,
      shutters,
      apertureTexts: apertures.map((value) => wording.aperture(value, lens.clickStep)),
      shutterTexts: shutters.map((value) => wording.shutter(value, this.body().markStep)),
      apertureAt: nearestIndex(apertures, changed.fNumber ?? used.fNumber),
      shutterAt: nearestIndex(shutters, changed.shutterS ?? used.shutterS),
    };
  });

  protected async load(film: Film | null): Promise<void> {
    await this.actions.load(this.walk(), this.body(), film);
    this.isLoading.set(false);
  }

  protected async expose(): Promise<void> {
    const [roll, marks] = [this.loaded(), this.marks()];
    if (roll === null || marks === null) return;
    const fNumber = marks.apertures[marks.apertureAt] ?? marks.used.fNumber;
    const shutterS = marks.shutters[marks.shutterAt] ?? marks.used.shutterS;
    await this.actions.expose(this.stop(), this.body(), roll, { ...marks.used, fNumber, shutterS });
    this.closed.emit();
  }
}
