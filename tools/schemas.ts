// `npm run schemas`: writes into docs/ what the code itself says: the JSON Schema of the visit file and
// the tables of the reasoner.
import { writeFileSync } from 'node:fs'
import { format } from 'prettier'
import { reasoningText } from '../core/src/reason/tablesText.ts'
import { visitFileJsonSchema } from '../core/src/record/visitFile.ts'

const write = (name: string, text: string) => writeFileSync(new URL(`../docs/${name}`, import.meta.url), text)
write('visit-file.schema.json', `${JSON.stringify(visitFileJsonSchema(), null, 2)}\n`)
write('reasoning.md', await format(reasoningText(), { parser: 'markdown' }))
