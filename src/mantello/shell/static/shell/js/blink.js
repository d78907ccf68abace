// @ts-check
/* On the stage: B held shows it as it was before the last edit, X swaps front and back; both come back. */
import { asked } from "./asking.js";
import { newest } from "./newest.js";
import { typing } from "./typing.js";

const latest = newest();
/** @type {{ box: Element, kept: SVGElement } | null} */
let away = null;

/** @param {string} more @param {string} by */
async function show(more, by) {
  const box = /** @type {HTMLElement | null} */ (document.querySelector("[data-stage]"));
  const drawn = /** @type {SVGElement | null} */ (box?.querySelector("#plate-svg") || null);
  if (!box || !drawn || away) return;
  away = { box, kept: drawn };
  const answer = await latest(() => asked(`${box.dataset.stage}&${more}`).catch(() => null));
  if (!away || !answer || answer.status !== 200) {
    if (answer && answer.status !== 200) away = null;
    return;
  }
  const other = new DOMParser().parseFromString(await answer.text(), "text/html").querySelector("#plate-svg");
  if (!away || !other || !drawn.isConnected) return;
  other.setAttribute("data-shown", by);
  /* as close as the one it stands for */
  other.setAttribute("viewBox", String(drawn.getAttribute("viewBox")));
  drawn.replaceWith(other);
}

function back() {
  if (!away) return;
  away.box.querySelector("#plate-svg[data-shown]")?.replaceWith(away.kept);
  away = null;
}

document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || typing(event.target) || document.querySelector("dialog[open]")) return;
  const key = event.key.toLowerCase();
  if (key === "b") show("before=yes", "before");
  else if (key === "x") {
    if (away) back();
    else show("turned=yes", "turned");
  }
});
document.addEventListener("keyup", (event) => {
  if (event.key.toLowerCase() === "b") back();
});
document.addEventListener("mantello:shown", () => {
  away = null;
});
