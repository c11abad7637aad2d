import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import {
  type Approach,
  type ApproachRow,
  bestCell,
  cameraResponse,
  type Hand,
  isoCeilingOf,
  placeOfCell,
  type ResponsePoint,
  type WayOut,
} from '@roam-dial/core';
import { ResponseChart, type ResponseWords } from '../../charts/response-chart';
import { ofKind } from '../../state/bag';
import type { Card } from '../../state/card.store';
import { scenes } from '../../state/card.store';
import { changeStop, changeWalk } from '../../state/edits';
import { FindingsStore } from '../../state/findings.store';
import { WorkspaceStore } from '../../state/workspace.store';
import { ChoiceField } from '../../ui/choice-field';
import {
  DEPTH_CHOICES,
  DEPTH_COSTS,
  EXPOSURE_CHOICES,
  EXPOSURE_COSTS,
  FOCUS_CHOICES,
  FOCUS_COSTS,
  SUPPORT_CHOICES,
  SUPPORT_COSTS,
} from '../../wording/approaches';
import { changeText } from '../../wording/changes';
import { limitWords } from '../../wording/limits';
import { ladderLines } from '../card';
import { handText, isoText } from './hand-bar';
import { homeChecks } from './home-checks';
import { RoomState } from './room-state';
import { takeWayOut, wayCost, wayText } from './ways-out';

const EV_TOP = 17;
const EV_FOOT = -3;
const THIRD = 1 / 3;
const EVS = Array.from({ length: (EV_TOP - EV_FOOT) * 3 + 1 }, (_, k) => EV_TOP - k * THIRD);

const DIMENSIONS = {
  exposure: { name: 'Exposure', choices: EXPOSURE_CHOICES, costs: EXPOSURE_COSTS },
  focus: { name: 'Focus', choices: FOCUS_CHOICES, costs: FOCUS_COSTS },
  depth: { name: 'Depth', choices: DEPTH_CHOICES, costs: DEPTH_COSTS },
  support: { name: 'Support', choices: SUPPORT_CHOICES, costs: SUPPORT_COSTS },
} as const;
type Dimension = keyof typeof DIMENSIONS;

