/* Pieces of a photograph and the areas they go to: the same shortest ways as on the server, without a page. */

/**
 * @typedef {{width: number, height: number, size: number[], middles: (number[] | null)[], pairs: number[], cost: number[]}} Graph
 *   middles: null for a piece that this view does not show
 * @typedef {Map<number, string>} Given piece to area
 */

/**
 * For every piece its neighbours and what the way to each costs.
 * @param {Graph} graph
 */
export function ways(graph) {
  /** @type {[number, number][][]} */
  const found = graph.size.map(() => []);
  graph.cost.forEach((cost, at) => {
    const [one, other] = [graph.pairs[2 * at], graph.pairs[2 * at + 1]];
    found[one].push([other, cost]);
    found[other].push([one, cost]);
  });
  return found;
}

/**
 * The area of every piece: that of the given piece it is reached from at the least cost; "" where none leads to.
 * @param {[number, number][][]} near
 * @param {Given} given
 * @returns {string[]}
 */
export function assigned(near, given) {
  const least = new Float64Array(near.length).fill(Infinity);
  const area = new Array(near.length).fill("");
  const heap = new Heap();
  for (const [piece, name] of [...given].sort((one, other) => one[0] - other[0])) {
    least[piece] = 0;
    area[piece] = name;
    heap.push(0, piece);
  }
  for (let next = heap.pop(); next; next = heap.pop()) {
    const [cost, piece] = next;
    if (cost > least[piece]) continue;
    for (const [other, way] of near[piece]) {
      if (cost + way >= least[other]) continue;
      least[other] = cost + way;
      area[other] = area[piece];
      heap.push(cost + way, other);
    }
  }
  return area;
}

/**
 * Larger pieces: the tree of pieces joined over their weakest borders first. parent of every node, pixels of every node.
 * @param {Graph} graph
 */
export function joined(graph) {
  const count = graph.size.length;
  const parent = new Array(count).fill(-1);
  const size = [...graph.size];
  const top = Array.from({ length: count }, (_, at) => at);
  const root = (node) => {
    let here = node;
    while (top[here] !== here) here = top[here] = top[top[here]];
    return here;
  };
  const order = graph.cost.map((cost, at) => [cost, at]).sort((one, other) => one[0] - other[0] || one[1] - other[1]);
  for (const [, at] of order) {
    const [one, other] = [root(graph.pairs[2 * at]), root(graph.pairs[2 * at + 1])];
    if (one === other) continue;
    const made = parent.length;
    parent.push(-1);
    size.push(size[one] + size[other]);
    parent[one] = parent[other] = top[one] = top[other] = made;
    top.push(made);
  }
  return { parent, size };
}

/**
 * All pieces of the largest joined piece about one that has no more pixels than a limit.
 * @param {{parent: number[], size: number[]}} tree
 * @param {number} piece
 * @param {number} limit pixels; 0 for the piece alone
 */
export function piecesAbout(tree, piece, limit, count) {
  let node = piece;
  while (tree.parent[node] >= 0 && tree.size[tree.parent[node]] <= limit) node = tree.parent[node];
  if (node === piece) return [piece];
  const found = [];
  for (let one = 0; one < count; one++) {
    let above = one;
    while (above >= 0 && above < node) above = tree.parent[above];
    if (above === node) found.push(one);
  }
  return found;
}

/**
 * The piece that lies nearest in a direction.
 * @param {Graph} graph
 * @param {number} piece
 * @param {number} right -1, 0 or 1
 * @param {number} down -1, 0 or 1
 */
export function pieceBeside(graph, piece, right, down) {
  const [x, y] = graph.middles[piece];
  let best = piece;
  let least = Infinity;
  graph.middles.forEach((middle, other) => {
    if (!middle) return;
    const [x2, y2] = middle;
    const along = (x2 - x) * right + (y2 - y) * down;
    const aside = Math.abs((x2 - x) * down) + Math.abs((y2 - y) * right);
    if (other === piece || along <= 0 || aside > along * 1.5) return;
    if (along + 2 * aside < least) [best, least] = [other, along + 2 * aside];
  });
  return best;
}

/**
 * Pieces that lie where the mirror image of an area falls, about the upright line that halves the figure best.
 * @param {Graph} graph
 * @param {string[]} area of every piece
 * @param {string} name
 */
export function mirrored(graph, area, name) {
  const shown = graph.middles.flatMap((middle, at) => (middle ? [at] : []));
  const weight = shown.reduce((sum, at) => sum + graph.size[at], 0);
  const axis = shown.reduce((sum, at) => sum + graph.middles[at][0] * graph.size[at], 0) / weight;
  const wide = Math.sqrt(weight / shown.length) * 0.8;
  const own = shown.filter((at) => area[at] === name).map((at) => [2 * axis - graph.middles[at][0], graph.middles[at][1]]);
  return shown.filter((at) => area[at] !== name && own.some(([x, y]) => Math.hypot(graph.middles[at][0] - x, graph.middles[at][1] - y) < wide));
}

