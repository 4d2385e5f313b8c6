/** What a command reads and writes: the process's own, or a test's. */
export interface Streams {
  input: NodeJS.ReadableStream
  output: NodeJS.WritableStream
  errors: NodeJS.WritableStream
}

export const ofProcess: Streams = { input: process.stdin, output: process.stdout, errors: process.stderr }
