/** `npm run --silent solve -- survey.json`: sets up what is missing, then hands over to the command line. */
import { cli } from './cli.mjs'

await cli('main.ts')
