import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { apparentSun } from '@roam-dial/core/light';
import { isStreetOf, placedStop, type Street, withStreet } from '@roam-dial/core/plan';
import { litGroundAt, type Stop } from '@roam-dial/core/stop';
import { streetCut } from '@roam-dial/core/streets';
import { planStops } from '../../../drawing/street-plan/plan-stops';
import type { PlanStop } from '../../../drawing/street-plan/plan-parts';
import { StreetPlan } from '../../../drawing/street-plan/street-plan';
import { StreetSectionDrawing } from './street-section';
import { StopActions } from '../../../state/walk/stop.actions';
import { SelectionStore } from '../../../state/selection/selection.store';
import { streetSentence } from '../../../words/walk/street';
import { missingWords, overlapWords, reasonWords, windowSpan } from '../../../words/windows';
import { LightState } from '../light-state';
import { figuresAt, lightCare } from '../light-words';
import { Term } from '../../../ui/term';
import { PartMissing } from '../../../ui/part-missing';

const SOON_MIN = 30;

/** The street at the stop, at one minute: in section, from above, and in figures. */
@Component({
  selector: 'rd-light-now',
  imports: [PartMissing, Term, StreetPlan, StreetSectionDrawing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './now-page.html',
  styleUrls: ['../../set-up/page.scss', '../figures.scss', './now-page.scss'],
})
export class NowPage {
  protected readonly room = inject(LightState);
  private readonly stopActions = inject(StopActions);
  private readonly selection = inject(SelectionStore);
  /** A stop that lies nowhere is placed by the first tap; one that lies somewhere, when that is asked for. */
  protected readonly isPlacing = linkedSignal(() => this.room.stop()?.position === null);

  protected readonly figures = computed(() => {
    const [stop, day, light] = [this.room.stop(), this.room.day(), this.room.light()];
    return stop === null || day === null || light === null
      ? []
      : figuresAt(stop, day, light, this.room.minute(), this.room.wording());
  });
  protected readonly care = computed(() => {
    const [stop, light] = [this.room.stop(), this.room.light()];
    return stop === null || light === null ? [] : lightCare(stop, light);
  });
  /** What is lit goes by where the air lifts the sun to. */
  protected readonly shownSun = computed(() => {
    const light = this.room.light();
    return light === null ? null : apparentSun(light.sun);
  });
  protected readonly cut = computed(() => {
    const [around, shape, light] = [this.room.surroundings(), this.room.shape(), this.room.light()];
    if (around === null || shape === null || light === null) return null;
    const { eastM, northM, groundM = 0 } = around.site;
    return streetCut({ scene: around.scene, eastM, northM, groundM, shape, sun: apparentSun(light.sun) });
  });
  /** No wall on one side at least: there is little to be drawn to scale. */
  protected readonly isOpenStreet = computed(() => this.room.foundShape() === null);
  protected readonly windows = computed(() =>
    (this.room.day()?.windows ?? []).map((window) => ({
      ...window,
      span: windowSpan(window, this.room.wording()),
      peak: Math.round(100 * window.peakQuality),
      opensWords: reasonWords(window.opens, this.room.knowsWalls()).opens,
      closesWords: reasonWords(window.closes, this.room.knowsWalls()).closes,
      best: window.bestMin === null ? '' : `Best hour around ${this.room.wording().clock(window.bestMin)}. `,
      either: overlapWords(window, this.room.day()?.windows ?? [], this.room.wording()),
      isNow: window.fromMin <= this.room.minute() && this.room.minute() <= window.toMin,
    })),
  );
  /** What failed on a day without windows. */
  protected readonly missing = computed(() => {
    const missing = this.room.day()?.missing ?? null;
    return missing === null ? '' : missingWords(missing, this.room.wording());
  });
  protected readonly marks = computed(() =>
    (this.room.day()?.duskBalance ?? []).map((window) => windowSpan(window, this.room.wording())).join(' and '),
  );

  protected readonly planStops = computed<readonly PlanStop[]>(() => {
    const [district, walk, workspace, selected] = [this.room.district(), this.room.walk(), this.room.workspace(), this.room.stop()];
    if (district === null || walk === null || workspace === undefined) return [];
    return planStops(walk, district, workspace.kit, selected?.id ?? null);
  });
  protected readonly litNow = computed(() => this.litAt(this.room.minute()));
  protected readonly litSoon = computed(() => this.litAt(this.room.minute() + SOON_MIN));
  protected readonly planSentence = computed(() => {
    const [now, soon] = [this.litNow(), this.litSoon()];
    if (now === null) return 'Footprints, and shadows at this minute.';
    const [here, later] = [now, soon ?? now].map((lit) => lit.reduce((sum, cell) => sum + cell, 0));
    if (here === 0 && later === 0) return 'No lit ground in view now, nor in half an hour.';
    if (here === 0) return 'No lit ground in view now; in half an hour where the dashes run.';
    return `Straw: the lit ground in view now. Dashed: where it is in half an hour${later === 0 ? ', which is nowhere' : ''}.`;
  });
  protected readonly theme = computed(() => this.room.workspace()?.settings.theme ?? 'light');
  /** What the map says the street is, where the stop has it otherwise. */
  protected readonly proposal = computed(() => {
    const [stop, street] = [this.room.stop(), this.room.street()];
    if (stop === null || street === null || isStreetOf(stop, street)) return null;
    return { street, sentence: streetSentence(street, this.room.wording()) };
  });

  protected go(minute: number): void {
    this.selection.setMinute(minute);
  }

  protected choose(stopId: string): void {
    const walk = this.room.walk();
    const stop = walk?.stops.find(({ id }) => id === stopId);
    if (walk !== null && stop !== undefined && stop.id !== this.room.stop()?.id) {
      this.selection.selectStop(walk.id, stop.id, stop.arriveMin);
    }
  }

  protected tap(at: { eastM: number; northM: number }): void {
    const stop = this.room.stop();
    if (stop === null || !this.isPlacing()) return;
    this.isPlacing.set(false);
    this.move({ id: stop.id, ...at });
  }

  /** The plan goes to another stop, and to one that is put down. */
  protected readonly planKey = computed(() => {
    const stop = this.room.stop();
    return stop === null ? '' : `${stop.id}/${stop.position === null ? 'nowhere' : 'placed'}`;
  });

  protected move({ id, eastM, northM }: { id: string; eastM: number; northM: number }): void {
    const district = this.room.district();
    if (district === null) return;
    this.adjust(id, 'place', (stop) => placedStop(district, stop, { eastM, northM }));
  }

  protected turn({ id, bearingDeg }: { id: string; bearingDeg: number }): void {
    this.adjust(id, 'direction', (stop) => ({ ...stop, shootingBearingDeg: bearingDeg }));
  }

  protected takeStreet(street: Street): void {
    const stop = this.room.stop();
    if (stop !== null) this.adjust(stop.id, 'street', (one) => withStreet(one, street));
  }

  private litAt(minute: number): Uint8Array | null {
    const day = this.room.day();
    return day?.hasWalls !== true || minute >= day.keyEv100.length ? null : litGroundAt(day, minute);
  }

  private adjust(stopId: string, part: string, change: (stop: Stop) => Stop): void {
    const walk = this.room.walk();
    const stop = walk?.stops.find(({ id }) => id === stopId);
    if (walk !== null && stop !== undefined) this.stopActions.adjust({ walk, stop }, part, change);
  }
}
