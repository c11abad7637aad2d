import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
  ViewEncapsulation,
} from '@angular/core';
import type { SunPosition } from '@roam-dial/core/light';
import { type Outline, shadowPolygons, type Tree, type Way } from '@roam-dial/core/streets';
import * as L from 'leaflet/dist/leaflet-src.esm.js';
import { giveKeys, heldIn, holdAgain } from './marker-keys';
import { putDownByKey } from './put-down';
import { MOST_SHADOWED, type PlanBuilding, type PlanLeg, type PlanStop, type PlanZone, type ZoneMove } from './plan-parts';
import { legLayers, streetLayers, streetNames, treeLayers } from './plan-lines';
import { bearingBetween, litBorder, litStrips, placeFrom, zoneArc } from './street-plan.layers';
import { zoneHandle } from './zone-handle';

/** How far the wedge of a look reaches on the plan. */
const WEDGE_M = 14;
const LOOK_M = 8;
/** Shadows of buildings farther than this are not drawn. */
const SHADOWS_WITHIN_M = 260;
const NUDGE_M = 1;
const TURN_DEG = 5;
/** Pixels a metre are two to the zoom: closer than this the ends of a zone lie apart. */
const ZONE_FROM_ZOOM = 2;
const CLOSE_ZOOM = 3.5;

/** Sheets over one another, from the ground up: each is redrawn alone and keeps its place. */
const SHEETS = { ground: 401, shadows: 402, streets: 403, buildings: 404, light: 405 } as const;
const NAMES_Z = 406;
type Sheet = keyof typeof SHEETS;

const toLatLng = ([eastM, northM]: readonly [number, number]): L.LatLngTuple => [northM, eastM];

