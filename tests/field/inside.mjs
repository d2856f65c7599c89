/* pytest inside the browser's Python, under Node: the package as pinned, the sources as they lie. */

import { createRequire } from "node:module";
import { join } from "node:path";

const [root, packages, ...asked] = process.argv.slice(2);
const { loadPyodide } = createRequire(join(root, "web/package.json"))("pyodide");
const python = await loadPyodide({ env: { PYTEST_DISABLE_PLUGIN_AUTOLOAD: "1" } });
python.mountNodeFS("/root", root);
python.mountNodeFS("/packages", packages);
python.FS.chdir("/root");
python.globals.set("asked", python.toPy(asked));
process.exit(
  await python.runPythonAsync(`
import sys
sys.path += ["/root/src", "/root", "/packages"]
sys.dont_write_bytecode = True
from unittest.mock import MagicMock
import pytest
# hypothesis is partly machine code: laws are searched on the server, cases are checked here
laws = MagicMock(given=lambda *_, **__: pytest.mark.skip("a law"))
sys.modules |= {"hypothesis": laws, "hypothesis.strategies": laws.strategies}
int(pytest.main(["-q", "--noconftest", "-p", "no:cacheprovider", "-o", "addopts=", *asked]))
`),
);
