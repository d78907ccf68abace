/* The queue of edits that could not be sent: a place for each, in order, by account and army, moving on with what was made. */
import assert from "node:assert/strict";
import { test } from "node:test";
import { all, armyOf, drop, keep, meaning, mine, others, pause, reason, saying, sortOut, taken, words } from "../../src/mantello/shell/static/shell/js/kept.js";

class Places {
  constructor(held = {}) {
    this.held = new Map(Object.entries(held));
  }
  get length() {
    return this.held.size;
  }
  key(at) {
    return [...this.held.keys()][at] ?? null;
  }
  getItem(key) {
    return this.held.get(key) ?? null;
  }
  setItem(key, value) {
    this.held.set(key, value);
  }
  removeItem(key) {
    this.held.delete(key);
  }
}

const ROSA = { account: "1", name: "rosa", army: "5" };
const edit = (army, base, name = "x") => ({ url: `/armies/${army}/set/`, entries: [["base", base], ["name", name], ["token", `t-${name}`]] });
const names = (edits) => edits.map((one) => one.entries[1][1]);

test("what is kept is read back in the order it was made, even within one instant", () => {
  const places = new Places();
  for (const name of ["one", "two", "three"]) keep(places, edit(5, "4", name), ROSA, 1000);
  assert.deepEqual(names(mine(places, "1", "5")), ["one", "two", "three"]);
  drop(places, mine(places, "1", "5")[1]);
  assert.deepEqual(names(mine(places, "1", "5")), ["one", "three"]);
});

test("two tabs that keep at the same moment lose nothing of each other", () => {
  const places = new Places();
  const before = new Places();
  keep(places, edit(5, "4", "one"), ROSA, 1000);
  keep(before, edit(5, "4", "two"), ROSA, 1000); // the other tab did not see the first yet
  for (const [key, value] of before.held) places.setItem(key, value);
  assert.equal(mine(places, "1", "5").length, 2);
});

test("accounts and armies do not share, and it is remembered whose an edit is", () => {
  const places = new Places();
  keep(places, edit(5, "4", "one"), ROSA, 1000);
  keep(places, edit(6, "4", "two"), { ...ROSA, army: "6" }, 1001);
  keep(places, edit(7, "4", "three"), { account: "2", name: "carlo", army: "7" }, 1002);
  assert.deepEqual(names(mine(places, "1", "5")), ["one"]);
  assert.equal(all(places).length, 3);
  assert.equal(others(all(places), "1", "5"), "1 of another army of yours, 1 of carlo");
  assert.equal(others(all(places), "", ""), "2 of rosa, 1 of carlo");
  assert.equal(others([], "1", "5"), "");
});

test("what cannot be read is nothing, and other things in the browser are left alone", () => {
  const places = new Places({ "mantello-kept/1/5/1": "{", "mantello-kept/1/5/2": "null", "mantello-kept/1/5/3": '{"url": 1, "entries": []}', other: "7" });
  assert.deepEqual(all(places), []);
  sortOut(places, ROSA, 1);
  assert.equal(places.getItem("other"), "7");
});

test("an edit that was taken lets those of the same state move on to what it made", () => {
  const places = new Places();
  for (const [base, name] of [["4", "one"], ["4", "two"], ["9", "three"]]) keep(places, edit(5, base, name), ROSA, 1000);
  taken(places, mine(places, "1", "5")[0], "5");
  assert.deepEqual(mine(places, "1", "5").map((one) => [one.entries[0][1], one.entries[1][1]]), [["5", "two"], ["9", "three"]]);
  taken(places, mine(places, "1", "5")[0], undefined);
  assert.deepEqual(mine(places, "1", "5").map((one) => one.entries[0][1]), ["9"]);
});

test("saying otherwise changes one entry of a copy and adds none", () => {
  const one = edit(1, "4");
  assert.deepEqual(saying(one, "name", "y").entries[1], ["name", "y"]);
  assert.deepEqual(saying(one, "note", "y").entries, one.entries);
  assert.equal(one.entries[1][1], "x");
});

test("the lists of before are put in places of their own, in their order, once", () => {
  const places = new Places({
    "mantello-kept": JSON.stringify([edit(5, "1", "oldest"), { url: "/account/", entries: [] }]),
    "mantello-kept:1:5": JSON.stringify([edit(5, "1", "old"), edit(5, "1", "newer")]),
    "mantello-kept:2:8": JSON.stringify([edit(8, "1", "carlo's")]),
  });
  sortOut(places, ROSA, 1000);
  sortOut(places, ROSA, 2000);
  assert.deepEqual(names(mine(places, "1", "5")), ["oldest", "old", "newer"]);
  assert.equal(mine(places, "1", "").length, 1);
  assert.equal(mine(places, "2", "8").length, 1);
  assert.equal(places.getItem("mantello-kept"), null);
  assert.equal(places.getItem("mantello-kept:1:5"), null);
});

test("the army is read from the address", () => {
  assert.equal(armyOf(edit(12, "1")), "12");
  assert.equal(armyOf({ url: "/account/", entries: [] }), "");
});

test("only what the server took, or refused on a page that says why, is done with", () => {
  const wanted = { 200: "taken", 204: "taken", 409: "refused", 422: "refused", 413: "refused", 401: "later", 403: "unproved", 404: "missing", 429: "later", 500: "later", 502: "later", 503: "later" };
  for (const [status, means] of Object.entries(wanted)) assert.equal(meaning(Number(status), false), means, status);
  assert.equal(meaning(200, true), "later");
});

test("the bar counts in words and says why", () => {
  assert.match(words(1, "x"), /1 change: x/);
  assert.match(words(2, "x"), /2 changes: x/);
  const said = new Set([reason("missing", 404), reason("unproved", 403), reason("later", 429), reason("later", 503), reason("later", 200), reason("away", 0)]);
  assert.equal(said.size, 6);
});

test("it is tried again after longer and longer pauses, five minutes at most", () => {
  const pauses = [1, 2, 3, 4, 5, 6, 50].map(pause);
  assert.deepEqual(pauses, [15, 30, 60, 120, 240, 300, 300]);
});
