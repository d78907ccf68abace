/* A photograph whose pieces are given to named areas: by click, stroke or keys; kept a moment after every change. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { assigned, joined, mirrored, pieceBeside, piecesAbout, suggested, ways } from "./piecework.js";

/* Pixels up to which pieces are taken together, by the wheel; milliseconds until a change is sent. */
const SIZES = [0, 500, 2000, 8000, 30000];
const WAIT = 500;
const MOST_UNDO = 200;
/* Shares of the picture that a cross moves by keys. */
const NEAR = 0.01;
const FAR = 0.05;
/* Bytes that a browser sends on when a page is left. */
const MOST_KEPT_ALIVE = 60000;

behaviour("hand-out", async (box) => {
  const canvas = box.querySelector("canvas[data-areas]");
  const marks = box.querySelector("canvas[data-marks]");
  const said = box.querySelector("[data-said]");
  const list = document.getElementById("hand-list");
  const field = /** @type {HTMLInputElement} */ (document.getElementById("hand-area"));
  const words = new Map([...document.querySelectorAll("#hand-known option")].map((one) => [one.getAttribute("data-area"), /** @type {HTMLOptionElement} */ (one).value]));
  /** @type {{tool: string, hand: string, here: number, level: number, drawing: boolean, stroke: number[][], cross: number[] | null}} */
  const state = { tool: "give", hand: "", here: -1, level: 0, drawing: false, stroke: [], cross: null };
  /** @type {Map<number, string>} */
  let given = new Map(Object.entries(JSON.parse(box.dataset.given)).map(([piece, area]) => [Number(piece), area]));
  const undo = [];
  const strokes = [];
  let graph, labels;
  try {
    const [told, pieces] = await Promise.all([asked(box.dataset.graph).then((answer) => answer.json()), loaded(box.dataset.pieces)]);
    graph = told;
    labels = numbers(pieces, graph);
  } catch {
    said.textContent = "The pieces cannot be fetched; look again in a moment.";
    return;
  }
  const [near, tree] = [ways(graph), joined(graph)];
  for (const one of [canvas, marks]) [one.width, one.height] = [graph.width, graph.height];
  let areas = assigned(near, given);
  const colours = new Map();

  const colour = (area) => {
    if (!colours.has(area)) colours.set(area, rgb((colours.size * 137.5) % 360));
    return colours.get(area);
  };

  function draw() {
    for (const area of [...new Set(given.values())].sort()) colour(area);
    const paper = canvas.getContext("2d");
    const sheet = paper.createImageData(graph.width, graph.height);
    for (let at = 0; at < labels.length; at++) {
      const area = labels[at] >= 0 ? areas[labels[at]] : "";
      if (!area) continue;
      const right = labels[at + 1] >= 0 ? areas[labels[at + 1]] : "";
      const below = labels[at + graph.width] >= 0 ? areas[labels[at + graph.width]] : "";
      const edge = right !== area || below !== area;
      const [red, green, blue] = edge ? [27, 27, 27] : colour(area);
      sheet.data.set([red, green, blue, edge ? 255 : 130], at * 4);
    }
    paper.putImageData(sheet, 0, 0);
    tell();
  }

  function mark() {
    const paper = marks.getContext("2d");
    paper.clearRect(0, 0, marks.width, marks.height);
    for (const [kind, line] of [...strokes, ...(state.stroke.length ? [[state.tool, state.stroke]] : [])]) {
      paper.strokeStyle = { figure: "#2f6f4f", table: "#a33", border: "#1b1b1b" }[kind];
      paper.lineWidth = kind === "border" ? 3 : 9;
      paper.lineCap = "round";
      paper.beginPath();
      line.forEach(([x, y], at) => (at ? paper.lineTo(x * graph.width, y * graph.height) : paper.moveTo(x * graph.width, y * graph.height)));
      paper.lineTo(line[0][0] * graph.width + 0.1, line[0][1] * graph.height);
      paper.stroke();
    }
    if (mending() && state.cross) {
      const [x, y] = [state.cross[0] * graph.width, state.cross[1] * graph.height];
      paper.strokeStyle = "#f0c14b";
      paper.lineWidth = 3;
      paper.beginPath();
      for (const [right, down] of [
        [14, 0],
        [0, 14],
      ]) {
        paper.moveTo(x - right, y - down);
        paper.lineTo(x + right, y + down);
      }
      paper.stroke();
    }
    if (state.here < 0 || mending()) return;
    const taken = new Set(group());
    const sheet = paper.createImageData(graph.width, graph.height);
    for (let at = 0; at < labels.length; at++) {
      if (!taken.has(labels[at])) continue;
      const rim = !taken.has(labels[at + 1]) || !taken.has(labels[at - 1]) || !taken.has(labels[at + graph.width]) || !taken.has(labels[at - graph.width]);
      sheet.data.set(rim ? [255, 200, 40, 255] : [255, 200, 40, 60], at * 4);
    }
    paper.putImageData(sheet, 0, 0);
  }

  const mending = () => ["figure", "table", "border"].includes(state.tool);
  const group = () => piecesAbout(tree, state.here, SIZES[state.level], graph.size.length);

  function tell() {
    const pixels = new Map();
    areas.forEach((area, piece) => area && pixels.set(area, (pixels.get(area) || 0) + graph.size[piece]));
    const whole = graph.size.reduce((sum, size) => sum + size, 0);
    list.replaceChildren(...[...pixels].sort().map(([area, count]) => row(area, count / whole)));
    const share = [...pixels.values()].reduce((sum, count) => sum + count, 0) / whole;
    document.getElementById("hand-told").textContent = pixels.size ? `${pixels.size} areas, ${Math.round(share * 100)} % of the figure` : "Nothing is given yet.";
  }

  function row(area, share) {
    const one = document.createElement("li");
    const button = document.createElement("button");
    button.type = "button";
    button.setAttribute("aria-pressed", String(area === state.hand));
    const dot = document.createElement("canvas");
    [dot.width, dot.height] = [14, 14];
    const paper = dot.getContext("2d");
    paper.fillStyle = `rgb(${colour(area).join(",")})`;
    paper.fillRect(0, 0, 14, 14);
    const name = document.createElement("span");
    name.textContent = words.get(area) || area;
    const much = document.createElement("span");
    much.className = "dim";
    much.textContent = `${(share * 100).toFixed(1)} %`;
    button.append(dot, name, much);
    button.addEventListener("click", () => take(area));
    one.append(button);
    return one;
  }

  function take(area) {
    state.hand = area;
    field.value = words.get(area) || area;
    choose("give");
    tell();
    said.textContent = `Click the pieces of ${words.get(area) || area}.`;
    canvas.focus({ preventScroll: true });
  }

  function choose(tool) {
    state.tool = tool;
    for (const one of box.querySelectorAll("[data-tool]")) one.setAttribute("aria-pressed", String(one.dataset.tool === tool));
    if (mending()) {
      said.textContent = "Draw with the pointer, or by keys: arrows move, Enter sets a point, End ends the line.";
      canvas.focus({ preventScroll: true });
    }
    mark();
  }

  function changed(next) {
    undo.push(given);
    if (undo.length > MOST_UNDO) undo.shift();
    given = next;
    areas = assigned(near, given);
    draw();
    keep();
  }

  function give(pieces) {
    if (state.tool === "give" && !state.hand) {
      said.textContent = "First say what the area is called, on the right.";
      field.focus();
      return;
    }
    const next = new Map(given);
    for (const piece of pieces) {
      if (state.tool === "give") next.set(piece, state.hand);
      else next.delete(piece);
    }
    changed(next);
    said.textContent = state.tool === "give" ? `Given to ${words.get(state.hand) || state.hand}.` : "Taken away.";
  }

  let timer = 0;
  /** @type {Promise<void>} */
  let sending = Promise.resolve();
  const status = document.getElementById("hand-kept");
  function keep() {
    clearTimeout(timer);
    status.textContent = "to be kept ...";
    timer = setTimeout(send, WAIT);
  }
  async function send() {
    clearTimeout(timer);
    timer = 0;
    const csrf = /** @type {HTMLInputElement} */ (document.querySelector("input[name=csrfmiddlewaretoken]")).value;
    const body = new URLSearchParams({ csrfmiddlewaretoken: csrf, given: JSON.stringify(Object.fromEntries(given)) });
    sending = sending.then(async () => {
      const answer = await asked(box.dataset.save, { method: "POST", body, keepalive: String(body).length < MOST_KEPT_ALIVE }).catch(() => null);
      if (answer && answer.ok) status.textContent = "kept";
      else {
        status.textContent = answer ? `not kept: ${await answer.text()}` : "not kept: the server cannot be reached; it is tried again";
        if (!answer) timer = setTimeout(send, 5 * WAIT);
      }
    });
    return sending;
  }

  /** @returns {[number, number]} */
  const place = (event) => {
    const at = canvas.getBoundingClientRect();
    return [(event.clientX - at.left) / at.width, (event.clientY - at.top) / at.height];
  };
  const pieceAt = ([x, y]) => {
    const [column, line] = [Math.floor(x * graph.width), Math.floor(y * graph.height)];
    return column >= 0 && line >= 0 && column < graph.width && line < graph.height ? labels[line * graph.width + column] : -1;
  };
  canvas.addEventListener("pointermove", (event) => {
    const at = place(event);
    if (state.drawing && mending()) {
      state.stroke.push(at);
      mark();
      return;
    }
    const piece = pieceAt(at);
    if (piece === state.here) return;
    state.here = piece;
    if (state.drawing && piece >= 0) give(group());
    mark();
  });
  canvas.addEventListener("pointerdown", (event) => {
    if (event.button) return;
    const at = place(event);
    canvas.setPointerCapture(event.pointerId);
    state.drawing = true;
    if (mending()) state.stroke = [at];
    else {
      state.here = pieceAt(at);
      if (state.here >= 0) give(group());
    }
    mark();
  });
  function ended() {
    state.drawing = false;
    if (state.stroke.length) strokes.push([state.tool, state.stroke]);
    state.stroke = [];
    told();
    mark();
  }
  function told() {
    const field_ = box.querySelector("[name=strokes]");
    if (!field_) return;
    field_.value = JSON.stringify(strokes);
    box.querySelector("[data-mend]").hidden = !strokes.length;
  }
  for (const name of ["pointerup", "pointercancel"]) canvas.addEventListener(name, ended);
  canvas.addEventListener("pointerleave", () => {
    if (!state.drawing) state.here = -1;
    mark();
  });
  canvas.addEventListener(
    "wheel",
    (event) => {
      if (state.here < 0) return;
      event.preventDefault();
      larger(event.deltaY < 0 ? 1 : -1);
    },
    { passive: false },
  );

  function larger(by) {
    state.level = Math.min(SIZES.length - 1, Math.max(0, state.level + by));
    said.textContent = state.level ? `Pieces ${state.level + 1} of ${SIZES.length} in size.` : "Single pieces.";
    mark();
  }

  function back() {
    const before = undo.pop();
    if (!before) return;
    given = before;
    areas = assigned(near, given);
    draw();
    keep();
    said.textContent = "Undone.";
  }

  /** While something is drawn, arrows move a cross, Enter sets a point, End ends the line, Delete takes the last line back. */
  function drawnByKeys(event) {
    const to = keys[event.key];
    if (to) {
      const step = event.shiftKey ? FAR : NEAR;
      const [x, y] = state.cross || [0.5, 0.5];
      state.cross = [Math.min(1, Math.max(0, x + to[0] * step)), Math.min(1, Math.max(0, y + to[1] * step))];
      said.textContent = `At ${Math.round(state.cross[0] * 100)} across, ${Math.round(state.cross[1] * 100)} down.`;
    } else if (event.key === "Enter" || event.key === " ") {
      state.cross = state.cross || [0.5, 0.5];
      state.stroke.push(state.cross);
      said.textContent = `${state.stroke.length} points; End ends the line.`;
    } else if (event.key === "End" || event.key === "Escape") ended();
    else if (event.key === "Delete" || event.key === "Backspace") {
      strokes.pop();
      told();
    } else return false;
    event.preventDefault();
    mark();
    return true;
  }

  const keys = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
  canvas.addEventListener("keydown", (event) => {
    if (mending() && drawnByKeys(event)) return;
    const to = keys[event.key];
    if (to) {
      event.preventDefault();
      state.here = state.here < 0 ? largest(graph) : pieceBeside(graph, state.here, to[0], to[1]);
      said.textContent = areas[state.here] ? words.get(areas[state.here]) || areas[state.here] : "not given yet";
    } else if ((event.key === "Enter" || event.key === " ") && state.here >= 0) {
      event.preventDefault();
      choose("give");
      give(group());
    } else if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      if (state.here >= 0) {
        choose("take");
        give(group());
      }
    } else if (event.key === "+" || event.key === "-") larger(event.key === "+" ? 1 : -1);
    else if (event.key === "z" && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      back();
    } else return;
    mark();
  });
  box.addEventListener("click", (event) => {
    const one = event.target.closest("button");
    if (!one) return;
    if (one.dataset.tool) choose(one.dataset.tool);
    if (one.dataset.undo !== undefined) back();
    if (one.dataset.larger) larger(Number(one.dataset.larger));
    if (one.dataset.mirror !== undefined) otherSide();
    if (one.dataset.from) otherView(one.dataset);
  });

  async function otherView(from) {
    said.textContent = `What ${from.from} tells is being fetched ...`;
    let found;
    try {
      const [told, pieces] = await Promise.all([asked(from.fromGraph).then((answer) => answer.json()), loaded(from.fromPieces)]);
      const area = assigned(ways(told), new Map(Object.entries(JSON.parse(from.fromGiven)).map(([piece, name]) => [Number(piece), name])));
      found = suggested({ graph, labels }, { graph: told, labels: numbers(pieces, told), area }, from.turned !== undefined);
    } catch {
      said.textContent = "It cannot be fetched; try again in a moment.";
      return;
    }
    const next = new Map(given);
    for (const [piece, area] of found) if (!next.has(piece)) next.set(piece, area);
    changed(next);
    said.textContent = `${new Set(found.values()).size} areas given as ${from.turned === undefined ? "on" : "seen from"} ${from.from}; put right what differs, or undo it all.`;
  }

  function otherSide() {
    const other = state.hand.split(".").map((step) => ({ left: "right", right: "left" })[step] || step).join(".");
    if (!state.hand || other === state.hand || !areas.includes(other)) {
      said.textContent = "Take an area of one side in hand whose other side is given already.";
      return;
    }
    const pieces = mirrored(graph, areas, other).filter((piece) => !given.has(piece));
    choose("give");
    give(pieces);
    said.textContent = `${pieces.length} pieces given as on the other side; put right what differs.`;
  }

  field.addEventListener("change", async () => {
    const known = [...words].find(([, said_]) => said_ === field.value.trim().toLowerCase());
    if (known) return take(known[0]);
    if (!field.value.trim()) return undefined;
    const answer = await asked(`${box.dataset.name}?${new URLSearchParams({ words: field.value })}`).catch(() => null);
    const wrong = document.getElementById("hand-wrong");
    wrong.textContent = answer ? (answer.ok ? "" : await answer.text()) : "The server cannot be reached; try again in a moment.";
    wrong.hidden = !wrong.textContent;
    if (!answer || !answer.ok) return undefined;
    const told = await answer.json();
    words.set(told.area, told.words);
    take(told.area);
    if (told.new) said.textContent = `'${told.words}' is a name of your own; click its pieces.`;
    return undefined;
  });
  field.addEventListener("keydown", (event) => {
    if (event.key !== "Enter") return;
    event.preventDefault();
    field.dispatchEvent(new Event("change"));
  });
  for (const link of document.querySelectorAll("a[data-flush]")) {
    link.addEventListener("click", async (event) => {
      if (!timer) return;
      event.preventDefault();
      await send();
      location.href = /** @type {HTMLAnchorElement} */ (link).href;
    });
  }
  addEventListener("pagehide", () => {
    if (timer) send();
  });
  choose("give");
  draw();
  box.setAttribute("data-ready", "yes");
  said.textContent = given.size ? "Click pieces to put them right." : "Say on the right what an area is called, then click its pieces.";
});

