/** How a view is looked at: `k` times as large as fitted, moved by so many pixels. */
export interface Zoom {
  k: number;
  x: number;
  y: number;
}

export const FITTED: Zoom = { k: 1, x: 0, y: 0 };
