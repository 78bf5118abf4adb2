/** How every chart looks: the page's own type and tints, still, with nothing to press but the plot. */
export const chartLooks = {
  fontFamily: 'inherit',
  foreColor: '#a6a8b8',
  toolbar: { show: false },
  zoom: { enabled: false },
  animations: { enabled: false },
} as const