/** @param {string} url */
function loaded(url) {
  return new Promise((done, failed) => {
    const picture = new Image();
    picture.onload = () => done(picture);
    picture.onerror = failed;
    picture.src = url;
  });
}

/** The piece of every pixel: its number + 1 lies in red and green. */
function numbers(picture, graph) {
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [graph.width, graph.height];
  const paper = canvas.getContext("2d", { willReadFrequently: true });
  paper.drawImage(picture, 0, 0);
  const { data } = paper.getImageData(0, 0, graph.width, graph.height);
  const found = new Int32Array(graph.width * graph.height);
  for (let at = 0; at < found.length; at++) found[at] = data[4 * at] + 256 * data[4 * at + 1] - 1;
  return found;
}

/** The largest piece that the view shows. */
function largest(graph) {
  let best = -1;
  graph.size.forEach((size, at) => {
    if (graph.middles[at] && (best < 0 || size > graph.size[best])) best = at;
  });
  return best;
}

/** A clear colour of a hue, 0 to 360, as red, green and blue. */
function rgb(hue) {
  const channel = (shift) => {
    const at = (shift + hue / 30) % 12;
    return Math.round(255 * (0.58 - 0.34 * Math.max(-1, Math.min(at - 3, 9 - at, 1))));
  };
  return [channel(0), channel(8), channel(4)];
}
