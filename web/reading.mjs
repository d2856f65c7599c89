/* What the service's own description is read with, beside the server: nothing is fetched when it is. */

import { copyFileSync, mkdirSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const target = join(dirname(fileURLToPath(import.meta.url)), "../src/emulsa/server/reading");
const shipped = dirname(createRequire(import.meta.url).resolve("swagger-ui-dist/package.json"));

mkdirSync(target, { recursive: true });
copyFileSync(join(shipped, "swagger-ui-bundle.js"), join(target, "reader.js"));
copyFileSync(join(shipped, "swagger-ui-bundle.js.LICENSE.txt"), join(target, "reader.LICENSE.txt"));
copyFileSync(join(shipped, "swagger-ui.css"), join(target, "reader.css"));
writeFileSync(
  join(target, "begin.js"),
  `SwaggerUIBundle({
  url: "/api/openapi.json",
  dom_id: "#read",
  docExpansion: "none",
  filter: true,
  supportedSubmitMethods: [], // read here, asked elsewhere: every change needs an id of its own
});
`,
);
