import { and, eq } from 'drizzle-orm'
import type { contract } from '@level-stance/core/contract/contract'
import { sides } from '@level-stance/core/kernel/sided'
import { toVisitFile, visitFileJsonSchema } from '@level-stance/core/record/visitFile'
import type { Dossier } from '@level-stance/core/record/dossier'
import type { Work } from '../calculations/heavy.ts'
import type { Database } from '../db/queryable.ts'
import { riders, visits } from '../db/schema.ts'
import type { Handlers, SentFile } from '../http/serve.ts'
import { readDossier } from '../visits/dossier.ts'
import { importVisit } from '../visits/importVisit.ts'

type Routes = Pick<
  typeof contract,
  | 'readVisitFileSchema'
  | 'readVisitFile'
  | 'readSheet'
  | 'readTemplatePdf'
  | 'readTemplateSvg'
  | 'readStripPdf'
  | 'readStripSvg'
  | 'importVisit'
>

/** Export as open JSON, PDF and SVG, import, and the published schema. */
export function recordHandlers(db: Database, work: Work): Handlers<Routes> {
  const asPdf = (dossier: Dossier, content: Uint8Array, what?: string): SentFile => ({
    mediaType: 'application/pdf',
    content,
    name: fileName(dossier, 'pdf', what),
  })
  const asSvg = (dossier: Dossier, content: string, what: string): SentFile => ({
    mediaType: 'image/svg+xml',
    content,
    name: fileName(dossier, 'svg', what),
  })
  return {
    readVisitFileSchema: () => visitFileJsonSchema(),
    readVisitFile: async ({ params }, { studioId }) => {
      const dossier = await readDossier(db, studioId, params.visitId)
      return {
        mediaType: 'application/json',
        content: `${JSON.stringify(toVisitFile(dossier), null, 2)}\n`,
        name: fileName(dossier, 'json'),
      }
    },
    readSheet: async ({ params, query: { unit } }, { studioId }) => {
      const dossier = await readDossier(db, studioId, params.visitId)
      return asPdf(dossier, await work('sheet.pdf', { dossier, unit }))
    },
    readTemplatePdf: async ({ params, query: { side, ...aim } }, { studioId }) => {
      const dossier = await readDossier(db, studioId, params.visitId)
      const drawn = { what: 'cleats', sides: side === undefined ? sides : [side], aim } as const
      return asPdf(dossier, await work('true-size.pdf', { dossier, drawn }), 'cleat-template')
    },
    readTemplateSvg: async ({ params, query: { side = 'left', ...aim } }, { studioId }) => {
      const dossier = await readDossier(db, studioId, params.visitId)
      const drawn = { what: 'cleats', sides: [side], aim } as const
      return asSvg(dossier, await work('true-size.svg', { dossier, drawn }), `cleat-template-${side}`)
    },
    readStripPdf: async ({ params }, { studioId }) => {
      const dossier = await readDossier(db, studioId, params.visitId)
      return asPdf(dossier, await work('true-size.pdf', { dossier, drawn: { what: 'bar' } }), 'bar-strips')
    },
    readStripSvg: async ({ params }, { studioId }) => {
      const dossier = await readDossier(db, studioId, params.visitId)
      return asSvg(dossier, await work('true-size.svg', { dossier, drawn: { what: 'bar' } }), 'bar-strips')
    },
    importVisit: async ({ query: { id }, body }, { studioId }) => {
      const before = id === undefined ? null : await importedBefore(db, studioId, id)
      if (before !== null) return before
      const file = await work('visit-file', { text: body })
      const stored = await db.transaction((tx) => importVisit(tx, studioId, file, new Date(), id))
      return { ...stored, name: file.rider.name }
    },
  }
}

/** What an import with this id has stored already; null where there is none: the answer to the first may have been lost. */
async function importedBefore(db: Database, studioId: string, visitId: string) {
  const [found] = await db
    .select({ riderId: riders.id, visitId: visits.id, name: riders.name })
    .from(visits)
    .innerJoin(riders, eq(riders.id, visits.riderId))
    .where(and(eq(visits.studioId, studioId), eq(visits.id, visitId)))
  return found ?? null
}

/** A plain file name: letters and digits only, from the rider's name and the day. */
function fileName({ rider, visit }: Dossier, ending: string, what?: string): string {
  const name = rider.name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
  return `${name === '' ? 'visit' : name}-${visit.startedAt.slice(0, 10)}${what === undefined ? '' : `-${what}`}.${ending}`
}
