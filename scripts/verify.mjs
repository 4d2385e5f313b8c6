/** `npm run --silent verify -- revision.json`: whether an exported revision is as it was signed. */
import { cli } from './cli.mjs'

await cli('verify.ts')
