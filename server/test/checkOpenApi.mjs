// Reads an OpenAPI document from stdin and prints what an independent validator says of it as JSON.
import { Validator } from '@seriousme/openapi-schema-validator'

const chunks = []
for await (const chunk of process.stdin) chunks.push(chunk)
const validator = new Validator()
const { valid, errors } = await validator.validate(JSON.parse(Buffer.concat(chunks).toString()))
process.stdout.write(JSON.stringify({ valid, errors: errors ?? null, version: validator.version }))
