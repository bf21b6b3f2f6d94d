import { Router } from 'express'
import { calculationSchemas } from '@level-stance/core/kernel/calculation'
import { calculationNamed, calculations } from '@level-stance/core/calculations'
import { sources } from '@level-stance/core/kernel/sources'
import { notFound } from '../http/errors.ts'
import type { Calculate } from './pool.ts'

/** Every calculation of the core over HTTP: list, schema, run. */
export function calculationRoutes(calculate: Calculate): Router {
  const router = Router()
  const list = calculations.map((calculation) => ({
    name: calculation.name,
    title: calculation.title,
    summary: calculation.summary,
    schemas: calculationSchemas(calculation),
    sources: calculation.sources.map((key) => ({ key, ...sources[key] })),
  }))
  router.get('/', (_request, response) => void response.json({ calculations: list }))
  router.get('/:name', (request, response) => {
    const found = list.find((entry) => entry.name === request.params.name)
    if (!found) throw notFound(`The calculation “${request.params.name.slice(0, 80)}”`)
    response.json(found)
  })
  router.post('/:name', async (request, response) => {
    const { name } = request.params
    if (!calculationNamed(name)) throw notFound(`The calculation “${name.slice(0, 80)}”`)
    response.json(await calculate(name, request.body))
  })
  return router
}
