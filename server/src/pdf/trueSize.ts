import { barOf } from '@level-stance/core/bike/bikeKinds'
import type { Side } from '@level-stance/core/kernel/sided'
import { templateSvg } from '@level-stance/core/kernel/trueSizeSheet'
import type { Template } from '@level-stance/core/kernel/trueSizeSheet'
import type { Dossier } from '@level-stance/core/record/dossier'
import { setupOf } from '@level-stance/core/rider/setup'
import { defaultCleatSchool } from '@level-stance/core/stations/feet/cleat/schools'
import { cleatTemplate } from '@level-stance/core/stations/feet/cleat/template'
import { templateInput } from '@level-stance/core/stations/feet/cleat/templateInput'
import { barStrip } from '@level-stance/core/stations/hands/width/barStrip'
import { stripInput } from '@level-stance/core/stations/hands/width/stripInput'
import type { SheetFonts } from './fonts.ts'
import { templatePdf } from './templatePdf.ts'

/** What is drawn in true size: the template of one shoe or both, each at the aim if one is given, or the bar's strips. */
export type TrueSize =
  { readonly what: 'cleats'; readonly sides: readonly Side[]; readonly aim: Parameters<typeof templateInput>[4] } | { readonly what: 'bar' }

function sheetsOf({ rider, bike, readings, ledger, visit }: Dossier, drawn: TrueSize): Template[] {
  const title = `${rider.name}, ${bike.name}`
  const setup = setupOf(
    readings.map((row) => row.reading),
    ledger,
    barOf(bike.kind),
  )
  if (drawn.what === 'bar') return [barStrip(stripInput(setup, visit.choices.hands, bike.kind, title))]
  const school = visit.choices.feet.cleatSchool ?? defaultCleatSchool
  return drawn.sides.map((side) => cleatTemplate(templateInput(setup, school, side, title, drawn.aim)))
}

const titles = { cleats: 'Cleat template', bar: 'Bar strips' } as const

export function trueSizePdf(dossier: Dossier, drawn: TrueSize, fonts: SheetFonts): Promise<Uint8Array> {
  return templatePdf(sheetsOf(dossier, drawn), `${titles[drawn.what]}: ${dossier.rider.name}`, fonts)
}
export function trueSizeSvg(dossier: Dossier, drawn: TrueSize): string {
  return sheetsOf(dossier, drawn).map(templateSvg).join('')
}
