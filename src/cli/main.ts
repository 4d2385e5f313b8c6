import '../core/kinds/all'
import '../words/all'
import { solveCommand } from './solveCommand'
import { ofProcess } from './streams'

process.exitCode = await solveCommand(process.argv.slice(2), ofProcess)
