/** Drawings and tapes are set for the screen: on paper they keep the size that they have there, as far as the sheet is wide. */
const sheetPx = 1_010

function freeze(): void {
  for (const element of document.querySelectorAll<HTMLElement>('[data-prints-as-shown]')) {
    const { width, height } = element.getBoundingClientRect()
    if (width === 0) continue
    element.style.setProperty('--shown-width', `${String(width)}px`)
    element.style.setProperty('--shown-height', `${String(height)}px`)
    element.style.setProperty('--shown-zoom', String(Math.min(1, sheetPx / width)))
  }
}

/** Before the browser lays a page out for paper. */
export const watchPrinting = (): void => {
  addEventListener('beforeprint', freeze)
}
