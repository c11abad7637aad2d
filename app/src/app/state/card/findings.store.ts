import { Injectable, inject } from '@angular/core';
import { type HomeQuestion, homeQuestion, type KitInHand } from '@roam-dial/core/plan';
import type { ApproachRow, FirstLimit, HomeState, LightLadder, WayOutResult } from '@roam-dial/core/setup';
import { isSameHand } from '@roam-dial/core/stop';
import { auditTime, distinctUntilChanged, filter, map, type Observable, of, startWith } from 'rxjs';
import { askLatest } from '../../workers/answers';
import { SetUpClient } from '../../workers/set-up/set-up.client';
import { type Card, CardStore, type NoCard } from './card.store';
import { ArrivalLights } from '../light/arrival-lights';
import { lightIndependentParts } from './search-cache';
import { settledWalk } from '../light/settled-walk';
import { shared } from '../../base/shared';

/** A slow answer with the card that it is about. */
export interface Finding<Answer> {
  readonly card: Card;
  readonly answer: Answer | null;
}

/** The home state, and the kit that it is set on: the walk's body and the first lens of the bag. */
export interface HomeFinding {
  readonly home: HomeState;
  readonly kit: KitInHand;
}

/** Slow questions are asked when the hand rests for a moment. */
const REST_MS = 60;

/** Whatever the hand does: a drag asks for nothing that does not depend on it. */
const isSameSearch = (a: Card, b: Card): boolean =>
  a.stop.id === b.stop.id &&
  a.cells === b.cells &&
  a.lensesInBag.length === b.lensesInBag.length &&
  a.lensesInBag.every((lens, k) => lens === b.lensesInBag[k]);
/** A ladder starts from where the hand is; a name or a note changes nothing of it. */
const isSameClimb = (a: Card, b: Card): boolean =>
  isSameSearch(a, b) && isSameHand(a.result.setUp.found.hand, b.result.setUp.found.hand);
const isCard = (state: Card | NoCard): state is Card => state.kind === 'card';

/** What takes a worker: the light ladder, the ways out, the approaches compared, the home state. */
@Injectable({ providedIn: 'root' })
export class FindingsStore {
  private readonly client = inject(SetUpClient);
  private readonly lights = new ArrivalLights();
  private readonly card$ = inject(CardStore).card$.pipe(filter(isCard));

  readonly ladder$: Observable<Finding<LightLadder>> = this.finding(
    (card) => this.client.ask({ kind: 'ladder', input: card.input, through: card.result.setUp.found.hand }),
    isSameClimb,
  );

  readonly waysOut$: Observable<Finding<readonly WayOutResult[]>> = this.finding(
    (card) => this.client.ask({ kind: 'waysOut', input: card.input, lenses: card.lensesInBag }),
    isSameSearch,
  );

  readonly approaches$: Observable<Finding<readonly ApproachRow[]>> = this.finding(
    (card) => this.client.ask({ kind: 'approaches', input: card.input }),
    isSameSearch,
  );

  readonly home$: Observable<HomeFinding | null> = settledWalk().pipe(
    map(({ workspace, walk, days }) => (walk === null ? null : homeQuestion(workspace, walk, days, this.lights.of))),
    distinctUntilChanged(isSameHome),
    askLatest((question) => (question === null ? of(null) : this.homeFor(question))),
    startWith(null),
    shared(),
  );

  /** At which light the chart of limits gets its first one; `focus` as the chart has it. */
  firstLimit({ input }: Card, focus: number | null): Observable<FirstLimit | null> {
    return this.client.ask({ kind: 'firstLimit', input, focus });
  }

  private homeFor({ stops, kit }: HomeQuestion): Observable<HomeFinding | null> {
    return this.client.ask({ kind: 'home', stops }).pipe(map((home) => (home === null ? null : { home, kit })));
  }

  private finding<Answer>(
    ask: (card: Card) => Observable<Answer | null>,
    isSame: (a: Card, b: Card) => boolean,
  ): Observable<Finding<Answer>> {
    return this.card$.pipe(
      distinctUntilChanged(isSame),
      auditTime(REST_MS),
      askLatest((card) => ask(card).pipe(map((answer) => ({ card, answer })))),
      shared(),
    );
  }
}

/** Whether a home state has the same to serve as before: what the hand does at a stop is no matter of it. */
function isSameHome(a: HomeQuestion | null, b: HomeQuestion | null): boolean {
  if (a === null || b === null) return a === b;
  const [before, after] = [a.stops, b.stops];
  return (
    before.length === after.length &&
    before.every(({ id, input }, k) => {
      const other = after[k];
      if (other?.id !== id || other.input.light.keyEv100 !== input.light.keyEv100) return false;
      const [parts, others] = [lightIndependentParts(input), lightIndependentParts(other.input)];
      return parts.length === others.length && parts.every((part, j) => part === others[j]);
    })
  );
}
