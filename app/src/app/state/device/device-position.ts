import { Injectable } from '@angular/core';
import type { Place } from '@roam-dial/core/light';
import { BehaviorSubject, distinctUntilChanged, Observable, of, switchMap } from 'rxjs';
import { shared } from '../../base/shared';

export interface Position {
  readonly place: Place;
  readonly accuracyM: number;
}

/** What the device says of where it is: off until it is asked for, and never needed. */
export type DevicePosition =
  | { readonly kind: 'off' }
  | { readonly kind: 'looking' }
  | { readonly kind: 'known'; readonly position: Position }
  | { readonly kind: 'refused'; readonly message: string };

/** A watch that is ended by unsubscribing. */
function watched(): Observable<DevicePosition> {
  return new Observable((observer) => {
    observer.next({ kind: 'looking' });
    const id = navigator.geolocation.watchPosition(
      ({ coords: { latitude, longitude, accuracy } }) =>
        observer.next({ kind: 'known', position: { place: { latitude, longitude }, accuracyM: accuracy } }),
      ({ message }) => observer.next({ kind: 'refused', message }),
      { enableHighAccuracy: true, maximumAge: 5000 },
    );
    return () => navigator.geolocation.clearWatch(id);
  });
}

@Injectable({ providedIn: 'root' })
export class DevicePositionStore {
  private readonly isWanted = new BehaviorSubject(false);

  readonly position$: Observable<DevicePosition> = this.isWanted.pipe(
    distinctUntilChanged(),
    switchMap((isWanted) => (isWanted ? watched() : of<DevicePosition>({ kind: 'off' }))),
    shared(),
  );

  turn(isOn: boolean): void {
    this.isWanted.next(isOn && 'geolocation' in navigator);
  }

  /** Where it has been allowed before nobody has to be asked again. */
  async turnOnIfAllowed(): Promise<void> {
    const permission = await navigator.permissions?.query({ name: 'geolocation' }).catch(() => null);
    if (permission?.state === 'granted') this.turn(true);
  }
}
