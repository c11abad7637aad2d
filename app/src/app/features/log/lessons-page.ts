import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Body } from '@roam-dial/core';
import { handsLesson, isoLesson } from '@roam-dial/core/log';
import { KitActions } from '../../state/actions/kit.actions';
import { LogStore } from '../../state/log.store';
import { WorkspaceStore } from '../../state/workspace.store';
import { wordingSignal } from '../../state/wording.store';
import { handsWords, isoWords, type LessonWords } from '../../wording/lessons';

interface Line extends LessonWords {
  readonly id: string;
  readonly name: string;
  /** Null where there is nothing to take over. */
  readonly take: (() => void) | null;
}

/** What the frames of all walks say of the person's own figures, to be taken over one by one. */
@Component({
  selector: 'rd-lessons-page',
  imports: [MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lessons-page.html',
  styleUrl: './lessons-page.scss',
})
export class LessonsPage {
  private readonly kitActions = inject(KitActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly walked = toSignal(inject(LogStore).all$, { initialValue: [] });
  private readonly wording = wordingSignal();

  private readonly question = computed(() => {
    const workspace = this.workspace();
    return workspace === undefined ? null : { walked: this.walked(), kit: workspace.kit, standard: workspace.standard };
  });

  protected readonly lines = computed<readonly Line[]>(() => {
    const question = this.question();
    if (question === null) return [];
    const hands = handsLesson(question);
    const bodies = question.kit.filter((item): item is Body => item.kind === 'body' && item.medium === 'digital');
    return [
      {
        id: 'hands',
        name: 'Your hands',
        ...handsWords(hands),
        take: hands.kind === 'found' ? () => this.takeHands(hands.takes) : null,
      },
      ...bodies.map((body) => {
        const found = isoLesson(question, body);
        return {
          id: body.id,
          name: `ISO ceiling of ${body.name || 'a body without a name'}`,
          ...isoWords(found, this.wording()),
          take: found.kind === 'found' ? () => this.takeCeiling(body, found.takes) : null,
        };
      }),
    ];
  });

  private takeHands(taken: Extract<ReturnType<typeof handsLesson>, { kind: 'found' }>['takes']): void {
    this.kitActions.takeFit((standard) => ({ ...standard, ...taken }));
  }

  private takeCeiling({ id, name }: Body, iso: number): void {
    this.kitActions.takeCeiling(name, (standard) => ({
      ...standard,
      isoCeilingByBody: { ...standard.isoCeilingByBody, [id]: iso },
    }));
  }
}
