/** What is used of the GIF encoder: it ships without types. */
declare module 'gifenc' {
  /** Red, green and blue, 0–255. */
  type Palette = number[][]
  interface Encoder {
    writeFrame(
      indices: Uint8Array,
      width: number,
      height: number,
      options: { palette: Palette; delay: number; repeat?: number },
    ): void
    finish(): void
    bytes(): Uint8Array<ArrayBuffer>
  }
  export function GIFEncoder(): Encoder
  export function quantize(rgba: Uint8ClampedArray, colours: number): Palette
  export function applyPalette(rgba: Uint8ClampedArray, palette: Palette): Uint8Array
}
