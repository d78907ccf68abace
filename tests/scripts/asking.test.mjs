/* Headers of a request are merged, never replaced. */
import assert from "node:assert/strict";
import { test } from "node:test";
import { asked } from "../../src/mantello/shell/static/shell/js/asking.js";

test("a caller's headers, method and body stay beside the mark of a script", async () => {
  const seen = [];
  globalThis.fetch = async (url, options) => {
    seen.push([url, options]);
    return new Response("");
  };
  await asked("/x/", { method: "POST", body: "a=1", headers: { Accept: "application/json" } });
  await asked("/y/");
  assert.equal(seen[0][1].headers.get("Accept"), "application/json");
  assert.equal(seen[0][1].method, "POST");
  assert.deepEqual(seen.map(([, options]) => options.headers.get("X-Requested-With")), ["fetch", "fetch"]);
});
