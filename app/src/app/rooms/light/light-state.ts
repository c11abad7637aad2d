import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type Building, shadowScene, type ShadowScene } from '@roam-dial/core/light';
import { lightFor, siteOf, type StopSite, type Street, streetAt } from '@roam-dial/core/plan';
import type { Stop, StopLight } from '@roam-dial/core/stop';
import { asideOfMiddleM, type District, type Site, type StreetShape, streetShape } from '@roam-dial/core/streets';
import type { Walk } from '@roam-dial/core/walk';
import { CardStore } from '../../state/card/card.store';
import { DaysStore } from '../../state/light/days.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';

/** Buildings farther than this neither cut nor shade the drawing of a street. */
const DRAWN_WITHIN_M = 220;

function near(buildings: readonly Building[], { eastM, northM }: Pick<Site, 'eastM' | 'northM'>): readonly Building[] {
  return buildings.filter(({ footprint }) =>
    footprint.some(([x, y]) => Math.abs(x - eastM) < DRAWN_WITHIN_M && Math.abs(y - northM) < DRAWN_WITHIN_M),
  );
}

/** An edit elsewhere makes no new site: its buildings are not prepared for rays again. */
function isSameSite(a: StopSite, b: StopSite): boolean {
  if (a.kind === 'none' || b.kind === 'none') return a.kind === b.kind;
  if (a.kind === 'section' || b.kind === 'section') return JSON.stringify(a) === JSON.stringify(b);
  const [one, other] = [a.site, b.site];
  return a.district === b.district && one.eastM === other.eastM && one.northM === other.northM && one.groundM === other.groundM;
}

/** A street as the stop's own fields have it, where its walls do not say. */
function statedShape({ streetAxisDeg, streetWidthM, pavement, section }: Stop): StreetShape {
  const leftM = streetWidthM / 2 + asideOfMiddleM(pavement, streetWidthM);
  return {
    axisDeg: streetAxisDeg,
    widthM: streetWidthM,
    leftM,
    leftHeightM: section?.leftHeightM ?? 0,
    rightHeightM: section?.rightHeightM ?? 0,
  };
}

/** What all pages of the light room are about: the selected stop, its walls and its day at one minute. */
@Injectable()
export class LightState {
  private readonly days = toSignal(inject(DaysStore).days$);
  private readonly focus = toSignal(inject(CardStore).focus$);
  readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  readonly progress = toSignal(inject(DaysStore).progress$, { initialValue: null });
  readonly isStopped = toSignal(inject(DaysStore).isStopped$, { initialValue: false });
  readonly wording = wordingSignal();

  readonly walk = computed<Walk | null>(() => this.focus()?.walk ?? null);
  readonly stop = computed<Stop | null>(() => this.focus()?.stop ?? null);
  readonly minute = computed(() => this.focus()?.minuteOfDay ?? 0);
  readonly day = computed(() => this.days()?.get(this.stop()?.id ?? '') ?? null);

  /** Walls that somebody has drawn, or a gap of the sun that somebody has stated: what may be named as a reason. */
  readonly knowsWalls = computed(() => this.day()?.hasWalls === true || (this.stop()?.sunGap ?? null) !== null);

  readonly site = computed<StopSite>(
    () => {
      const [workspace, walk, stop] = [this.workspace(), this.walk(), this.stop()];
      return workspace === undefined || walk === null || stop === null ? { kind: 'none' } : siteOf(workspace, walk, stop);
    },
    { equal: isSameSite },
  );
  readonly district = computed<District | null>(() => {
    const walk = this.walk();
    return this.workspace()?.districts.find(({ id }) => id === walk?.districtId) ?? null;
  });
  readonly light = computed<StopLight | null>(() => {
    const [walk, stop] = [this.walk(), this.stop()];
    return walk === null || stop === null ? null : lightFor(walk, stop, this.minute(), this.day());
  });

  /** The buildings near the stop, prepared for rays; a change of time leaves it alone. */
  readonly surroundings = computed<{ site: Site; scene: ShadowScene; near: readonly Building[] } | null>(() => {
    const found = this.site();
    if (found.kind === 'none') return null;
    const buildings = near(found.site.buildings, found.site);
    return { site: found.site, scene: shadowScene({ buildings }), near: buildings };
  });
  /** The street that the map has where one stands; null where it shows none, or there is no map. */
  readonly street = computed<Street | null>(() => {
    const found = this.site();
    return found.kind === 'district' ? streetAt(found.district, found.site) : null;
  });
  /** The walls found round the stop; null where it is open on a side. */
  readonly foundShape = computed<StreetShape | null>(() => {
    const [around, street] = [this.surroundings(), this.street()];
    if (around === null) return null;
    const { eastM, northM } = around.site;
    return streetShape({ buildings: around.near, eastM, northM, ...(street === null ? {} : { axisDeg: street.axisDeg }) });
  });
  readonly shape = computed<StreetShape | null>(() => {
    const stop = this.stop();
    if (stop === null) return null;
    const found = this.foundShape();
    if (found === null) return statedShape(stop);
    const turn = (((found.axisDeg - stop.shootingBearingDeg) % 360) + 360) % 360;
    if (turn <= 90 || turn >= 270) return found;
    // Seen the way the camera looks: the other end of the axis, left and right exchanged.
    return {
      axisDeg: found.axisDeg + 180,
      widthM: found.widthM,
      leftM: found.widthM - found.leftM,
      leftHeightM: found.rightHeightM,
      rightHeightM: found.leftHeightM,
    };
  });
}
