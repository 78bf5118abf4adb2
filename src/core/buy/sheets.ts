import type { MeasuredRun } from '../measure/measure'
import { sheetShape } from '../measure/sheet-shape'
import { sheetMaterialOf, type SheetMaterial } from '../parts/sheets'
import { laidOn } from '../measure/rects'

type Size = SheetMaterial['sizes'][number]

/** A piece of sheet for one run, where it lies on its sheet, mm from the corner. */
export interface SheetPiece {
  readonly run: string
  readonly name: string
  readonly x: number
  readonly y: number
  readonly widthMm: number
  readonly heightMm: number
  /** It is cut turned by a right angle. */
  readonly isTurned: boolean
}

/** All sheets of one material: as many as needed of the one size that costs least. */
export interface MaterialSheets {
  readonly material: SheetMaterial
  readonly size: Size
  readonly sheets: readonly { readonly pieces: readonly SheetPiece[] }[]
  readonly price: number
  /** Pieces larger than every size: they have to be made of several. */
  readonly tooLarge: readonly {
    readonly run: string
    readonly widthMm: number
    readonly heightMm: number
  }[]
}

interface Wanted {
  readonly run: string
  readonly name: string
  readonly width: number
  readonly height: number
}

/** Places the sheets of all runs on sizes as they are sold, material by material (handbook 10, sheets). */
export function sheetsOf(runs: readonly MeasuredRun[]): MaterialSheets[] {
  const byMaterial = new Map<SheetMaterial, Wanted[]>()
  for (const run of runs) {
    const { sheet } = run.line
    const material = sheet === undefined ? undefined : sheetMaterialOf(sheet.material)
    if (sheet === undefined || material === undefined) continue
    const own = byMaterial.get(material) ?? []
    byMaterial.set(material, own)
    own.push(...piecesOf(run, sheet.wrapMm))
  }
  return [...byMaterial].flatMap(([material, wanted]) =>
    wanted.length === 0 ? [] : [placed(material, wanted)],
  )
}

/** What a sheet covers, with what is wrapped round its edge. */
function piecesOf(run: MeasuredRun, wrapMm: number): Wanted[] {
  const shape = sheetShape(run)
  if (shape === undefined) return []
  const [width, height] = [shape.box.width + 2 * wrapMm, shape.box.height + 2 * wrapMm]
  return width <= 0 || height <= 0 ? [] : [{ run: run.id, name: run.name, width, height }]
}

function placed(material: SheetMaterial, wanted: readonly Wanted[]): MaterialSheets {
  const fits = (size: Size, { width, height }: Wanted): boolean =>
    fitsUpright(size, { width, height }) ||
    (!material.hasGrain && fitsUpright(size, { width: height, height: width }))
  const good = wanted.filter((one) => material.sizes.some((size) => fits(size, one)))
  const tooLarge = wanted
    .filter((one) => !good.includes(one))
    .map(({ run, width, height }) => ({ run, widthMm: width, heightMm: height }))
  const tries = material.sizes
    .filter((size) => good.every((one) => fits(size, one)))
    .map((size) => ({ size, sheets: packed(material, size, good) }))
    .map(({ size, sheets }) => ({ size, sheets, price: sheets.length * size.price }))
    .toSorted((a, b) => a.price - b.price)
  const [best] = tries
  const [size] = material.sizes
  if (best === undefined || size === undefined)
    throw new RangeError(`${material.name} is sold in no size`)
  return { material, ...best, tooLarge }
}

/** A piece as it is laid. */
interface Laid {
  width: number
  height: number
  x: number
  y: number
  readonly of: Wanted
  readonly isTurned: boolean
}

/** The fewest sheets of a size that hold all pieces: upright as far as they fit so, or with their long sides along the sheet's. */
function packed(
  material: SheetMaterial,
  size: Size,
  wanted: readonly Wanted[],
): MaterialSheets['sheets'] {
  const isTall = size.heightMm >= size.widthMm
  const ways = [
    (one: Wanted) => !fitsUpright(size, one),
    (one: Wanted) =>
      !fitsUpright(size, one) ||
      (one.height >= one.width !== isTall &&
        fitsUpright(size, { width: one.height, height: one.width })),
  ].slice(0, material.hasGrain ? 1 : 2)
  const tries = ways.map((isTurned) => packedSo(material, size, wanted, isTurned))
  return tries.toSorted((a, b) => a.length - b.length)[0] ?? []
}

const fitsUpright = (
  { widthMm, heightMm }: Size,
  { width, height }: Pick<Wanted, 'width' | 'height'>,
): boolean => width <= widthMm && height <= heightMm

function packedSo(
  { kerfMm }: SheetMaterial,
  { widthMm, heightMm }: Size,
  wanted: readonly Wanted[],
  isTurnedFor: (one: Wanted) => boolean,
): MaterialSheets['sheets'] {
  // The packer does not turn: where it may, it lays pieces over the edge. With a kerf on every piece and on the sheet nothing is lost at the
  // last edge.
  const bins = laidOn(
    widthMm + kerfMm,
    heightMm + kerfMm,
    wanted.map((of): Laid => {
      const isTurned = isTurnedFor(of)
      const [width, height] = isTurned ? [of.height, of.width] : [of.width, of.height]
      return { width: width + kerfMm, height: height + kerfMm, x: 0, y: 0, of, isTurned }
    }),
  )
  return bins.map((rects) => ({
    pieces: rects.map(({ x, y, width, height, of, isTurned }) => ({
      run: of.run,
      name: of.name,
      x,
      y,
      widthMm: width - kerfMm,
      heightMm: height - kerfMm,
      isTurned,
    })),
  }))
}
