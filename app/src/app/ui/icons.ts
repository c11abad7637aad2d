import { inject } from '@angular/core';
import { MatIconRegistry } from '@angular/material/icon';
import { DomSanitizer } from '@angular/platform-browser';
import { mdiCalendar, mdiChevronDown, mdiChevronLeft, mdiChevronRight, mdiDotsHorizontal } from '@mdi/js';

/** The icons there are, by what they stand for. */
const ICONS = {
  calendar: mdiCalendar,
  opens: mdiChevronDown,
  before: mdiChevronLeft,
  next: mdiChevronRight,
  more: mdiDotsHorizontal,
} as const;

/** Makes them known to `mat-icon`; their paths ship with the app. */
export function registerIcons(): void {
  const [registry, sanitizer] = [inject(MatIconRegistry), inject(DomSanitizer)];
  for (const [name, path] of Object.entries(ICONS)) {
    registry.addSvgIconLiteral(name, sanitizer.bypassSecurityTrustHtml(`<svg viewBox="0 0 24 24"><path d="${path}"/></svg>`));
  }
}
