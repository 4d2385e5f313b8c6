/** `npm run dev`: the server restarted on every change, and the page with hot reload, on the demo plant. */
import { spawn } from 'node:child_process'
import { main, packages, root, tool } from './setup.mjs'

await main(async () => {
  packages()
  const start = (command, args) => spawn(command, args, { cwd: root, stdio: 'inherit' })
  const running = [
    start(tool('tsx'), ['watch', 'src/server/main.ts', '--demo', '--port', '4311']),
    start(tool('vite'), ['--port', '4310', '--strictPort']),
  ]
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      for (const one of running) one.kill(signal)
    })
  await Promise.all(running.map((one) => new Promise((done) => one.on('exit', done))))
})
