/* The surface of a model as it was sent, and how it stands when it is turned: without a page. */

const HEAD = 8;
const BYTES = 12;
const AREA = 10;
const NO_AREA = 255;
const GREY = [150, 150, 150];
/* air about the figure, as a share */
const AIR = 1.08;

/**
 * @param {ArrayBuffer} sent how many triangles, mm of a step, then three corners of 12 bytes for each
 * @param {string[]} fills colour of every area, as #rrggbb
 */
export function cornersOf(sent, fills) {
  const view = new DataView(sent);
  const count = view.getUint32(0, true) * 3;
  const step = view.getFloat32(4, true);
  if (sent.byteLength !== HEAD + count * BYTES) throw new RangeError(`${sent.byteLength} bytes for ${count} corners`);
  const known = fills.map((fill) => [1, 3, 5].map((at) => Number.parseInt(fill.slice(at, at + 2), 16)));
  const colours = new Uint8Array(count * 3);
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let at = 0; at < count; at++) {
    const place = HEAD + at * BYTES;
    const area = view.getUint8(place + AREA);
    colours.set(area === NO_AREA ? GREY : known[area] || GREY, at * 3);
    for (let axis = 0; axis < 3; axis++) {
      const value = view.getInt16(place + 2 * axis, true) * step;
      low[axis] = Math.min(low[axis], value);
      high[axis] = Math.max(high[axis], value);
    }
  }
  return { count, step, colours, low, high, corners: new Uint8Array(sent, HEAD), bytes: BYTES };
}

/**
 * The figure turned about its upright, then tipped towards the viewer, seen without perspective and filling the picture.
 * @param {number} about degrees; 0 shows its front, 90 its left
 * @param {number} down degrees that it is looked down on
 * @param {number[]} low least of each axis, mm
 * @param {number[]} high most of each axis, mm
 * @param {number} aspect width of the picture over its height
 * @returns {{matrix: number[], turn: number[]}} column by column
 */
export function pose(about, down, low, high, aspect) {
  const [a, d] = [(-about * Math.PI) / 180, (down * Math.PI) / 180];
  const [ca, sa, cd, sd] = [Math.cos(a), Math.sin(a), Math.cos(d), Math.sin(d)];
  /* columns: where x, y and z go */
  const turn = [ca, sa * sd, -sa * cd, 0, cd, sd, sa, -ca * sd, ca * cd];
  const middle = low.map((least, axis) => (least + high[axis]) / 2);
  const round = Math.hypot(high[0] - low[0], high[2] - low[2]);
  const tall = (high[1] - low[1]) * cd + round * Math.abs(sd);
  const half = (AIR / 2) * Math.max(tall, round / aspect);
  const deep = Math.hypot(round, high[1] - low[1]);
  const [x, y, z] = [1 / (half * aspect), 1 / half, -1 / deep];
  const matrix = [];
  for (let column = 0; column < 3; column++) matrix.push(turn[3 * column] * x, turn[3 * column + 1] * y, turn[3 * column + 2] * z, 0);
  const moved = [0, 1, 2].map((row) => -(turn[row] * middle[0] + turn[3 + row] * middle[1] + turn[6 + row] * middle[2]));
  matrix.push(moved[0] * x, moved[1] * y, moved[2] * z, 1);
  return { matrix, turn };
}
