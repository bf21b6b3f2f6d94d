import { isKeyOf } from '@level-stance/core/kernel/tables'
import { barOf } from '@level-stance/core/bike/bikeKinds'
import { evaluate } from '@level-stance/core/kernel/calculation'
import { calculationNamed } from '@level-stance/core/calculations'
import { foldLedger } from '@level-stance/core/ledger/fold'
import type { LengthUnit } from '@level-stance/core/kernel/entry'
import { learnedFrom } from '@level-stance/core/reason/closed'
import type { StudioCount } from '@level-stance/core/reason/studio'
import type { Dossier } from '@level-stance/core/record/dossier'
import { sheetOf } from '@level-stance/core/record/sheet'
import type { OtherBike } from '@level-stance/core/stations/feet/stance/judge'
import { otherBikesOf } from '@level-stance/core/stations/feet/stance/otherBikes'
import { parseVisitFile, toVisitFile } from '@level-stance/core/record/visitFile'
import type { VisitFile } from '@level-stance/core/record/visitFile'
import { notFound } from '../http/errors.ts'
import type { SheetFonts } from '../pdf/fonts.ts'
import { sheetPdf } from '../pdf/sheetPdf.ts'
import { trueSizePdf, trueSizeSvg } from '../pdf/trueSize.ts'
import type { TrueSize } from '../pdf/trueSize.ts'
import type { Calculate } from './pool.ts'

/** What a request hands on beside calculations, because a long record takes long. */
export interface HeavyWork {
  readonly 'sheet.pdf': { readonly input: { readonly dossier: Dossier; readonly unit: LengthUnit }; readonly answer: Uint8Array }
  readonly 'true-size.pdf': { readonly input: { readonly dossier: Dossier; readonly drawn: TrueSize }; readonly answer: Uint8Array }
  readonly 'true-size.svg': { readonly input: { readonly dossier: Dossier; readonly drawn: TrueSize }; readonly answer: string }
  /** half stances of bikes as their visits left them */
  readonly 'other-bikes': { readonly input: { readonly dossiers: readonly Dossier[] }; readonly answer: OtherBike[] }
  /** what the trials of a closed visit came to */
  readonly learned: { readonly input: { readonly dossier: Dossier }; readonly answer: StudioCount[] }
  readonly 'visit-file': { readonly input: { readonly text: string }; readonly answer: VisitFile }
}
type Heavy = { readonly [Name in keyof HeavyWork]: (input: HeavyWork[Name]['input']) => Promise<HeavyWork[Name]['answer']> }

/** Does heavy work by its name. */
export type Work = <Name extends keyof HeavyWork>(name: Name, input: HeavyWork[Name]['input']) => Promise<HeavyWork[Name]['answer']>

/** Heavy work over whatever runs calculations: the same threads, the same limits. */
export const workBy =
  (calculate: Calculate): Work =>
  async (name, input) =>
    (await calculate(name, input)) as HeavyWork[typeof name]['answer']

/**
 * Calculations and heavy work in this very thread: for the threads themselves, and for a server that
 * was not built.
 * @param fonts read when the first sheet is asked for
 */
export function calculateHere(fonts: () => SheetFonts): Calculate {
  const heavy: Heavy = {
    'sheet.pdf': ({ dossier, unit }) => sheetPdf(sheetOf(toVisitFile(dossier)), fonts(), unit),
    'true-size.pdf': ({ dossier, drawn }) => trueSizePdf(dossier, drawn, fonts()),
    'true-size.svg': async ({ dossier, drawn }) => Promise.resolve(trueSizeSvg(dossier, drawn)),
    'other-bikes': async ({ dossiers }) => {
      const left = dossiers.map(({ bike, readings, ledger }) => ({ bike, ledger, readings: readings.map((row) => row.reading) }))
      return Promise.resolve(otherBikesOf(left))
    },
    learned: ({ dossier }) => {
      const { complaints, ratings, ledger, bike } = toVisitFile(dossier)
      return Promise.resolve(learnedFrom({ complaints, ratings, changes: foldLedger(ledger).changes }, barOf(bike.kind)))
    },
    'visit-file': ({ text }) => Promise.resolve(parseVisitFile(text)),
  }
  return async (name, body) => {
    if (isKeyOf(heavy, name)) return await heavy[name](body as never)
    const calculation = calculationNamed(name)
    if (!calculation) throw notFound(`The calculation “${name.slice(0, 80)}”`)
    return evaluate(calculation, body)
  }
}
