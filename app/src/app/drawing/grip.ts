import { Directive, ElementRef, inject, output } from '@angular/core';

/** A place on a drawing, pixels from its left and top edge. */
export interface PlacePx {
  readonly xPx: number;
  readonly yPx: number;
}

/** Something on a drawing that a pointer takes hold of, drags and lets go; what it does meanwhile is nobody else's. */
@Directive({
  selector: '[rdGrip]',
  host: {
    '(pointerdown)': 'grab($event)',
    '(pointermove)': 'drag($event)',
    '(pointerup)': 'release()',
    '(pointercancel)': 'release()',
  },
})
export class Grip {
  readonly grabbed = output<PlacePx>();
  readonly dragged = output<PlacePx>();
  readonly released = output();

  private readonly element = inject<ElementRef<SVGElement>>(ElementRef).nativeElement;
  private isHeld = false;

  protected grab(event: PointerEvent): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    this.element.setPointerCapture(event.pointerId);
    this.isHeld = true;
    this.grabbed.emit(this.placeOf(event));
  }

  protected drag(event: PointerEvent): void {
    if (this.isHeld) this.dragged.emit(this.placeOf(event));
  }

  protected release(): void {
    if (!this.isHeld) return;
    this.isHeld = false;
    this.released.emit();
  }

  private placeOf({ clientX, clientY }: PointerEvent): PlacePx {
    const { left, top } = (this.element.ownerSVGElement ?? this.element).getBoundingClientRect();
    return { xPx: clientX - left, yPx: clientY - top };
  }
}
