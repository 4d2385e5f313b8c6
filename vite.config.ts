import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { chunkGroups } from './vite.chunks'

export default defineConfig({
  root: 'src/web',
  plugins: [
    react(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: '.',
      filename: 'serviceWorker.ts',
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Vane Peg',
        short_name: 'Vane Peg',
        description: 'Shaft alignment: readings in, shims and side moves out.',
        display: 'standalone',
        start_url: '/',
        background_color: '#F4F1EA',
        theme_color: '#1F5A57',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
          { src: '/vane.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,svg,woff,woff2,wasm,png,webmanifest}'],
        maximumFileSizeToCacheInBytes: 8_000_000,
        // the server puts each answer's nonce into the page: it is asked for by its address, not as a file
        manifestTransforms: [
          (entries) => ({
            manifest: entries.map((entry) => (entry.url === 'index.html' ? { ...entry, url: '/' } : entry)),
            warnings: [],
          }),
        ],
      },
    }),
    // named by what is in them and never changed: packed once, as small as it goes
    compression({
      include: /assets\/.*\.(js|css|svg)$/,
      algorithms: ['brotliCompress'],
      threshold: 500,
      logLevel: 'silent',
    }),
  ],
  build: {
    outDir: '../../dist/web',
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 800,
    rolldownOptions: {
      output: {
        // what every page needs is one file, and so is what a job needs at first sight: few fetches, packed well
        codeSplitting: {
          groups: chunkGroups(import.meta.dirname),
        },
      },
    },
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4311', ws: true } } },
})
