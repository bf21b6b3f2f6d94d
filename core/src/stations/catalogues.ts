import type { z } from 'zod'
import { keysOf } from '../kernel/tables.ts'
import { pedalKinds, pedalSpecSchema, startingPedals } from './feet/pedal/kinds.ts'
import { cockpitKinds, cockpitSpecSchema, startingCockpit } from './hands/cockpit/parts.ts'
import { saddleKinds, saddleSpecSchema, startingSaddles } from './seat/saddle/kinds.ts'

/** What every part of a catalogue has. */
export interface PartSpec {
  readonly name: string
  readonly kind: string
  readonly note: string
}

/** A studio's catalogue of parts of one sort. */
export interface CatalogueRow<Spec extends PartSpec = PartSpec> {
  /** the parts in words, plural */
  readonly what: string
  /** their kinds, in the order they are listed */
  readonly kinds: readonly string[]
  readonly schema: z.ZodType<Spec>
  /** the kinds of the trade that it starts with */
  readonly starting: readonly Spec[]
}

/** Every catalogue by the name of its address; storage, routes and stores are made from these rows. */
export const catalogues = {
  pedals: { what: 'systems', kinds: pedalKinds, schema: pedalSpecSchema, starting: startingPedals },
  saddles: { what: 'saddles', kinds: saddleKinds, schema: saddleSpecSchema, starting: startingSaddles },
  'cockpit-parts': {
    what: 'parts',
    kinds: cockpitKinds,
    schema: cockpitSpecSchema,
    starting: startingCockpit,
  },
} as const satisfies Readonly<Record<string, CatalogueRow>>
export type CatalogueKey = keyof typeof catalogues
export const catalogueKeys = keysOf(catalogues)
/** A row of the table. */
export function catalogueOf(key: CatalogueKey): CatalogueRow {
  return catalogues[key]
}
/** What a part of a catalogue says of itself. */
export type SpecOf<Key extends CatalogueKey> = z.infer<(typeof catalogues)[Key]['schema']>
