import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  root: 'src/web',
  plugins: [react()],
  build: { outDir: '../../dist/web', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 800 },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4311', ws: true } } },
})
