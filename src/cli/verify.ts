import '../core/kinds/all'
import '../words/all'
import { ofProcess } from './streams'
import { verifyCommand } from './verifyCommand'

process.exitCode = await verifyCommand(process.argv.slice(2), ofProcess)
