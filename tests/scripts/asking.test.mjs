/* Headers of a request are merged, never replaced. */
import assert from "node:assert/strict";
import { test } from "node:test";
import { ask, asked } from "../../src/mantello/shell/static/shell/js/asking.js";

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

test("a part of a page never leads elsewhere, a page may", async () => {
  const seen = [];
  globalThis.document = { body: { setAttribute() {}, removeAttribute() {} } };
  globalThis.fetch = async (url, options) => {
    seen.push(options.redirect);
    return new Response("");
  };
  await asked("/part/");
  await ask("/page/");
  assert.deepEqual(seen, ["error", "follow"]);
});
