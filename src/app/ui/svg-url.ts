/** An SVG as the address of a picture: a page takes no styles from what is put into it. */
export const svgUrl = (svg: string): string => `data:image/svg+xml,${encodeURIComponent(svg)}`
