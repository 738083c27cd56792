import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

const SERVER = 'http://127.0.0.1:8765'

export default defineConfig({
  plugins: [vue()],
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 700,
    manifest: true,
    // A page's scripts name what they need themselves: only its styles stand in the first script's lists.
    modulePreload: { resolveDependencies: (_, needed, { hostType }) => (hostType === 'html' ? needed : needed.filter((file) => file.endsWith('.css'))) },
    // Every page's pieces stand by name in the first script: seven letters part them as surely as eight.
    rollupOptions: { output: { chunkFileNames: 'assets/[name]-[hash:7].js', assetFileNames: 'assets/[name]-[hash:7][extname]' } },
  },
  // The server refuses what comes from another page: to it, this one is its own.
  server: { proxy: { '/api': { target: SERVER, changeOrigin: true, headers: { origin: SERVER } } } },
})