/**
 * What another picture suggests for this one, the other side of the figure or a figure like it: each piece is given to the area
 * that lies where it does, the outlines laid on each other, if most of the piece lies there.
 * @param {{graph: Graph, labels: Int32Array}} here
 * @param {{graph: Graph, labels: Int32Array, area: string[]}} there with the area of every piece
 * @param {boolean} turned whether it is the other side: turned about, and without what shows from one side alone
 * @returns {Map<number, string>} piece to area
 */
export function suggested(here, there, turned) {
  const [mine, theirs] = [boxOf(here), boxOf(there)];
  /** @type {Map<string, number>[]} */
  const votes = here.graph.size.map(() => new Map());
  const wide = here.graph.width;
  for (let at = 0; at < here.labels.length; at += 2) {
    const piece = here.labels[at];
    if (piece < 0) continue;
    const across = ((at % wide) - mine.left) / mine.width;
    const down = (Math.floor(at / wide) - mine.top) / mine.height;
    const x = Math.round(theirs.left + (turned ? 1 - across : across) * theirs.width);
    const y = Math.round(theirs.top + down * theirs.height);
    const other = there.labels[y * there.graph.width + x];
    const area = other >= 0 ? there.area[other] : "";
    if (area && !(turned && ONE_SIDED.test(area))) votes[piece].set(area, (votes[piece].get(area) || 0) + 2);
  }
  const found = new Map();
  votes.forEach((counts, piece) => {
    const [area, count] = [...counts].reduce((best, next) => (next[1] > best[1] ? next : best), ["", 0]);
    if (count > SURE * here.graph.size[piece]) found.set(piece, area);
  });
  return hearts(here.graph, found);
}

/**
 * Of pieces given to areas those that lie in the heart of theirs, a few apart from each other: the rest follows from them.
 * @param {Graph} graph
 * @param {Map<number, string>} area
 */
function hearts(graph, area) {
  const rim = new Set();
  for (let at = 0; at < graph.pairs.length; at += 2) {
    const [one, other] = [graph.pairs[at], graph.pairs[at + 1]];
    if (area.get(one) !== area.get(other)) rim.add(one).add(other);
  }
  const apart = graph.height / APART;
  const kept = new Map();
  const order = [...area.keys()].sort((one, other) => Number(rim.has(one)) - Number(rim.has(other)) || graph.size[other] - graph.size[one] || one - other);
  const taken = new Map();
  for (const piece of order) {
    const before = taken.get(area.get(piece)) || [];
    const [x, y] = graph.middles[piece];
    if (before.length && (rim.has(piece) || before.length >= MOST_HEARTS)) continue;
    if (before.some((one) => Math.hypot(graph.middles[one][0] - x, graph.middles[one][1] - y) < apart)) continue;
    taken.set(area.get(piece), [...before, piece]);
    kept.set(piece, area.get(piece));
  }
  return kept;
}

/* Areas that show from one side alone, and the share of a piece that must agree. */
const ONE_SIDED = /^(head\.(face|eyes|beard|moustache)|torso\..*(lapel|collar|buttons|badge)|gear\.(pack|device|buckle)|shield\.)/;
const SURE = 0.6;
/* Hearts of an area at most, and how far apart: this part of the height. */
const MOST_HEARTS = 6;
const APART = 20;

function boxOf({ graph, labels }) {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let at = 0; at < labels.length; at++) {
    if (labels[at] < 0) continue;
    const [x, y] = [at % graph.width, Math.floor(at / graph.width)];
    [left, right, top, bottom] = [Math.min(left, x), Math.max(right, x), Math.min(top, y), Math.max(bottom, y)];
  }
  return { left, top, width: Math.max(right - left, 1), height: Math.max(bottom - top, 1) };
}

class Heap {
  constructor() {
    /** @type {[number, number][]} */
    this.items = [];
  }

  push(cost, piece) {
    const items = this.items;
    let at = items.length;
    items.push([cost, piece]);
    while (at) {
      const up = (at - 1) >> 1;
      if (!before(items[at], items[up])) break;
      [items[at], items[up]] = [items[up], items[at]];
      at = up;
    }
  }

  pop() {
    const items = this.items;
    const first = items[0];
    const last = items.pop();
    if (!items.length || !last) return first;
    items[0] = last;
    let at = 0;
    for (;;) {
      let low = at;
      for (const down of [2 * at + 1, 2 * at + 2]) if (down < items.length && before(items[down], items[low])) low = down;
      if (low === at) return first;
      [items[at], items[low]] = [items[low], items[at]];
      at = low;
    }
  }
}

const before = (one, other) => one[0] < other[0] || (one[0] === other[0] && one[1] < other[1]);
