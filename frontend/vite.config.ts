import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  build: { outDir: "../src/ulna/web", emptyOutDir: true, chunkSizeWarningLimit: 900 },
  server: { proxy: { "/api": { target: `http://127.0.0.1:${process.env.ULNA_PORT ?? 8620}` } } },
});
