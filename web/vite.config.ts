import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  server: { proxy: { "/api": "http://127.0.0.1:8017" } },
  build: {
    outDir: "../src/emulsa/page",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: "react",
              test: /node_modules[\\/](react|react-dom|scheduler|wouter|regexparam|use-sync-external-store)[\\/]/,
            },
            {
              name: "chakra",
              test: /node_modules[\\/](@chakra-ui|@emotion|@zag-js|@ark-ui|@pandacss)[\\/]/,
            },
          ],
        },
      },
    },
  },
});
