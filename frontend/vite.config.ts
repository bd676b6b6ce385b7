import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  build: {
    outDir: "../src/ulna/web",
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: {
        // A bench is one file beside two that all share: dozens of small ones are asked for one after the other.
        codeSplitting: {
          groups: [
            { name: "packages", test: /node_modules/, minShareCount: 2, priority: 2 },
            { name: "shared", test: /src\/(api|app|page|parts|ui)\//, minShareCount: 2, priority: 1 },
          ],
        },
      },
    },
  },
  server: { proxy: { "/api": { target: `http://127.0.0.1:${process.env.ULNA_PORT ?? 8620}` } } },
});
