import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { readPlace } from '@roam-dial/core/walk';
import { DateTime } from 'luxon';
import { map, startWith } from 'rxjs';
import { cameraFrom, SENSORS } from '../../storage/cameras';
import { createId } from '../../storage/defaults';
import { GAZETTEER } from '../../storage/gazetteer';
import { zoneAt, zoneNames } from '../../base/zones';
import { DateField } from '../../fields/date-field';
import { isZone, ZoneField } from '../../fields/zone-field';
import { focusSoon, isFocusLost } from '../../ui/focus-soon';
import { WalkActions } from '../../state/walk/walk.actions';
import { MapDrop } from '../../reading/map-drop';
import { MapReading } from '../../reading/map-reading';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { nameOf } from '../../words/name';
import { MapFile } from '../../shared/map-file/map-file';
import { withinRange, isPlace, numberIn } from './checks';
import { kitChoices, likeliest } from './kit-choices';
import { byCoordinates, byMap, byName, NOT_LOCATED, type PlaceChosen, placeText } from './place-chosen';

const SATURDAY = 6;
const LOCATE_MS = 15_000;
/** Instead of a body in the kit: one that is described here. */
const ANOTHER = 'another';

/** How a walk begins: when, where and with what, each of which can be left open. */
@Component({
  selector: 'rd-start-page',
  imports: [
    MapFile,
    DateField,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatInputModule,
    ReactiveFormsModule,
    ZoneField,
  ],
  providers: [MapReading],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './start-page.html',
  styleUrl: './start-page.scss',
})
export class StartPage {
  private readonly actions = inject(WalkActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  protected readonly zones = zoneNames();
  private readonly destroyed = inject(DestroyRef);

  protected readonly form = new FormGroup({
    day: new FormControl<DateTime | null>(DateTime.local().startOf('day')),
    coordinates: new FormControl('', { nonNullable: true, validators: isPlace }),
    invented: new FormControl('', { nonNullable: true }),
    zone: new FormControl('', { nonNullable: true, validators: isZone }),
    bodyId: new FormControl('', { nonNullable: true }),
    lensId: new FormControl('', { nonNullable: true }),
    sensor: new FormControl<string>('36 × 24 mm', { nonNullable: true }),
    focalLength: new FormControl('35', { nonNullable: true, validators: withinRange('The focal length', 4, 1200) }),
    aperture: new FormControl('2', { nonNullable: true, validators: withinRange('The aperture', 0.7, 32) }),
    isStabilised: new FormControl(false, { nonNullable: true }),
    highestIso: new FormControl('12800', { nonNullable: true, validators: withinRange('The ISO', 100, 3_276_800) }),
  });
  private readonly values = toSignal(
    this.form.valueChanges.pipe(
      startWith(null),
      map(() => this.form.getRawValue()),
    ),
    {
      requireSync: true,
    },
  );

  protected readonly chosen = signal<PlaceChosen | null>(null);
  protected readonly problem = signal<string | null>(null);
  protected readonly isLocating = signal(false);
  /** A walk that began meanwhile would forget the file. */
  protected readonly isReadingMap = signal(false);
  protected readonly canLocate = 'geolocation' in navigator;
  protected readonly sensors = SENSORS;
  protected readonly places = GAZETTEER;
  protected readonly saturday = nextSaturday();

  private readonly kit = computed(() => this.workspace()?.kit ?? []);
  protected readonly bodies = computed(() => kitChoices(this.kit(), 'body'));
  protected readonly lenses = computed(() => kitChoices(this.kit(), 'lens'));
  protected readonly another = ANOTHER;
  /** The body and the lens to go out with, by id; null where another camera is described, or there is none. */
  private readonly goingWith = computed(() => {
    const { bodyId, lensId } = this.values();
    const body = bodyId === '' ? likeliest(this.kit(), 'body') : bodyId;
    const lens = lensId === '' ? likeliest(this.kit(), 'lens') : lensId;
    return bodyId === ANOTHER || body === null || lens === null ? null : { bodyId: body, lensId: lens };
  });
  protected readonly hasKit = computed(() => this.bodies().own.length + this.bodies().demo.length > 0);
  protected readonly asksCamera = computed(() => this.goingWith() === null);
  private readonly kitText = computed(() => {
    const going = this.goingWith();
    const named = (id: string | undefined): string => nameOf(this.kit().find((item) => item.id === id) ?? { name: '' }, 'unnamed');
    return going === null ? '' : `${named(going.bodyId)}, ${named(going.lensId)}`;
  });
  protected readonly whereText = computed(() => {
    const chosen = this.chosen();
    if (chosen === null) return null;
    const { by, place, name, district } = chosen;
    const what = { map: `the map “${name}”`, coordinates: 'your coordinates', device: 'where you are', invented: name }[by];
    const buildings = district === null ? '' : `, ${district.buildings.length} buildings`;
    return `${what.charAt(0).toUpperCase()}${what.slice(1)}: ${placeText(place)}${buildings}${by === 'invented' ? ', an invented place' : ''}.`;
  });
  /** What the walk will be, as far as it has been said. */
  protected readonly summary = computed(() => {
    const { day, zone } = this.values();
    const chosen = this.chosen();
    const when = day?.isValid === true ? day.setLocale('en-GB').toFormat('cccc d MMMM yyyy') : 'today';
    const where = chosen === null ? 'at Orrel, an invented place' : `at ${chosen.name}`;
    const clock =
      chosen === null || zone === '' || this.form.controls.zone.invalid ? '' : `, clocks of ${zone.replaceAll('_', ' ')}`;
    const { focalLength, aperture } = this.values();
    const isKnown = this.form.controls.focalLength.valid && this.form.controls.aperture.valid;
    const camera = isKnown ? `${numberIn(focalLength)} mm f/${numberIn(aperture)}` : 'a camera';
    return `${when}, ${where}${clock}, with ${this.asksCamera() ? camera : this.kitText()}.`;
  });

  constructor() {
    effect(() => {
      const { bodyId, lensId } = this.form.controls;
      const [body, lens] = [likeliest(this.kit(), 'body'), likeliest(this.kit(), 'lens')];
      if (bodyId.pristine && bodyId.value === '' && body !== null) bodyId.setValue(body);
      if (lensId.pristine && lensId.value === '' && lens !== null) lensId.setValue(lens);
    });
    // What was pressed to come here goes with the sides, when this page has come.
    focusSoon(() => (isFocusLost() ? document.querySelector<HTMLElement>('.start h1') : null));
    const reading = inject(MapReading);
    inject(MapDrop)
      .file$.pipe(takeUntilDestroyed())
      .subscribe((file) => reading.read(file));
    reading.state$.pipe(takeUntilDestroyed()).subscribe((state) => {
      this.isReadingMap.set(state.kind === 'reading');
      if (state.kind === 'read') void this.choose(byMap(state.district));
    });
    const { coordinates, invented } = this.form.controls;
    coordinates.valueChanges.pipe(takeUntilDestroyed()).subscribe((text) => {
      const read = readPlace(text);
      if (read.ok) void this.choose(byCoordinates(read.place, 'coordinates'));
      else if (this.chosen()?.by === 'coordinates') this.chosen.set(null);
    });
    invented.valueChanges.pipe(takeUntilDestroyed()).subscribe((name) => {
      const found = byName(name);
      if (found !== null) void this.choose(found);
      else if (this.chosen()?.by === 'invented') this.chosen.set(null);
    });
  }

  protected setDay(day: DateTime): void {
    this.form.controls.day.setValue(day);
  }

  protected setToday(): void {
    this.setDay(DateTime.local().startOf('day'));
  }

  /** Asks the device; the browser asks the person. */
  protected locate(): void {
    this.problem.set(null);
    this.isLocating.set(true);
    navigator.geolocation.getCurrentPosition(
      ({ coords: { latitude, longitude } }) => {
        this.isLocating.set(false);
        void this.choose(byCoordinates({ latitude, longitude }, 'device'));
      },
      ({ code }) => {
        this.isLocating.set(false);
        this.problem.set(NOT_LOCATED[code] ?? NOT_LOCATED[2] ?? null);
      },
      { enableHighAccuracy: true, timeout: LOCATE_MS },
    );
  }

  protected async begin(): Promise<void> {
    this.form.markAllAsTouched();
    if (this.isReadingMap()) {
      this.problem.set('The map file is still being read. Start when it is done, or stop reading it.');
      return;
    }
    const { controls } = this.form;
    const cameraFields = [controls.focalLength, controls.aperture, controls.highestIso];
    const asked = [controls.day, controls.coordinates, controls.zone, ...(this.asksCamera() ? cameraFields : [])];
    if (asked.some(({ invalid }) => invalid)) {
      this.problem.set('Some answers above need correcting; each says what is wrong.');
      return;
    }
    const { day } = this.form.getRawValue();
    const chosen = this.chosen() ?? (byName(GAZETTEER[0]?.name ?? '') as PlaceChosen);
    this.problem.set(
      await this.actions.begin({
        name: this.chosen()?.name ?? 'New walk',
        day: (day ?? DateTime.local()).toFormat('yyyy-MM-dd'),
        place: {
          ...chosen.place,
          name: chosen.name,
          timeZone: controls.zone.value || (chosen.timeZone ?? (await zoneAt(chosen.place))),
          isInvented: chosen.by === 'invented',
        },
        district: chosen.district,
        camera: this.asksCamera() ? this.camera() : [],
        goingWith: this.goingWith(),
      }),
    );
  }

  private camera(): ReturnType<typeof cameraFrom> {
    const { sensor, focalLength, aperture, isStabilised, highestIso } = this.form.getRawValue();
    const size = SENSORS.find(({ label }) => label === sensor) ?? SENSORS[2];
    return cameraFrom(
      {
        ...size,
        focalLengthMm: numberIn(focalLength),
        widestFNumber: numberIn(aperture),
        isStabilised,
        highestIso: Math.round(numberIn(highestIso)),
      },
      createId(),
      createId(),
    );
  }

  /** The last one said counts; the ways of saying it that it is not are emptied. */
  private async choose(chosen: PlaceChosen): Promise<void> {
    const { coordinates, invented, zone } = this.form.controls;
    if (chosen.by !== 'coordinates') coordinates.setValue('', { emitEvent: false });
    if (chosen.by !== 'invented') invented.setValue('', { emitEvent: false });
    this.problem.set(null);
    this.chosen.set(chosen);
    const timeZone = chosen.timeZone ?? (await zoneAt(chosen.place));
    if (!this.destroyed.destroyed && this.chosen() === chosen) zone.setValue(timeZone);
  }
}

/** The next one from tomorrow on. */
function nextSaturday(now = DateTime.local()): DateTime {
  const days = (SATURDAY - now.weekday + 7) % 7 || 7;
  return now.plus({ days }).startOf('day');
}
