import { writeFileSync } from 'node:fs'
import { toJsonSchema } from '@valibot/to-json-schema'
import { surveySchema } from '../src/core/kinds/train/survey/schema'
import { ownLessonSchema } from '../src/core/practice/own'
import { glossaryPage } from '../src/words/glossary'

/** `npm run schema`: writes the JSON Schemas of the documents that others write, from their Valibot schemas, and the glossary. */
const write = (file: string, title: string, schema: object) =>
  writeFileSync(`docs/${file}`, `${JSON.stringify({ title, ...schema }, null, 2)}\n`)

write('survey.schema.json', 'Vane Peg survey, version 1', toJsonSchema(surveySchema, { errorMode: 'ignore' }))
write(
  'lesson.schema.json',
  'Vane Peg lesson, version 1',
  toJsonSchema(ownLessonSchema, { errorMode: 'ignore', typeMode: 'input' }),
)
writeFileSync('docs/glossary.md', glossaryPage())
