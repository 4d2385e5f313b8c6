import { writeFileSync } from 'node:fs'
import { toJsonSchema } from '@valibot/to-json-schema'
import { surveySchema } from '../src/core/kinds/train/survey/schema'

/** `npm run schema`: writes the JSON Schema of the survey document from its Valibot schema. */
const schema = toJsonSchema(surveySchema, { errorMode: 'ignore' })
writeFileSync(
  'docs/survey.schema.json',
  `${JSON.stringify({ title: 'Vane Peg survey, version 1', ...schema }, null, 2)}\n`,
)
