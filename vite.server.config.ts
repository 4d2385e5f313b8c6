import { defineConfig } from 'vite'

/** The server and the command line as plain modules for Node; packages stay in node_modules. */
export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist/server',
    target: 'node20',
    rolldownOptions: {
      input: {
        server: 'src/server/main.ts',
        start: 'src/server/start.ts',
        administrator: 'src/server/administrator.ts',
        worker: 'src/server/workers/worker.ts',
        packer: 'src/server/archive/packer.ts',
        solve: 'src/cli/main.ts',
      },
    },
  },
})
