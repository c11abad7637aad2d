import { computed, type Signal } from '@angular/core';
import { elementWidth } from './element-size';

/** What lies round the marks of a drawing, px. */
export interface Margins {
  readonly leftPx: number;
  readonly rightPx: number;
  readonly topPx: number;
  readonly bottomPx: number;
}

/** Where the marks of a drawing stand, px from its upper left corner. */
export interface PlotFrame {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  /** The line on which the marks stand. */
  readonly base: number;
}

/** A tick of an axis: where, what it says, and whether a line goes from it across the marks. */
export interface Tick {
  readonly at: number;
  readonly text: string;
  readonly rule?: 'plain' | 'dashed';
}

/** What is drawn, as words in lines and columns, for whoever does not see it. */
export interface PlotTable {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Least room for marks, px: narrower the drawing is cut, not folded over. */
const LEAST_PX = 100;

/** The frame of a drawing as wide as its own element, which may be held to a most. */
export function plotFrame(
  margins: Margins,
  heightPx: number | (() => number),
  { initialPx = 640, mostPx = Infinity }: { readonly initialPx?: number; readonly mostPx?: number } = {},
): Signal<PlotFrame> {
  const shown = elementWidth(initialPx);
  const { leftPx, rightPx, topPx, bottomPx } = margins;
  return computed(() => {
    const width = Math.min(mostPx, shown());
    const height = typeof heightPx === 'number' ? heightPx : heightPx();
    const right = Math.max(leftPx + LEAST_PX, width - rightPx);
    return { width, height, left: leftPx, right, top: topPx, base: height - bottomPx };
  });
}
