import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import { caresOf } from '@roam-dial/core/plan';
import { stopsToday, type Walk } from '@roam-dial/core/walk';
import { WalkActions } from '../../state/walk/walk.actions';
import { CardStore } from '../../state/card/card.store';
import { DaysStore } from '../../state/light/days.store';
import { HomeCheckStore } from '../../state/walk/home-check';
import { LegsStore } from '../../state/walk/legs.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { SightPicture } from '../../shared/sight-picture';
import { ArrivalSights } from '../../state/sight/arrival-sights.store';
import { sightSentences } from '../../words/sight';
import { PageTabs } from '../../ui/page-tabs';
import { TextField } from '../../fields/text-field';
import { CARE_WORDS } from '../../words/walk/care';
import { nameOf } from '../../words/name';
import { WALK_FACES } from '../../words/walk/walk-faces';
import { WalkFiles } from '../../shared/files/walk-files';
import { bagList, itinerary, rideSentence, sunSentence } from './itinerary';

/** One page to go through and to print: the day, what to take, the home state, what needs care, the rules, the ways home. */
@Component({
  selector: 'rd-before-setting-off',
  imports: [MatButtonModule, MatCheckboxModule, PageTabs, RouterLink, SightPicture, TextField, WalkFiles],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './before-setting-off.html',
  styleUrl: './before-setting-off.scss',
})
export class BeforeSettingOff {
  private readonly walkActions = inject(WalkActions);
  private readonly focus = toSignal(inject(CardStore).focus$);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly days = toSignal(inject(DaysStore).days$);
  private readonly legs = toSignal(inject(LegsStore).legs$, { initialValue: [] });
  private readonly homeCheck = inject(HomeCheckStore);
  protected readonly home = toSignal(this.homeCheck.home$, { initialValue: null });
  private readonly wording = wordingSignal();

  private readonly sights = toSignal(inject(ArrivalSights).sights$);
  protected readonly faces = WALK_FACES;
  protected readonly walk = computed(() => this.focus()?.walk ?? null);
  protected readonly hasStops = computed(() => stopsToday(this.walk() ?? { stops: [] }).length > 0);
  protected readonly head = computed(() => {
    const [walk, wording] = [this.walk(), this.wording()];
    if (walk === null) return '';
    const metres = this.legs().reduce((sum, { distanceM }) => sum + distanceM, 0);
    const place = walk.place.isInvented ? 'invented place' : walk.place.name;
    const said = [sunSentence(walk, wording), `${wording.walkLength(metres)} on foot.`, rideSentence(walk, wording)];
    return `${wording.day(walk.day)} · ${place}. ${said.filter((one) => one !== '').join(' ')}`;
  });
  protected readonly lines = computed(() => {
    const [walk, sights, wording] = [this.walk(), this.sights(), this.wording()];
    if (walk === null) return [];
    return itinerary(walk, this.days() ?? new Map<string, null>(), this.legs(), this.home(), wording).map((line) => {
      const drawn = sights?.get(line.id) ?? null;
      return { ...line, drawn, sentence: drawn === null ? '' : sightSentences(drawn.facts, wording).join(' ') };
    });
  });
  /** What to mind, each once, with where it arises. */
  protected readonly cares = computed(() => {
    const walk = this.walk();
    if (walk === null) return [];
    const nameOfStop = (id: string): string => nameOf(walk.stops.find((stop) => stop.id === id) ?? { name: '' });
    return caresOf(walk).map(({ care, stopIds }) => ({ care, words: CARE_WORDS[care], where: stopIds.map(nameOfStop).join(', ') }));
  });
  protected readonly bag = computed(() => bagList(this.workspace()?.kit ?? []));

  protected tick(walk: Walk, id: string, isDone: boolean): void {
    this.homeCheck.tick(walk, id, isDone);
  }

  protected note(walk: Walk, part: 'rules' | 'waysHome', text: string): void {
    const name = part === 'rules' ? 'rules' : 'ways home';
    this.walkActions.adjust(walk, name, (one) => ({ ...one, [part]: text }));
  }

  protected print(): void {
    window.print();
  }
}
