import { Readable, Writable } from 'node:stream'
import type { Streams } from '../cli/streams'

/** Runs a command of `src/cli` in this process: what it wrote, and its exit code. */
export async function runCommand(
  command: (args: readonly string[], streams: Streams) => Promise<number>,
  args: readonly string[],
  input = '',
) {
  const written = { stdout: '', stderr: '' }
  const into = (name: keyof typeof written) =>
    new Writable({
      write: (chunk, _, done) => {
        written[name] += String(chunk)
        done()
      },
    })
  const streams = { input: Readable.from([Buffer.from(input)]), output: into('stdout'), errors: into('stderr') }
  return { status: await command(args, streams), ...written }
}
