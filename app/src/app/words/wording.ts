import type { Settings } from '@roam-dial/core/formats/archive';
import { formatEntry, type LengthUnit, type StopStep } from '@roam-dial/core/units';

/** Costly to make, and asked for at every change. */
const DAY_FORMAT = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'long', timeZone: 'UTC' });
const WEEKDAY_FORMAT = new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' });
const MINUTES_PER_HOUR = 60;
const HOURS_PER_DAY = 24;
const METRES_PER_MILE = 1609.344;
const METRES_PER_FOOT = 0.3048;
/** Shorter ways are told in metres, or feet. */
const METRES_FROM_KILOMETRES = 950;

/** Writes values the way this person reads them: metres or feet, 12 or 24 hours, marks by body and lens. */
export class Wording {
  readonly lengthUnit: LengthUnit;
  readonly clockStyle: Settings['clock'];

  constructor(private readonly settings: Pick<Settings, 'lengthUnit' | 'clock'>) {
    this.lengthUnit = settings.lengthUnit;
    this.clockStyle = settings.clock;
  }

  aperture(fNumber: number, step: StopStep): string {
    return formatEntry(fNumber, { kind: 'aperture', step });
  }

  shutter(seconds: number, step: StopStep): string {
    return seconds === Infinity ? 'any time' : formatEntry(seconds, { kind: 'shutter', step });
  }

  iso(iso: number, step: StopStep): string {
    return formatEntry(iso, { kind: 'iso', step });
  }

  /** Signed stops, as compensation is dialled. */
  stops(stops: number, step: StopStep): string {
    return formatEntry(stops, { kind: 'stops', step });
  }

  /** To the nearest third. */
  ev(ev100: number): string {
    return formatEntry(Math.round(ev100 * 3) / 3, { kind: 'ev', step: 'third' });
  }

  /** A readable rounding: two or three figures in metres, whole inches in feet. */
  distance(distanceM: number): string {
    if (this.lengthUnit === 'feet' || distanceM === Infinity || distanceM <= 0) return this.exactDistance(distanceM);
    return this.exactDistance(Number(distanceM.toPrecision(distanceM < 10 ? 2 : 3)));
  }

  exactDistance(distanceM: number): string {
    return formatEntry(distanceM, { kind: 'distance', unit: this.lengthUnit });
  }

  /** `2.1 to 5.4 m`, the unit once. */
  range(nearM: number, farM: number): string {
    const [near, far] = [this.distance(nearM), this.distance(farM)];
    return this.lengthUnit === 'metres' && farM !== Infinity ? `${near.replace(' m', '')} to ${far}` : `${near} to ${far}`;
  }

  /** `2.1–5.4` for a table's field. */
  shortRange(nearM: number, farM: number): string {
    return `${this.distance(nearM)}–${this.distance(farM)}`.replaceAll(' m', '');
  }

  walkLength(distanceM: number): string {
    const isNear = distanceM < METRES_FROM_KILOMETRES;
    if (isNear && this.lengthUnit === 'feet') return `${Math.round(distanceM / METRES_PER_FOOT / 50) * 50} ft`;
    if (isNear) return `${Math.round(distanceM / 10) * 10} m`;
    return this.lengthUnit === 'feet' ? `${(distanceM / METRES_PER_MILE).toFixed(1)} mi` : `${(distanceM / 1000).toFixed(1)} km`;
  }

  /** Of a walk's minute past midnight too: the wall shows no more than the time. */
  clock(minute: number): string {
    const hours = Math.floor(minute / MINUTES_PER_HOUR) % HOURS_PER_DAY;
    const minutes = String(minute % MINUTES_PER_HOUR).padStart(2, '0');
    if (this.settings.clock === '24h') return `${String(hours).padStart(2, '0')}:${minutes}`;
    return `${hours % 12 === 0 ? 12 : hours % 12}:${minutes} ${hours < 12 ? 'am' : 'pm'}`;
  }

  /** Fewer characters for a chart's axis. */
  hour(minute: number): string {
    const hours = Math.round(minute / MINUTES_PER_HOUR);
    if (this.settings.clock === '24h') return `${hours > HOURS_PER_DAY ? hours % HOURS_PER_DAY : hours}:00`;
    return `${hours % 12 === 0 ? 12 : hours % 12} ${hours % 24 < 12 ? 'am' : 'pm'}`;
  }

  duration(minutes: number): string {
    const whole = Math.round(minutes);
    if (whole < 90) return `${whole} min`;
    const rest = whole % MINUTES_PER_HOUR;
    return `${Math.floor(whole / MINUTES_PER_HOUR)} h${rest === 0 ? '' : ` ${rest} min`}`;
  }

  /** A chance is never quite certain. */
  chance(share: number): string {
    if (share > 0.99) return 'over 99 %';
    return share > 0 && share < 0.01 ? 'under 1 %' : this.percent(share);
  }

  percent(share: number): string {
    return `${Math.round(share * 100)} %`;
  }

  strides(distanceM: number, strideM: number): string {
    const thirds = Math.round((distanceM / strideM) * 3);
    if (distanceM === Infinity || thirds === 0) return '';
    const fraction = ['', '⅓', '⅔'][thirds % 3] as string;
    const whole = Math.floor(thirds / 3);
    return `${whole === 0 ? '' : whole}${fraction} ${thirds <= 3 ? 'stride' : 'strides'}`;
  }

  day(day: string): string {
    return DAY_FORMAT.format(new Date(`${day}T12:00:00Z`));
  }

  /** `Sun`: where two days meet. */
  weekday(day: string): string {
    return WEEKDAY_FORMAT.format(new Date(`${day}T12:00:00Z`));
  }
}
