/**
 * Where a field's name stands: above it, beside it, or nowhere but for those who listen, as in a table whose head says it.
 */
export type FieldLayout = 'above' | 'beside' | 'unseen'

/** What belongs to the control itself, of all that a field was given: its place on the page is the frame's. A name that is not seen is the control's. */
export const controlAttrs = (
  attrs: Readonly<Record<string, unknown>>,
  layout: FieldLayout,
  label: string,
): Record<string, unknown> => ({
  ...Object.fromEntries(
    Object.entries(attrs).filter(([key]) => key !== 'class' && key !== 'style'),
  ),
  ...(layout === 'unseen' && { 'aria-label': label }),
})
