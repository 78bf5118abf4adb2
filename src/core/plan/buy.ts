import { z } from '../quantity/z'
import { price } from '../quantity/bounded'
import { billUnits, currencies } from './choices'
import { idSchema, nameSchema } from './parts'

/** What the packs of a line of the bill cost at one's own shop. */
export const ownPriceSchema = z.strictObject({
  line: z.string().min(1).max(200),
  packs: z
    .array(z.strictObject({ size: z.number().min(0.001).max(1_000_000), price }))
    .min(1)
    .max(20),
})

/** A box that hides the board, supplies and junctions; inner size, mm. */
const boxSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  lengthMm: z.number().min(10).max(5_000),
  widthMm: z.number().min(10).max(5_000),
  tallMm: z.number().min(5).max(5_000),
  /** Ids of supplies and junctions, and `board`. */
  holds: z.array(z.string().min(1).max(200)).max(200),
})

/** What is bought besides what the plan needs, what is bought already, and what comes from the drawer. */
export const buySchema = z.strictObject({
  /** Lines of one's own on the bill; a price is that of one piece, metre or sheet. */
  lines: z
    .array(
      z.strictObject({
        id: idSchema,
        name: nameSchema,
        need: z.number().min(0.001).max(1_000_000),
        unit: z.enum(billUnits),
        price: price.optional(),
      }),
    )
    .max(300),
  /** Own prices that this plan is reckoned with, by the lines of the bill: they beat the typical ones of packs of that size, or are other packs. */
  prices: z.array(ownPriceSchema).max(2_000),
  currency: z.enum(currencies),
  /** Lines of the bill that are bought, by their ids. */
  bought: z
    .array(
      z.strictObject({
        line: z.string().min(1).max(200),
        /** For all of it. */
        paid: price.optional(),
        from: z.string().max(120).optional(),
      }),
    )
    .max(2_000),
  /** What this plan takes from the drawer, by the ids of its items. */
  taken: z
    .array(
      z.strictObject({
        item: idSchema,
        /** The thing on the bill that it is. */
        line: z.string().min(1).max(200),
        amount: z.number().min(0.001).max(1_000_000),
      }),
    )
    .max(1_000),
  /** It is built: what it took is out of the drawer, and what was left is in. */
  isBooked: z.boolean().optional(),
  /** Boxes in which things hide. */
  boxes: z.array(boxSchema).max(50).optional(),
})
