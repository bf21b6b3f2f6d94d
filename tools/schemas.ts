// `npm run schemas`: writes the published JSON Schema of the visit file into docs/.
import { writeFileSync } from 'node:fs'
import { visitFileJsonSchema } from '../core/src/record/visitFile.ts'

writeFileSync(new URL('../docs/visit-file.schema.json', import.meta.url), `${JSON.stringify(visitFileJsonSchema(), null, 2)}\n`)
