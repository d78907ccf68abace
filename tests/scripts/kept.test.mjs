/* The queue of edits that could not be sent: one for each account and army, in order, moving on with what was made. */
import assert from "node:assert/strict";
import { test } from "node:test";
import { afterTaken, armyOf, read, saying, shelfOf, sortOut, words, write } from "../../src/mantello/shell/static/shell/js/kept.js";

class Shelf {
  constructor(held = {}) {
    this.held = new Map(Object.entries(held));
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

const edit = (army, base, name = "x") => ({ url: `/armies/${army}/set/`, entries: [["base", base], ["name", name]] });

test("what is written reads back in order, and an empty queue leaves nothing behind", () => {
  const shelf = new Shelf();
  write(shelf, "a", [edit(1, "4", "one"), edit(1, "4", "two")]);
  assert.deepEqual(read(shelf, "a").map((one) => one.entries[1][1]), ["one", "two"]);
  write(shelf, "a", []);
  assert.equal(shelf.held.size, 0);
});

test("what cannot be read is nothing, and strange members are left out", () => {
  for (const text of ["{", "null", "7", '{"url": "x"}', '[null, 3, {"url": 1, "entries": []}, {"url": "/a/"}]']) {
    assert.deepEqual(read(new Shelf({ a: text }), "a"), []);
  }
  assert.deepEqual(read(new Shelf(), "a"), []);
});

test("accounts and armies do not share a queue", () => {
  const names = new Set([shelfOf("1", "5"), shelfOf("1", "6"), shelfOf("2", "5"), shelfOf("1", "")]);
  assert.equal(names.size, 4);
});

test("an edit that was taken lets those of the same state move on to what it made", () => {
  const left = afterTaken([edit(1, "4", "one"), edit(1, "4", "two"), edit(1, "9", "three")], "5");
  assert.deepEqual(left.map((one) => one.entries), [[["base", "5"], ["name", "two"]], [["base", "9"], ["name", "three"]]]);
});

test("an edit that was refused changes none of the others", () => {
  const rest = [edit(1, "4", "two")];
  assert.deepEqual(afterTaken([edit(1, "4", "one"), ...rest], undefined), rest);
  assert.deepEqual(afterTaken([edit(1, "4")], "5"), []);
});

test("saying otherwise changes one entry of a copy and adds none", () => {
  const one = edit(1, "4");
  assert.deepEqual(saying(one, "name", "y").entries, [["base", "4"], ["name", "y"]]);
  assert.deepEqual(saying(one, "token", "y").entries, one.entries);
  assert.equal(one.entries[1][1], "x");
});

test("the one queue of before is sorted out by army, behind what is there, and once", () => {
  const shelf = new Shelf();
  write(shelf, "mantello-kept", [edit(5, "1", "old"), edit(6, "1"), { url: "/account/", entries: [] }]);
  write(shelf, shelfOf("1", "5"), [edit(5, "1", "new")]);
  sortOut(shelf, "1");
  sortOut(shelf, "1");
  assert.deepEqual(read(shelf, shelfOf("1", "5")).map((one) => one.entries[1][1]), ["new", "old"]);
  assert.equal(read(shelf, shelfOf("1", "6")).length, 1);
  assert.equal(read(shelf, shelfOf("1", "")).length, 1);
  assert.equal(shelf.getItem("mantello-kept"), null);
});

test("the army is read from the address", () => {
  assert.equal(armyOf(edit(12, "1")), "12");
  assert.equal(armyOf({ url: "/account/", entries: [] }), "");
});

test("the bar counts in words", () => {
  assert.match(words(1), /1 change:/);
  assert.match(words(2), /2 changes:/);
});
