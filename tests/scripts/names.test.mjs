import assert from "node:assert/strict";
import { test } from "node:test";
import { namesIn } from "../../src/mantello/shell/static/shell/js/names.js";

test("lines and tabs make a block", () => {
  assert.deepEqual(namesIn("Field\tFacing\r\nPlume\t\r\n"), [
    ["Field", "Facing"],
    ["Plume", ""],
  ]);
});

test("fields in quotes keep tabs, breaks and quotes", () => {
  assert.deepEqual(namesIn('"a\tb"\t"say ""no"""\n"two\nlines"'), [["a\tb", 'say "no"'], ["two\nlines"]]);
});

test("a single name and nothing", () => {
  assert.deepEqual(namesIn(" Field "), [["Field"]]);
  assert.deepEqual(namesIn("\n\t\n"), []);
});
