/* Only the newest answer counts. */
import assert from "node:assert/strict";
import { test } from "node:test";
import { newest } from "../../src/mantello/shell/static/shell/js/newest.js";

const later = () => {
  let answer;
  const waiting = new Promise((resolve) => {
    answer = resolve;
  });
  return { ask: () => waiting, answer };
};

test("a late answer to an older question is nothing", async () => {
  const latest = newest();
  const [first, second] = [later(), later()];
  const answers = [latest(first.ask), latest(second.ask)];
  second.answer("new");
  first.answer("old");
  assert.deepEqual(await Promise.all(answers), [null, "new"]);
});

test("an older question that is answered first is nothing either", async () => {
  const latest = newest();
  const [first, second] = [later(), later()];
  const answers = [latest(first.ask), latest(second.ask)];
  first.answer("old");
  second.answer("new");
  assert.deepEqual(await Promise.all(answers), [null, "new"]);
});

test("two askers do not know of each other", async () => {
  const [one, other] = [newest(), newest()];
  assert.deepEqual(await Promise.all([one(async () => 1), other(async () => 2)]), [1, 2]);
});

test("a question that fails, fails", async () => {
  const latest = newest();
  await assert.rejects(latest(async () => { throw new TypeError("gone"); }), TypeError);
});
