/** Material in sheets, or from a roll: over, before or behind the light. *Typical* figures. */
export interface SheetMaterial {
  readonly id: string
  readonly name: string
  /** Sizes as sold, mm. */
  readonly sizes: readonly {
    readonly widthMm: number
    readonly heightMm: number
    readonly price: number
  }[]
  /** What it is wrapped round the edge by where nothing is said, mm: rigid sheets by nothing. */
  readonly wrapMm: number
  /** Between pieces: the cut, mm. */
  readonly kerfMm: number
  /** Its grain or pattern has a direction: pieces are not turned. */
  readonly hasGrain: boolean
}

const size = (
  widthMm: number,
  heightMm: number,
  price: number,
): SheetMaterial['sizes'][number] => ({ widthMm, heightMm, price })

export const sheetMaterials: readonly SheetMaterial[] = [
  {
    id: 'fabric',
    name: 'light fabric, 140 cm wide',
    sizes: [size(1400, 500, 5), size(1400, 1000, 9), size(1400, 2000, 17)],
    wrapMm: 40,
    kerfMm: 0,
    hasGrain: true,
  },
  {
    id: 'diffuser',
    name: 'diffuser film',
    sizes: [size(210, 297, 1.5), size(600, 1000, 8)],
    wrapMm: 0,
    kerfMm: 0,
    hasGrain: false,
  },
  {
    id: 'card',
    name: 'white card, 1 mm',
    sizes: [size(420, 594, 1.8), size(700, 1000, 3.5)],
    wrapMm: 0,
    kerfMm: 1,
    hasGrain: false,
  },
  {
    id: 'acrylic',
    name: 'opal acrylic, 3 mm',
    sizes: [size(250, 500, 6), size(500, 1000, 19)],
    wrapMm: 0,
    kerfMm: 3,
    hasGrain: false,
  },
]

export const sheetMaterialOf = (id: string): SheetMaterial | undefined =>
  sheetMaterials.find((material) => material.id === id)
