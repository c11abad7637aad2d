import { PHONE_BELOW } from '../state/device/phone-layout';

export function isPhone(): boolean {
  return typeof matchMedia === 'function' && matchMedia(PHONE_BELOW).matches;
}
