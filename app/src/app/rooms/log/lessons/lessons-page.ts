import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Body, Standard } from '@roam-dial/core/kit';
import {
  guessLesson,
  handsLesson,
  isoLesson,
  legsWalked,
  type Lesson,
  type LessonQuestion,
  paceLesson,
  questionsOfStops,
  smearLesson,
  speedLesson,
  stepsLesson,
  tracksWalked,
} from '@roam-dial/core/log';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import type { Workspace } from '../../../storage/workspace';
import { KitActions } from '../../../state/kit/actions';
import { StopActions } from '../../../state/walk/stop.actions';
import { LogStore } from '../../../state/log/log.store';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { wordingSignal } from '../../../state/workspace/wording.store';
import {
  guessWords,
  handsWords,
  isoWords,
  type LessonWords,
  paceWords,
  smearWords,
  speedWords,
  stepsWords,
} from '../words/lessons';
import { nameOf } from '../../../words/name';

interface Line extends LessonWords {
  readonly id: string;
  readonly name: string;
  /** Null where there is nothing to take over. */
  readonly take: (() => void) | null;
}

interface Group {
  readonly name: string;
  readonly lines: readonly Line[];
}

/** No frame knows when somebody saw what it shows. */
const REACTION_WORDS = 'Frames only show when you shot, not when you saw the subject: set this under Kit.';

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
  private readonly stopActions = inject(StopActions);
  private readonly logs = inject(LogStore);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly teaching = toSignal(this.logs.teaching$, { initialValue: { walked: [], isExample: false } });
  protected readonly isExample = computed(() => this.teaching().isExample);
  private readonly shown = toSignal(this.logs.log$);
  private readonly wording = wordingSignal();

  protected readonly groups = computed<readonly Group[]>(() => {
    const workspace = this.workspace();
    if (workspace === undefined) return [];
    const question: LessonQuestion = { walked: this.teaching().walked, kit: workspace.kit, standard: workspace.standard };
    const walk = this.shown()?.walk ?? null;
    const byStop = questionsOfStops(question);
    const places = (walk?.stops ?? []).flatMap((stop) => {
      const own = byStop.get(stop.id);
      return walk === null || own === undefined ? [] : this.placeLines(own, walk, stop);
    });
    return [
      { name: 'You', lines: this.ownLines(question, workspace) },
      { name: 'Your bodies', lines: this.bodyLines(question) },
      { name: `Places on ${walk?.name ?? ''}`, lines: places },
    ].filter(({ lines }) => lines.length > 0);
  });

  private ownLines(question: LessonQuestion, workspace: Workspace): readonly Line[] {
    const logs = question.walked.map(({ log }) => log);
    const outings = workspace.outings.filter(({ walkId }) => this.isExample() === isDemoWalk(workspace, walkId));
    const legs = [...outings.flatMap((outing) => legsOf(workspace, outing)), ...tracksWalked(logs)];
    const [hands, guess, smear] = [handsLesson(question), guessLesson(question), smearLesson(question)];
    const pace = paceLesson(legs, question.standard);
    return [
      this.line('hands', 'Your hands', handsWords(hands), hands, 'your steadiness'),
      this.line('smear', 'Motion blur you accept', smearWords(smear), smear, 'the smear you accept'),
      this.line('guess', 'Your distance guesses', guessWords(guess), guess, 'your guesses'),
      this.line('pace', 'Your walking pace', paceWords(pace), pace, 'your pace'),
      {
        id: 'reaction',
        name: 'Reaction time',
        figure: '',
        band: '',
        words: `${REACTION_WORDS} Current setting: ${question.standard.reactionS.toFixed(1)} s.`,
        take: null,
      },
    ];
  }

  private bodyLines(question: LessonQuestion): readonly Line[] {
    return question.kit
      .filter((item): item is Body => item.kind === 'body' && item.medium === 'digital')
      .map((body) => {
        const found = isoLesson(question, body);
        const name = `ISO ceiling of ${body.name || 'an unnamed body'}`;
        return this.line(body.id, name, isoWords(found, this.wording()), found, `the ISO ceiling of ${body.name}`);
      });
  }

  /** Of a place only what its frames say something of. */
  private placeLines(question: LessonQuestion, walk: Walk, stop: Stop): readonly Line[] {
    const [steps, speed] = [stepsLesson(question, stop), speedLesson(question, stop)];
    const line = <Takes>(
      found: Lesson<Takes>,
      name: string,
      words: LessonWords,
      change: (takes: Takes) => (one: Stop) => Stop,
    ): readonly Line[] => {
      const part = `${name.toLowerCase()} by its frames`;
      const take =
        found.kind === 'found' && !this.isExample()
          ? () => this.stopActions.adjust({ walk, stop }, part, change(found.takes))
          : null;
      return found.frames === 0 ? [] : [{ id: `${stop.id}/${name}`, name: `${name} at ${nameOf(stop)}`, ...words, take }];
    };
    return [
      ...line(steps, 'Distance of passers-by', stepsWords(steps, this.wording()), (subject) => (one) => ({ ...one, subject })),
      ...line(speed, 'Walking speed of passers-by', speedWords(speed), (movers) => (one) => ({ ...one, movers })),
    ];
  }

  private line(id: string, name: string, words: LessonWords, found: Lesson<Partial<Standard>>, what: string): Line {
    return {
      id,
      name,
      ...words,
      take: found.kind === 'found' && !this.isExample() ? () => this.kitActions.takeFromFrames(what, found.takes) : null,
    };
  }
}

function isDemoWalk({ walks }: Pick<Workspace, 'walks'>, walkId: string): boolean {
  return walks.some(({ id, isDemo }) => isDemo && id === walkId);
}

function legsOf({ walks }: Workspace, outing: Workspace['outings'][number]): ReturnType<typeof legsWalked> {
  return legsWalked(outing, walks.find(({ id }) => id === outing.walkId)?.stops ?? []);
}
