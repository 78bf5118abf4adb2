import type { DrawerItem } from '../core/buy/drawer'
import { nameSchema } from '../core/plan/parts'
import { issuesOf, z, type Issue } from '../core/quantity/z'

const drawerFormat = 'glow-tally drawer'
const drawerVersion = 1

const itemSchema = z.strictObject({
  part: z.string().min(1).max(200).optional(),
  name: nameSchema,
  unit: z.enum(['piece', 'm', 'mm', 'sheet']),
  amount: z.number().min(0.001, 'above 0 is expected').max(1_000_000, 'at most 1,000,000'),
})

/** What is in a drawer, as a file: counts in pieces or sheets, wire in m, a rest of strip each in mm or m. */
export const drawerSchema = z.strictObject({
  format: z.literal(drawerFormat, `“${drawerFormat}” is expected: this is no drawer file`),
  version: z.literal(drawerVersion, 'version 1 is expected; a newer file needs a newer program'),
  items: z.array(itemSchema).max(5_000, 'at most 5,000 items'),
})

export type DrawerFileResult =
  | { readonly ok: true; readonly items: readonly DrawerItem[] }
  | { readonly ok: false; readonly issues: readonly Issue[] }

/** Reads a drawer file whole or not at all; what is wrong is named by its path. */
export function readDrawer(document: unknown): DrawerFileResult {
  const parsed = drawerSchema.safeParse(document)
  return parsed.success
    ? { ok: true, items: parsed.data.items }
    : { ok: false, issues: issuesOf(parsed.error) }
}

export const writeDrawerFile = (items: readonly DrawerItem[]): string =>
  `${JSON.stringify({ format: drawerFormat, version: drawerVersion, items }, null, 2)}\n`