/** As light goes: what the camera does, what the hand changes, the schools side by side, ways out, and the home state. */
@Component({
  selector: 'rd-light-page',
  imports: [ChoiceField, MatButtonModule, ResponseChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './light-page.html',
  styleUrls: ['./page.scss', './light-page.scss'],
})
export class LightPage {
  private readonly room = inject(RoomState);
  private readonly store = inject(WorkspaceStore);
  private readonly findings = inject(FindingsStore);
  private readonly ladder = toSignal(this.findings.ladder$);
  private readonly ways = toSignal(this.findings.waysOut$);
  private readonly approaches = toSignal(this.findings.approaches$);
  private readonly home = toSignal(this.findings.home$, { initialValue: null });
  protected readonly wording = this.room.wording;

  /** The approach drawn beside the stop's own; empty for none. */
  protected readonly besides = signal<Approach['exposure'] | ''>('bothHeld');

  protected readonly words = computed<ResponseWords>(() => {
    const wording = this.wording();
    const step = this.room.card()?.kit.body.markStep ?? 'third';
    return {
      shutter: (seconds) => wording.shutter(seconds, step),
      iso: (iso) => wording.iso(iso, step),
      ev: (ev100) => wording.ev(ev100),
      stops: (stops) => wording.stops(Math.round(stops * 3) / 3, 'third'),
    };
  });
  protected readonly besideChoices = computed(() => {
    const card = this.room.card();
    const own = card?.cells.scene.controls.exposure;
    const isFilm = card?.kit.body.medium === 'film';
    const others = EXPOSURE_CHOICES.filter(({ value }) => value !== own && (value === 'film') === isFilm);
    return [{ value: '' as const, label: 'nothing' }, ...others];
  });
  private readonly besideUsed = computed(() => {
    const wanted = this.besides();
    return this.besideChoices().some(({ value }) => value === wanted) ? wanted : '';
  });
  protected readonly beside = this.besideUsed;

  protected readonly response = computed(() => {
    const [card, place] = [this.room.card(), this.room.place()];
    if (card === null || place === null) return null;
    const labelOf = (exposure: Approach['exposure']): string =>
      EXPOSURE_CHOICES.find(({ value }) => value === exposure)?.label ?? exposure;
    const own = card.cells.scene.controls.exposure;
    return {
      first: { name: labelOf(own), points: cameraResponse(card.cells.scene, place, EVS) },
      second: this.secondPoints(),
      now: card.light.keyEv100,
      safeS: safeTimeS(card),
    };
  });
  /** Only the stop and the approach matter here, not the hand: a drag does not search the other approach again. */
  private readonly secondPoints = computed(() => {
    const [cells, beside] = [this.room.cells(), this.besideUsed()];
    if (cells === null || beside === '') return null;
    const { input } = cells.scene;
    const other = scenes.cellsOf({ ...input, approach: this.approachWith(input.approach, beside) });
    const points: readonly ResponsePoint[] = cameraResponse(other.scene, placeOfCell(other, bestCell(other).cell), EVS);
    return { name: EXPOSURE_CHOICES.find(({ value }) => value === beside)?.label ?? beside, points };
  });
  private readonly kept = new Map<string, { readonly from: Approach; readonly approach: Approach }>();

  /** The same object for the same approach, because searches are kept by identity. */
  private approachWith(from: Approach, exposure: Approach['exposure']): Approach {
    const known = this.kept.get(exposure);
    if (known?.from === from) return known.approach;
    const approach = { ...from, exposure };
    this.kept.set(exposure, { from, approach });
    return approach;
  }

  protected readonly rungs = computed(() => {
    const finding = this.ladder();
    const card = this.room.card();
    if (card === null || finding?.card.stop.id !== card.stop.id) return null;
    return ladderLines(finding.card, finding.answer, this.wording());
  });

  protected readonly tables = computed(() => {
    const finding = this.approaches();
    const card = this.room.card();
    if (card === null || finding?.card.stop.id !== card.stop.id || finding.answer === null) return null;
    const rows = finding.answer;
    return (Object.keys(DIMENSIONS) as Dimension[]).map((dimension) => ({
      dimension,
      name: DIMENSIONS[dimension].name,
      rows: rows.filter((row) => row.dimension === dimension).map((row) => this.approachRow(row, finding.card)),
    }));
  });

  private approachRow(row: ApproachRow, card: Card) {
    const { choices, costs } = DIMENSIONS[row.dimension];
    const wording = this.wording();
    const label = choices.find(({ value }) => value === row.value)?.label ?? row.value;
    const cost = (costs as Readonly<Record<string, string>>)[row.value]?.replace(/^Costs: /, '') ?? '';
    const head = { value: row.value, label, cost, isOnStop: row.isOnStop };
    if (row.kind === 'notWithThisBody')
      return { ...head, chance: '', set: 'not with this body', iso: '', fails: '', canUse: false };
    const { best, failsFirst } = row;
    return {
      ...head,
      chance: String(Math.round(best.chance * 100)),
      set: handText(best, card, wording),
      iso: isoText(best.camera.iso, card, wording),
      fails: failsFirst === null ? 'nothing' : `${limitWords(failsFirst.limit, card.input)} at EV ${wording.ev(failsFirst.ev100)}`,
      canUse: !row.isOnStop,
    };
  }

  protected readonly waysOut = computed(() => {
    const finding = this.ways();
    const card = this.room.card();
    if (card === null || finding?.card.stop.id !== card.stop.id || finding.answer === null) return null;
    const wording = this.wording();
    return finding.answer
      .filter(({ way }) => this.isAtHand(way))
      .map((one) => ({
        way: one.way,
        text: wayText(one.way, card, wording),
        before: Math.round(one.chanceBefore * 100),
        after: Math.round(one.chanceAfter * 100),
        cost: wayCost(one, wording),
      }));
  });

  /** A tripod that stays at home is no way out. */
  private isAtHand(way: WayOut): boolean {
    if (way.kind !== 'support' || way.support !== 'tripod') return true;
    return ofKind(this.room.workspace()?.kit ?? [], 'support').some(({ supportKind, inBag }) => supportKind !== 'wall' && inBag);
  }

  protected readonly homeView = computed(() => {
    const [home, card] = [this.home(), this.room.card()];
    const first = home?.stops[0];
    if (home === null || first === undefined || card === null) return null;
    const wording = this.wording();
    const nameOf = (id: string): string => card.walk.stops.find((stop) => stop.id === id)?.name ?? '';
    const ceiling = isoCeilingOf(card.kit.body, card.standard);
    const checked = new Set(card.walk.homeChecked ?? []);
    return {
      set: homeText(home.hand, first.atHome.camera.shutterS, card, wording),
      mean: Math.round(home.meanChance * 100),
      stops: home.stops.map(({ id, atHome, best, loss, changes }) => ({
        id,
        name: nameOf(id),
        atHome: Math.round(atHome.chance * 100),
        best: Math.round(best.chance * 100),
        loss: Math.round(loss * 100),
        changes: changes.map((change) => changeText(change, atHome.hand.fNumber, card.kit, wording)).join(', '),
      })),
      leftOut: home.leftOut.map(nameOf).join(', '),
      checks: homeChecks(home, card.kit, ceiling, wording).map((check) => ({ ...check, isDone: checked.has(check.id) })),
      isReady: homeChecks(home, card.kit, ceiling, wording).every(({ id }) => checked.has(id)),
    };
  });

  protected use(dimension: string, value: string): void {
    const card = this.room.card();
    if (card === null) return;
    this.store.edit(
      { label: `change the approach at ${card.stop.name}` },
      changeStop(card.walk.id, card.stop.id, ({ hand: _, ...stop }) => ({
        ...stop,
        approach: { ...card.input.approach, [dimension]: value },
      })),
    );
  }

  protected take(way: WayOut): void {
    const card = this.room.card();
    if (card !== null) this.store.edit({ label: `take a way out at ${card.stop.name}` }, takeWayOut(card, way));
  }

  private check(id: string, isDone: boolean): void {
    const card = this.room.card();
    if (card === null) return;
    const others = (card.walk.homeChecked ?? []).filter((one) => one !== id);
    this.tick(card, isDone ? [...others, id] : others);
  }

  protected tickFrom(event: Event, id: string): void {
    this.check(id, (event.target as HTMLInputElement).checked);
  }

  protected uncheckAll(): void {
    const card = this.room.card();
    if (card !== null) this.tick(card, []);
  }

  private tick({ walk }: Card, homeChecked: readonly string[]): void {
    this.store.edit(
      { label: 'tick the home state', mergeKey: `home/${walk.id}` },
      changeWalk(walk.id, (one) => ({ ...one, homeChecked })),
    );
  }
}

/** The slowest time at which half of the typical walkers, and half of the frames by these hands, are still good. */
function safeTimeS({ result }: Card): number | null {
  const { motionLimitS, shakeLimitS } = result.setUp.shutter;
  const limitS = Math.min(motionLimitS, shakeLimitS);
  return Number.isFinite(limitS) ? limitS : null;
}

function homeText(hand: Hand, cameraS: number, { kit }: Card, wording: ReturnType<RoomState['wording']>): string {
  const time = wording.shutter(hand.shutterS ?? cameraS, kit.body.markStep);
  const iso = hand.iso === null ? '' : `, ISO ${wording.iso(hand.iso, kit.body.markStep)}`;
  return `${wording.aperture(hand.fNumber, kit.lens.clickStep)}, ${wording.exactDistance(hand.focusM)}, ${time}${iso}`;
}
