import assert from "node:assert/strict";
import { test } from "node:test";
import { cornersOf, pose } from "../../src/mantello/shell/static/shell/js/turning.js";

/** One triangle as it is sent: three corners of 12 bytes. */
function sent(corners, area = 0, step = 0.5) {
  const data = new DataView(new ArrayBuffer(8 + corners.length * 12));
  data.setUint32(0, corners.length / 3, true);
  data.setFloat32(4, step, true);
  corners.forEach((at, number) => {
    at.forEach((value, axis) => data.setInt16(8 + number * 12 + axis * 2, value / step, true));
    data.setUint8(8 + number * 12 + 10, area);
  });
  return data.buffer;
}

const BOX = [[-5, 0, -2], [5, 20, 2], [0, 10, 0]];
const at = (matrix, [x, y, z]) => [0, 1, 2].map((row) => matrix[row] * x + matrix[4 + row] * y + matrix[8 + row] * z + matrix[12 + row]);

test("corners carry the colour of their area, grey for none, and how far they reach", () => {
  const found = cornersOf(sent(BOX, 1), ["#ff0000", "#0a141e"]);
  assert.deepEqual([...found.colours.slice(0, 3)], [10, 20, 30]);
  assert.deepEqual([found.low, found.high, found.count], [[-5, 0, -2], [5, 20, 2], 3]);
  assert.deepEqual([...cornersOf(sent(BOX, 255), ["#ff0000"]).colours.slice(0, 3)], [150, 150, 150]);
  assert.throws(() => cornersOf(sent(BOX).slice(0, 30), []), RangeError);
});

test("the front shows at 0, the left at 90, and the middle is the middle", () => {
  const [low, high] = [[-5, 0, -2], [5, 20, 2]];
  const front = pose(0, 0, low, high, 1.6).matrix;
  const near = ([x, y, z], wanted) => [x, y, z].forEach((value, axis) => assert.ok(Math.abs(value - wanted[axis]) < 1e-9));
  near(at(front, [0, 10, 0]), [0, 0, 0]);
  // what is nearer has the smaller depth, and the figure's left is at the right
  assert.ok(at(front, [0, 10, 2])[2] < at(front, [0, 10, -2])[2]);
  assert.ok(at(front, [5, 10, 0])[0] > 0);
  const left = pose(90, 0, low, high, 1.6).matrix;
  assert.ok(at(left, [5, 10, 0])[2] < at(left, [-5, 10, 0])[2]);
  // looked down on, the top of what is near lies lower than the top of what is far
  const above = pose(0, 40, low, high, 1.6).matrix;
  assert.ok(at(above, [0, 20, 2])[1] < at(above, [0, 20, -2])[1]);
});

test("however it is turned, all of it stays in the picture", () => {
  const [low, high] = [[-13, 0, -30], [13, 30, 30]];
  for (const aspect of [0.6, 1.6]) {
    for (let about = -180; about <= 180; about += 15) {
      for (let down = -10; down <= 80; down += 10) {
        const { matrix } = pose(about, down, low, high, aspect);
        for (const x of [-13, 13]) for (const y of [0, 30]) for (const z of [-30, 30]) {
          const place = at(matrix, [x, y, z]);
          assert.ok(place.every((value) => Math.abs(value) <= 1), `${about} ${down}: ${place}`);
        }
      }
    }
  }
});
