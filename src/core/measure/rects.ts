import { MaxRectsPacker, PACKING_LOGIC, type IRectangle } from 'maxrects-packer'

/** Lays rectangles on as few sheets of one size as it finds room on, without turning them; those that fit on none come last, by themselves. */
export function laidOn<Rect extends IRectangle>(
  width: number,
  height: number,
  rects: readonly Rect[],
): Rect[][] {
  const packer = new MaxRectsPacker<Rect>(width, height, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: false,
    border: 0,
    logic: PACKING_LOGIC.MAX_AREA,
  })
  packer.addArray([...rects])
  return packer.bins.map((bin) => bin.rects)
}
