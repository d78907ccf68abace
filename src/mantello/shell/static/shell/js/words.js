// @ts-check
/* Words with dots beneath: pointed at, focused or tapped they show their line and drawing; followed, the page of all words. */

const panel = document.createElement("div");
panel.className = "word-panel";
panel.id = "word-panel";
panel.setAttribute("role", "tooltip");
panel.hidden = true;
/** @type {HTMLAnchorElement | null} */
let shown = null;

/** @param {EventTarget | null} target @returns {HTMLAnchorElement | null} */
const wordAt = (target) => (target instanceof Element ? target.closest("a.word") : null);

function show(/** @type {HTMLAnchorElement} */ word) {
  if (shown === word) return;
  hide();
  const said = word.querySelector("template");
  if (!said) return;
  shown = word;
  panel.replaceChildren(said.content.cloneNode(true));
  (word.closest("dialog[open]") || document.body).append(panel);
  panel.hidden = false;
  word.setAttribute("aria-describedby", panel.id);
  const at = word.getBoundingClientRect();
  const { width, height } = panel.getBoundingClientRect();
  const left = Math.max(8, Math.min(at.left, innerWidth - width - 8));
  const top = at.bottom + height + 8 > innerHeight ? at.top - height - 6 : at.bottom + 6;
  panel.style.setProperty("left", `${left}px`);
  panel.style.setProperty("top", `${Math.max(8, top)}px`);
}

function hide() {
  shown?.removeAttribute("aria-describedby");
  shown = null;
  panel.hidden = true;
}

document.addEventListener("pointerover", (event) => {
  const word = wordAt(event.target);
  if (word && event.pointerType === "mouse") show(word);
  else if (!word && shown && shown !== document.activeElement && !panel.contains(/** @type {Node} */ (event.target))) hide();
});
document.addEventListener("focusin", (event) => {
  const word = wordAt(event.target);
  if (word) show(word);
  else hide();
});
document.addEventListener("keydown", (event) => {
  if (event.key === "Escape" && shown) hide();
});
document.addEventListener("scroll", hide, true);

/* A finger has no way to point: the first tap shows, the second follows. */
let tapped = /** @type {HTMLAnchorElement | null} */ (null);
document.addEventListener("click", (event) => {
  const word = wordAt(event.target);
  const finger = /** @type {PointerEvent} */ (event).pointerType === "touch";
  if (!word || !finger || tapped === word) return;
  tapped = word;
  event.preventDefault();
  show(word);
});
