import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/* The page as one script and one sheet, for `emulsa single-file`. */
export default defineConfig({
  mode: "single",
  plugins: [react()],
  publicDir: false,
  build: {
    outDir: "../src/emulsa/field/single",
    emptyOutDir: true,
    assetsInlineLimit: 10_000_000,
    cssCodeSplit: false,
    modulePreload: false,
    rolldownOptions: {
      output: { codeSplitting: false, entryFileNames: "page.js", assetFileNames: "page[extname]" },
    },
  },
});
