import { toJsonSchema } from '@valibot/to-json-schema'
import { Hono } from 'hono'
import { describeRoute, generateSpecs, loadVendor, resolver } from 'hono-openapi'
import type { OpenAPIV3_1 } from 'openapi-types'
import type * as v from 'valibot'
import { anyJobSchema, anyKitSchema, anyLineSchema } from '../core/job/migrate'
import { refusalSchema } from './routes/answers'

/** Documents by their names in the description: large, and named wherever they stand. */
const documents: readonly (readonly [name: string, schema: v.GenericSchema])[] = [
  ['Job', anyJobSchema],
  ['Line', anyLineSchema],
  ['KitItem', anyKitSchema],
]
const at = (name: string) => `#/components/schemas/${name}`

/** A schema of our own as JSON Schema; a document by its name. */
function described(schema: v.GenericSchema, name?: string): OpenAPIV3_1.SchemaObject {
  const { $schema: _, ...made } = toJsonSchema(schema, {
    errorMode: 'ignore',
    // a document is told as it is stored: what it is brought up from is any older shape of it
    typeMode: name ? 'output' : 'input',
    overrideSchema: ({ valibotSchema }) => {
      const [known] = documents.find(([, one]) => one === valibotSchema) ?? []
      return known && known !== name ? { $ref: at(known) } : undefined
    },
  })
  const text = JSON.stringify(made)
  return JSON.parse(name ? text.replaceAll('"#/$defs/', `"${at(name)}/$defs/`) : text)
}

loadVendor('valibot', { toOpenAPISchema: (schema) => described(schema as unknown as v.GenericSchema) as never })

type Answer = string | { says: string; schema?: v.GenericSchema; type?: string }

const refusals: Readonly<Record<number, string>> = {
  400: 'Invalid request. The path shows where.',
  401: 'Not signed in, or wrong credentials.',
  403: 'Not allowed.',
  404: 'Not found.',
  409: 'Conflict: changed meanwhile, or in another state.',
  413: 'Too large.',
  415: 'Unsupported type.',
  422: 'Not ready. The path shows what is missing.',
  429: 'Too many attempts: wait.',
  503: 'The server is busy: try again in a moment.',
}

/**
 * What a route does, for the description of the interface.
 *
 * @param does a sentence
 * @param answers what comes, by status; a number alone is the refusal of that status
 */
export function describeOperation(
  does: string,
  answers: Readonly<Record<number, Answer>>,
  refused: readonly number[] = [],
) {
  const responses = Object.entries(answers).map(([status, answer]) => {
    const { says, schema, type = 'application/json' } = typeof answer === 'string' ? { says: answer } : answer
    const content = { [type]: schema ? { schema: resolver(schema) } : {} }
    return [status, { description: says, content }] as const
  })
  const faults = refused.map((status) => [
    status,
    {
      description: refusals[status] ?? 'Refused.',
      content: { 'application/json': { schema: resolver(refusalSchema) } },
    },
  ])
  return describeRoute({ summary: does, responses: Object.fromEntries([...responses, ...faults]) })
}

/** A body that is no JSON, for the description. */
export const bodyOf = (...types: readonly string[]) =>
  describeRoute({
    requestBody: {
      required: true,
      content: Object.fromEntries(
        types.map((type) => [
          type,
          { schema: type === 'application/json' ? { type: 'object' } : { type: 'string', format: 'binary' } },
        ]),
      ),
    },
  })

/** The description of an interface in the OpenAPI form, from the schemas its routes check with. */
export const descriptionOf = (api: Hono): Promise<OpenAPIV3_1.Document> =>
  generateSpecs(new Hono().route('/api', api), {
    excludeStaticFile: false,
    defaultValidationErrorResponse: {
      description: refusals[400] ?? '',
      content: { 'application/json': { schema: described(refusalSchema) } },
    },
    documentation: {
      info: {
        title: 'Vane Peg',
        version: '1',
        description:
          'Lines, jobs, kit and records of a site. Writes are JSON, from the page of this server or from outside a browser. An edit names the version it was made from and has its own id, so it can be sent again.',
      },
      components: { schemas: Object.fromEntries(documents.map(([name, schema]) => [name, described(schema, name)])) },
    },
  }) as Promise<OpenAPIV3_1.Document>
