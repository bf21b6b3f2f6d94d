import fc from 'fast-check'
import { contract, everyRoute } from './contract.ts'
import { openApiDocument } from './openapi.ts'
import { hrefOf, paramNames, routePath } from './route.ts'

describe('every route', () => {
  it('stands at an address of its own', () => {
    // Names in braces match anything: two addresses that differ only in them are one.
    const places = Object.values(everyRoute).map(({ method, path }) => `${method} ${path.replace(/\{\w+\}/g, '{}')}`)
    expect(new Set(places).size).toBe(places.length)
  })

  it('says of no name in its path what is not there, and reads nothing from a get', () => {
    for (const { method, path, params = {}, body } of Object.values(everyRoute)) {
      expect(paramNames(path)).toEqual(expect.arrayContaining(Object.keys(params)))
      if (method === 'get') expect(body).toBeNull()
    }
  })

  it('is in the document with its names, its query, its body and the shape of errors', () => {
    const { paths } = openApiDocument() as { paths: Record<string, Record<string, unknown>> }
    expect(paths['/riders']?.['get']).toMatchObject({
      operationId: 'listRiders',
      parameters: [
        { name: 'search', in: 'query', required: false, schema: { type: 'string', maxLength: 120 } },
        { name: 'after', in: 'query', required: false },
      ],
      responses: { default: { content: { 'application/json': { schema: { $ref: '#/components/schemas/Error' } } } } },
    })
    expect(paths['/riders/{riderId}']?.['put']).toMatchObject({
      parameters: [{ name: 'riderId', in: 'path', required: true, schema: { format: 'uuid' } }],
      requestBody: { content: { 'application/json': { schema: { required: ['version', 'rider'] } } } },
    })
  })
})

describe('an address', () => {
  it('takes any name and any query, and gives them back', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, unit: 'grapheme' }), fc.string({ unit: 'grapheme' }), (name, search) => {
        // One or two dots mean “here” and “above” in any address.
        fc.pre(!/^\.{1,2}$/.test(name))
        const path = new URL(routePath(contract.readCalculation, { params: { name } }), 'http://here').pathname
        expect(decodeURIComponent(path.split('/')[2] ?? '')).toBe(name)
        expect(new URL(routePath(contract.listRiders, { query: { search } }), 'http://here').searchParams.get('search')).toBe(search)
      }),
    )
  })

  it('leaves out what is not asked', () => {
    const params = { visitId: 'v' }
    expect(hrefOf(contract.readTemplatePdf, { params, query: { side: 'left', setback: undefined, turn: 1.5 } })).toBe(
      '/api/visits/v/template.pdf?side=left&turn=1.5',
    )
    expect(routePath(contract.listRiders, { query: { after: null } })).toBe('/riders')
  })
})
