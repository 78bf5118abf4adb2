/** A canvas made as fine as the screen, at most twice as fine, to be drawn on in px of the page; `undefined` where there is none yet. */
export function sharpContext(
  canvas: HTMLCanvasElement | null,
  width: number,
  height: number,
): CanvasRenderingContext2D | undefined {
  const context = canvas?.getContext('2d')
  if (!canvas || !context || width === 0) return undefined
  const ratio = Math.min(2, window.devicePixelRatio || 1)
  canvas.width = Math.round(width * ratio)
  canvas.height = Math.round(height * ratio)
  context.scale(ratio, ratio)
  return context
}