/** The district from above: footprints, shadows now, the lit ground before the camera and where it moves; stops to drag and turn. */
@Component({
  selector: 'rd-street-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  template: `
    <div #map class="rd-plan" role="group" [attr.aria-label]="label()"></div>
    <p class="rd-plan-words">{{ sentence() }}</p>
  `,
  styleUrls: ['../../../../../node_modules/leaflet/dist/leaflet.css', './street-plan.scss'],
})
export class StreetPlan {
  readonly buildings = input.required<readonly PlanBuilding[]>();
  readonly trees = input<readonly Tree[]>([]);
  readonly waters = input<readonly Outline[]>([]);
  readonly ways = input<readonly Way[]>([]);
  readonly sun = input<SunPosition | null>(null);
  readonly stops = input<readonly PlanStop[]>([]);
  /** Lit cells of the selected stop's ground, now and half an hour later. */
  readonly litNow = input<Uint8Array | null>(null);
  readonly litSoon = input<Uint8Array | null>(null);
  readonly picked = input<ReadonlySet<string>>(new Set());
  readonly canPick = input(false);
  readonly legs = input<readonly PlanLeg[]>([]);
  /** The selected stop's zone, to be dragged; null where it is not. */
  readonly zone = input<PlanZone | null>(null);
  /** All stops in view, instead of the selected one close by. */
  readonly isWhole = input(false);
  /** A change of this brings the selected stop, or all of them, back into view. */
  readonly focusKey = input('');
  readonly theme = input('light');
  /** Whether `a` puts a stop down, as a tap does. */
  readonly takesKey = input(false);
  readonly label = input('Plan of the district');
  readonly sentence = input('');

  /** A tap on anything but a handle or a building to choose. */
  readonly tapped = output<{ readonly eastM: number; readonly northM: number }>();
  readonly stopMoved = output<{ readonly id: string; readonly eastM: number; readonly northM: number }>();
  readonly stopTurned = output<{ readonly id: string; readonly bearingDeg: number }>();
  readonly zoneMoved = output<ZoneMove>();
  readonly stopChosen = output<string>();
  readonly buildingPicked = output<string>();

  private readonly host = viewChild.required<ElementRef<HTMLElement>>('map');
  private readonly map = signal<L.Map | null>(null);
  private readonly renderers = new Map<Sheet, L.Renderer>();
  private readonly layers = {
    ground: L.layerGroup(),
    streets: L.layerGroup(),
    names: L.layerGroup(),
    shadows: L.layerGroup(),
    buildings: L.layerGroup(),
    light: L.layerGroup(),
    stops: L.layerGroup(),
  };
  private readonly zoom = signal(0);
  private centredOn: string | null = null;
  private resizing: ResizeObserver | null = null;
  private forgetKey: () => void = () => undefined;

  constructor() {
    afterNextRender(() => this.open());
    inject(DestroyRef).onDestroy(() => this.close());
    this.draws(this.layers.ground, () => this.groundLayers());
    this.draws(this.layers.streets, () => this.streetLayers());
    this.draws(this.layers.names, () => streetNames(this.ways(), 2 ** this.zoom()));
    this.draws(this.layers.shadows, () => this.shadowLayers());
    this.draws(this.layers.light, () => this.lightLayers());
    this.draws(this.layers.buildings, () => this.buildingLayers());
    this.draws(this.layers.stops, () => this.stopLayers());
    effect(() => this.centre());
  }

  private open(): void {
    const map = L.map(this.host().nativeElement, {
      crs: L.CRS.Simple,
      attributionControl: false,
      zoomControl: false,
      // An animation would outlive a plan that is left, and explains nothing here.
      zoomAnimation: false,
      fadeAnimation: false,
      zoomSnap: 0.25,
      minZoom: -4,
      maxZoom: 6,
    });
    for (const [sheet, zIndex] of Object.entries(SHEETS) as [Sheet, number][]) {
      const pane = map.createPane(sheet);
      pane.style.zIndex = String(zIndex);
      // Only buildings are chosen by a tap; the sheet over them must not catch it.
      if (sheet !== 'buildings') pane.style.pointerEvents = 'none';
      this.renderers.set(sheet, L.canvas({ pane: sheet, padding: 0.3 }));
    }
    map.createPane('names').style.zIndex = String(NAMES_Z);
    map.setView([0, 0], 1);
    L.control.zoom({ zoomInTitle: 'Nearer', zoomOutTitle: 'Farther' }).addTo(map);
    L.control.scale({ imperial: false, maxWidth: 80 }).addTo(map);
    for (const layer of Object.values(this.layers)) layer.addTo(map);
    const put = ({ lat, lng }: L.LatLng): void => this.tapped.emit({ eastM: lng, northM: lat });
    map.on('click', ({ latlng }) => put(latlng));
    this.forgetKey = putDownByKey(map, () => this.takesKey(), put);
    map.on('zoomend', () => this.zoom.set(map.getZoom()));
    this.map.set(map);
    // A column that grows or goes beside it leaves less room: the middle stays in the middle.
    this.resizing = new ResizeObserver(() => map.invalidateSize({ animate: false }));
    this.resizing.observe(this.host().nativeElement);
  }

  /** What is still to be redrawn is, in the next frame; only then goes what draws it, or the drawing would fail. */
  private close(): void {
    const map = this.map();
    if (map === null) return;
    this.map.set(null);
    this.resizing?.disconnect();
    this.forgetKey();
    for (const layer of Object.values(this.layers)) layer.clearLayers();
    requestAnimationFrame(() => {
      for (const renderer of this.renderers.values()) renderer.remove();
      map.remove();
    });
  }

  /** Redraws one group when what it shows changes, and when the theme does. */
  private draws(group: L.LayerGroup, layersOf: () => readonly L.Layer[]): void {
    effect(() => {
      this.theme();
      if (this.map() === null) return;
      const layers = layersOf();
      const held = heldIn(this.host().nativeElement);
      group.clearLayers();
      for (const layer of layers) layer.addTo(group);
      holdAgain(this.host().nativeElement, held);
    });
  }

  private colour(token: string): string {
    return getComputedStyle(this.host().nativeElement).getPropertyValue(token).trim();
  }

  private on(sheet: Sheet): L.PathOptions {
    const renderer = this.renderers.get(sheet);
    return renderer === undefined ? { pane: sheet } : { pane: sheet, renderer };
  }

  private polygon(sheet: Sheet, outlines: readonly Outline[], options: L.PolylineOptions): L.Polygon {
    return L.polygon(
      outlines.map((outline) => [outline.map(toLatLng)]),
      { ...this.on(sheet), stroke: false, fillOpacity: 1, interactive: false, ...options },
    );
  }

  private groundLayers(): L.Layer[] {
    const water = this.polygon('ground', this.waters(), { fillColor: this.colour('--slate'), fillOpacity: 0.45 });
    const trees = treeLayers(this.trees(), { ...this.on('ground'), color: this.colour('--ink-soft') });
    return [water, ...trees];
  }

  private streetLayers(): readonly L.Layer[] {
    const colour = this.colour('--slate-line');
    return streetLayers(this.ways(), {
      ground: { ...this.on('streets'), color: colour, opacity: 0.45 },
      above: { ...this.on('light'), color: colour, opacity: 0.8 },
    });
  }

  private shadowLayers(): L.Layer[] {
    const sun = this.sun();
    const selected = this.stops().find(({ isSelected }) => isSelected);
    if (sun === null || sun.altitudeDeg <= 0) return [];
    const isAll = this.isWhole() && this.buildings().length <= MOST_SHADOWED;
    const near = this.buildings().filter(({ footprint: [first] }) => {
      if (first === undefined || isAll) return first !== undefined;
      return selected === undefined || Math.hypot(first[0] - selected.eastM, first[1] - selected.northM) < SHADOWS_WITHIN_M;
    });
    const outlines = near.flatMap((building) => shadowPolygons({ building, sun }));
    return [this.polygon('shadows', outlines, { fillColor: this.colour('--slate'), fillRule: 'nonzero' })];
  }

  private lightLayers(): L.Layer[] {
    const selected = this.stops().find(({ isSelected }) => isSelected);
    if (selected === undefined) return [];
    const [now, soon] = [this.litNow(), this.litSoon()];
    const layers: L.Layer[] = [];
    if (now !== null) layers.push(this.polygon('light', litStrips(now, selected), { fillColor: this.colour('--straw') }));
    if (soon !== null) {
      const lines = litBorder(soon, selected).map((line) => line.map(toLatLng));
      layers.push(
        L.polyline(lines, {
          ...this.on('light'),
          color: this.colour('--straw-line'),
          weight: 2,
          dashArray: '3 4',
          interactive: false,
        }),
      );
    }
    return layers;
  }

  private buildingLayers(): L.Layer[] {
    const [picked, canPick] = [this.picked(), this.canPick()];
    return this.buildings().map((building) => {
      const isPicked = picked.has(building.id);
      const isAssumed = building.heightSource === 'assumed';
      const layer = L.polygon(
        [building.footprint, ...(building.courtyards ?? [])].map((ring) => ring.map(toLatLng)),
        {
          ...this.on('buildings'),
          color: this.colour(isPicked ? '--mark' : '--slate-line'),
          weight: isPicked ? 3 : 1,
          fillColor: this.colour(isAssumed ? '--paper' : '--rule'),
          fillOpacity: (building.baseM ?? 0) > 0 ? 0.55 : 1,
          ...(isAssumed ? { dashArray: '4 3' } : {}),
          interactive: canPick,
        },
      );
      if (canPick) layer.on('click', () => this.buildingPicked.emit(building.id));
      return layer;
    });
  }

  private stopLayers(): L.Layer[] {
    const marks = this.stops().flatMap((stop) => [
      ...(stop.isSelected ? [...this.wedge(stop), ...this.zoneLayers(stop)] : [this.look(stop)]),
      this.marker(stop),
    ]);
    const style = { ...this.on('light'), color: this.colour('--ink') };
    return [...legLayers(this.legs(), style, this.colour('--mark')), ...marks];
  }

  /** The ends of the zone as arcs across the look, each with a handle on the axis. */
  private zoneLayers(stop: PlanStop): L.Layer[] {
    const zone = this.zone();
    if (zone === null || this.zoom() < ZONE_FROM_ZOOM) return [];
    return (['nearM', 'medianM', 'farM'] as const).flatMap((end) => {
      const distanceM = zone[end];
      if (!Number.isFinite(distanceM)) return [];
      const arc = zoneArc(stop, distanceM, stop.halfFieldDeg).map(toLatLng);
      const isMiddle = end === 'medianM';
      const style = { ...this.on('light'), color: this.colour('--mark'), weight: isMiddle ? 3 : 1.5, interactive: false };
      return [L.polyline(arc, style), zoneHandle(stop, end, distanceM, (to) => this.zoneMoved.emit({ end, distanceM: to }))];
    });
  }

  /** The way a stop is shot that is not the selected one. */
  private look(stop: PlanStop): L.Layer {
    const ends = [[stop.eastM, stop.northM] as const, placeFrom(stop, LOOK_M, 0)].map(toLatLng);
    return L.polyline(ends, { ...this.on('light'), color: this.colour('--ink'), weight: 1.5, interactive: false });
  }

  private wedge(stop: PlanStop): L.Layer[] {
    const edge = (turn: number): L.LatLngTuple =>
      toLatLng(placeFrom({ ...stop, shootingBearingDeg: stop.shootingBearingDeg + turn }, WEDGE_M, 0));
    const style = { ...this.on('light'), color: this.colour('--mark'), weight: 1.5, interactive: false };
    const here: L.LatLngTuple = [stop.northM, stop.eastM];
    const lines = L.polyline([edge(-stop.halfFieldDeg), here, edge(stop.halfFieldDeg)], style);
    const handle = L.marker(edge(0), {
      draggable: true,
      keyboard: true,
      title: `Turn ${stop.name}: ${Math.round(stop.shootingBearingDeg)}°`,
      icon: L.divIcon({ className: 'rd-turn', iconSize: [24, 24], html: '<span></span>' }),
    });
    handle.on('dragend', () => {
      const { lat, lng } = handle.getLatLng();
      this.stopTurned.emit({ id: stop.id, bearingDeg: Math.round(bearingBetween([stop.eastM, stop.northM], [lng, lat])) % 360 });
    });
    giveKeys(
      handle,
      `turn/${stop.id}`,
      `Turn ${stop.name}, now ${Math.round(stop.shootingBearingDeg)} degrees; arrows turn it`,
      (key, isFine) => {
        const by = (isFine ? 1 : TURN_DEG) * (key === 'ArrowRight' || key === 'ArrowUp' ? 1 : -1);
        this.stopTurned.emit({ id: stop.id, bearingDeg: (((stop.shootingBearingDeg + by) % 360) + 360) % 360 });
      },
    );
    return [lines, handle];
  }

  private marker(stop: PlanStop): L.Marker {
    const marker = L.marker([stop.northM, stop.eastM], {
      draggable: stop.isSelected,
      keyboard: true,
      title: stop.name,
      zIndexOffset: stop.isSelected ? 100 : 0,
      icon: L.divIcon({ className: `rd-stop${stop.isSelected ? ' here' : ''}`, iconSize: [24, 24], html: String(stop.number) }),
    });
    marker.on('click', () => {
      // A second tap goes close, to where its fan and its zone can be taken hold of.
      if (stop.isSelected) this.map()?.setView([stop.northM, stop.eastM], CLOSE_ZOOM, { animate: false });
      this.stopChosen.emit(stop.id);
    });
    marker.on('dragend', () => {
      const { lat, lng } = marker.getLatLng();
      this.stopMoved.emit({ id: stop.id, eastM: lng, northM: lat });
    });
    const words = stop.isSelected ? `${stop.name}: arrows move it a metre` : `Choose ${stop.name}`;
    giveKeys(marker, `stop/${stop.id}`, words, (key, isFine) => {
      if (!stop.isSelected) return;
      const by = isFine ? NUDGE_M / 4 : NUDGE_M;
      const [east, north] = { ArrowRight: [by, 0], ArrowLeft: [-by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[key] ?? [0, 0];
      this.stopMoved.emit({ id: stop.id, eastM: stop.eastM + (east ?? 0), northM: stop.northM + (north ?? 0) });
    });
    return marker;
  }

  private centre(): void {
    const map = this.map();
    const key = this.focusKey();
    const selected = this.stops().find(({ isSelected }) => isSelected);
    if (map === null || this.centredOn === key) return;
    const all = this.stops().map(({ eastM, northM }) => toLatLng([eastM, northM]));
    if (this.isWhole() && all.length > 1) map.fitBounds(L.latLngBounds(all).pad(0.15), { animate: false, maxZoom: 3 });
    else if (selected !== undefined) map.setView([selected.northM, selected.eastM], 3, { animate: false });
    else if (this.buildings().length > 0)
      map.fitBounds(L.latLngBounds(this.buildings().flatMap(({ footprint }) => footprint.map(toLatLng))));
    else return;
    this.centredOn = key;
  }
}
