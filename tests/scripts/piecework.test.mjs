/* Pieces given to areas in the browser: shortest ways, larger pieces, walking by keys, the other side. */
import assert from "node:assert/strict";
import { test } from "node:test";
import { assigned, joined, mirrored, pieceBeside, piecesAbout, suggested, ways } from "../../src/mantello/shell/static/shell/js/piecework.js";

/* Two rows of three pieces; a strong border between the rows. */
const graph = {
  width: 30,
  height: 20,
  size: [100, 100, 100, 100, 100, 100],
  middles: [[5, 5], [15, 5], [25, 5], [5, 15], [15, 15], [25, 15]],
  pairs: [0, 1, 1, 2, 3, 4, 4, 5, 0, 3, 1, 4, 2, 5],
  cost: [10, 12, 10, 12, 9000, 9000, 9000],
};
const near = ways(graph);

test("a piece goes where it is reached from at the least cost, and a given one stays", () => {
  assert.deepEqual(assigned(near, new Map([[0, "top"], [5, "low"]])), ["top", "top", "top", "low", "low", "low"]);
  assert.deepEqual(assigned(near, new Map([[0, "top"], [2, "right"], [3, "low"]])), ["top", "top", "right", "low", "low", "low"]);
  assert.deepEqual(assigned(near, new Map()), ["", "", "", "", "", ""]);
});

test("an island that no way leads to has no area", () => {
  const alone = ways({ ...graph, pairs: [0, 1], cost: [1] });
  assert.deepEqual(assigned(alone, new Map([[0, "top"]])), ["top", "top", "", "", "", ""]);
});

test("larger pieces join over weak borders first and stop at a limit", () => {
  const tree = joined(graph);
  assert.deepEqual(piecesAbout(tree, 0, 0, 6), [0]);
  assert.deepEqual(piecesAbout(tree, 0, 200, 6), [0, 1]);
  assert.deepEqual(piecesAbout(tree, 2, 300, 6), [0, 1, 2]);
  assert.deepEqual(piecesAbout(tree, 2, 600, 6), [0, 1, 2, 3, 4, 5]);
});

test("arrows go to the piece beside, and stay where there is none", () => {
  assert.equal(pieceBeside(graph, 0, 1, 0), 1);
  assert.equal(pieceBeside(graph, 1, 0, 1), 4);
  assert.equal(pieceBeside(graph, 2, 1, 0), 2);
});

test("the other side is mirrored about the middle of the figure", () => {
  assert.deepEqual(mirrored(graph, ["arm", "", "", "", "", ""], "arm"), [2]);
});

test("pieces that a view does not show are no neighbours and have no mirror image there", () => {
  const graph = { width: 9, height: 3, size: [4, 4, 4, 90], middles: [[1, 1], [4, 1], [7, 1], null], pairs: [0, 1, 1, 2, 2, 3], cost: [1, 1, 1] };
  assert.equal(pieceBeside(graph, 0, 1, 0), 1);
  assert.equal(pieceBeside(graph, 0, -1, 0), 0);
  assert.deepEqual(mirrored(graph, ["a", "", "", ""], "a"), [2]);
});

test("what the other side shows is suggested turned about, but for what only one side has", () => {
  // a body between two arms, the left arm at the right of the front
  const row = (left, middle, right) => [left, left, middle, middle, right, right];
  const of = (labels) => ({ graph: { width: 6, height: 2, size: [4, 4, 4], middles: [[0, 0], [2, 0], [4, 0]], pairs: [], cost: [] }, labels: Int32Array.from([...labels, ...labels]) });
  const front = { ...of(row(0, 1, 2)), area: ["arm.right.sleeve", "torso.tunic", "arm.left.sleeve"] };
  const found = suggested(of(row(0, 1, 2)), front, true);
  assert.deepEqual([...found].sort(), [[0, "arm.left.sleeve"], [1, "torso.tunic"], [2, "arm.right.sleeve"]]);
  const faced = { ...front, area: ["arm.right.sleeve", "head.face", ""] };
  assert.deepEqual([...suggested(of(row(0, 1, 2)), faced, true)], [[2, "arm.right.sleeve"]]);
  // of a figure like it nothing is turned, and the face shows
  assert.deepEqual([...suggested(of(row(0, 1, 2)), faced, false)].sort(), [[0, "arm.right.sleeve"], [1, "head.face"]]);
});
